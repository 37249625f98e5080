package dev.vinekit.mapping;

import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Finds out which rows belong to which. */
final class Children {
    private final Map<TableName, Entity> entities = new HashMap<>();
    private final List<Child> found = new ArrayList<>();

    private Children(List<Entity> all) {
        all.forEach(entity -> entities.put(entity.table().name(), entity));
    }

    static List<Child> of(List<Entity> entities) {
        Children children = new Children(entities);
        entities.forEach(children::addReferring);
        entities.forEach(children::addLinked);
        return children.withPaths();
    }

    private void addReferring(Entity entity) {
        Set<List<Field>> seen = new HashSet<>();
        for (Relation relation : entity.relations()) {
            Entity parent = entities.get(relation.foreignKey().target());
            if (relation.followed() && parent.can(Operation.READ) && entity.can(Operation.LIST)
                    && seen.add(relation.fields())) {
                found.add(new Child(parent, entity, relation, Optional.empty(), entity.path(), finder(relation)));
            }
        }
    }

    private static JavaName finder(Relation relation) {
        return JavaName.of("listWhere"
                + relation.fields().stream().map(field -> Names.capitalised(field.name().value()))
                .collect(Collectors.joining("IsAnd", "", "Is")));
    }

    /** A table joins two others if its key is made of a reference to each. */
    private void addLinked(Entity link) {
        List<String> key = link.table().primaryKey().map(UniqueKey::columns).orElse(List.of());
        for (Relation one : link.relations()) {
            for (Relation other : link.relations()) {
                Set<String> both = Stream.concat(one.fields().stream(), other.fields().stream())
                        .map(field -> field.column().name()).collect(Collectors.toCollection(LinkedHashSet::new));
                boolean joins = one != other && both.size() == one.fields().size() + other.fields().size()
                        && both.size() == key.size() && both.containsAll(key);
                if (joins) {
                    addLinked(link, one, other);
                }
            }
        }
    }

    private void addLinked(Entity link, Relation toParent, Relation toChild) {
        Entity parent = entities.get(toParent.foreignKey().target());
        Entity child = entities.get(toChild.foreignKey().target());
        boolean visible = link.can(Operation.LIST) || link.can(Operation.READ);
        if (visible && toParent.followed() && toChild.followed() && parent.can(Operation.READ)
                && child.can(Operation.LIST)) {
            JavaName finder = JavaName.of("listJoinedTo" + Names.capitalised(toParent.name().value()) + "By"
                    + link.name());
            found.add(new Child(parent, child, toParent, Optional.of(new Child.Link(link, toChild)), child.path(),
                    finder));
        }
    }

    /** Each child with a path that no other child of the parent has. */
    private List<Child> withPaths() {
        Map<String, Long> wanted = found.stream()
                .collect(Collectors.groupingBy(Children::place, Collectors.counting()));
        Set<String> taken = new HashSet<>();
        List<Child> named = new ArrayList<>();
        for (Child child : found) {
            boolean alone = wanted.get(place(child)) == 1
                    && !taken.contains(child.parent().path() + "/" + child.path());
            String path = alone ? child.path() : child.path() + "-by-" + child.link()
                    .map(link -> link.entity().path() + "-").orElse("") + hyphens(child.relation().name().value());
            String free = path;
            for (int i = 2; !taken.add(child.parent().path() + "/" + free); i++) {
                free = path + "-" + i;
            }
            named.add(new Child(child.parent(), child.entity(), child.relation(), child.link(), free, child.finder()));
        }
        return named;
    }

    private static String place(Child child) {
        return child.parent().path() + "/" + child.path() + child.link().isPresent();
    }

    private static String hyphens(String camel) {
        return camel.replaceAll("(?<=[\\p{Ll}\\p{N}])(?=\\p{Lu})", "-").toLowerCase(Locale.ROOT);
    }}
