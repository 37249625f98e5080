package dev.vinekit.source.view;

import dev.vinekit.mapping.Child;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.Filling;
import dev.vinekit.mapping.Finder;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Relation;
import dev.vinekit.schema.TableName;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** Makes the views of the ties between tables. */
final class RelationViews {
    private final Mapping mapping;
    private final Set<String> locals;
    private final Map<TableName, List<Child>> byParent;
    private final Map<TableName, List<Child>> byEntity;
    private final Map<TableName, Set<List<String>>> lookups = new LinkedHashMap<>();

    /** @param locals the names that methods use beside those of fields */
    RelationViews(Mapping mapping, Set<String> locals) {
        this.mapping = mapping;
        this.locals = locals;
        this.byParent = mapping.children().stream().collect(Collectors.groupingBy(child -> table(child.parent())));
        this.byEntity = mapping.children().stream().collect(Collectors.groupingBy(child -> table(child.entity())));
        for (Entity entity : mapping.entities()) {
            mapping.included(entity).forEach(relation ->
                    lookups.computeIfAbsent(relation.foreignKey().target(), key -> new LinkedHashSet<>())
                            .add(relation.foreignKey().targetColumns()));
        }
    }

    /** Whether any reference is made of several columns. */
    boolean hasCompositeLookups() {
        return lookups.values().stream().flatMap(Set::stream).anyMatch(columns -> columns.size() > 1);
    }

    JavaName repositoryClass(Entity entity) {
        return (mapping.conventions().interfaces() ? JavaName.of("Jdbc" + entity.name() + "Repository")
                : entity.name().with("Repository")).inCode();
    }

    /** The class or interface of a repository. */
    private static JavaName repository(Entity entity) {
        return entity.name().with("Repository").inCode();
    }

    /** The references to rows that are not there for everybody. */
    List<RelationView.OwnReference> ownReferences(Entity entity) {
        List<RelationView.OwnReference> references = new ArrayList<>();
        for (Relation relation : entity.relations()) {
            Entity target = mapping.entity(relation.foreignKey().target());
            List<Field> sent = relation.fields().stream()
                    .filter(field -> field.input() != Field.Input.READ_ONLY).toList();
            if (target.isScoped() && sent.size() == relation.fields().size()) {
                List<Field> targets = targets(relation, target);
                references.add(new RelationView.OwnReference(repository(target), JavaString.of(target.sqlTable()),
                        JavaString.of(target.path()),
                        JavaCode.list(sent.stream().map(field -> JavaString.of(field.jsonName())).toList()),
                        JavaString.of(equal(targets)),
                        JavaCode.list(sent.stream().map(FieldViews::referring).toList()),
                        target.ownRows().isPresent(),
                        sent.stream().allMatch(field -> field.filling() == Filling.OWNER)));
            }
        }
        return references;
    }

    JavaName serviceClass(Entity entity) {
        return (mapping.conventions().interfaces() ? JavaName.of("Transactional" + entity.name() + "Service")
                : entity.name().with("Service")).inCode();
    }

    /** A variable that holds the service of an entity. */
    private static JavaName serviceVariable(Entity entity) {
        String name = entity.name().value();
        return JavaName.of(name.substring(0, 1).toLowerCase(Locale.ROOT) + name.substring(1) + "Service");
    }

    List<RelationView.IncludeView> includes(Entity entity) {
        return mapping.included(entity).stream().map(relation -> {
            Entity target = mapping.entity(relation.foreignKey().target());
            List<Field> targets = targets(relation, target);
            return new RelationView.IncludeView(
                    JavaString.of(relation.jsonName()),
                    values(entity, relation.fields()),
                    repositoryClass(target),
                    lookupName(targets),
                    values(target, targets),
                    AccessViews.toInclude(mapping, target));
        }).toList();
    }

    private static List<Field> targets(Relation relation, Entity target) {
        return relation.foreignKey().targetColumns().stream().map(target::field).toList();
    }

    private static JavaCode values(Entity entity, List<Field> fields) {
        return fields.size() == 1
                ? JavaCode.of("%s::%s", entity.name().inCode(), fields.get(0).name())
                : JavaCode.of("row -> Includes.key(%s)",
                        JavaCode.list(fields.stream().map(field -> JavaCode.of("row.%s()", field.name())).toList()));
    }

    private static JavaName lookupName(List<Field> fields) {
        return JavaName.of("lookUpBy" + joined(fields));
    }

    private static String joined(List<Field> fields) {
        return fields.stream().map(field -> FieldViews.capitalised(field.name()).value())
                .collect(Collectors.joining("And"));
    }

    List<RelationView.LookupView> lookups(Entity entity) {
        return lookups.getOrDefault(table(entity), Set.of()).stream().map(columns -> {
            List<Field> fields = columns.stream().map(entity::field).toList();
            Field first = fields.get(0);
            return new RelationView.LookupView(
                    lookupName(fields),
                    fields.size() == 1 ? FieldViews.type(first, true) : JavaCode.of("List<Object>"),
                    DocText.of(fields.stream().map(field -> field.name().value()).collect(Collectors.joining(" and "))),
                    fields.size() == 1
                            ? JavaCode.of("condition.in(%s, %s, keys)",
                                    JavaString.of(first.sqlName()), JavaString.of(first.parameter()))
                            : JavaCode.of("condition.inRows(%s, keys)", JavaString.of("(" + equal(fields) + ")")));
        }).toList();
    }

    private static String equal(List<Field> fields) {
        return fields.stream().map(field -> field.sqlName() + " = " + field.parameter())
                .collect(Collectors.joining(" AND "));
    }

    /** The finders by reference, through links, and those that a person asked for. */
    List<RelationView.FinderView> finders(Entity entity) {
        Map<JavaName, RelationView.FinderView> finders = new LinkedHashMap<>();
        for (Child child : byEntity.getOrDefault(table(entity), List.of())) {
            finders.putIfAbsent(child.finder(), child.link().isPresent() ? linked(child) : referring(child));
        }
        entity.finders().forEach(finder -> finders.putIfAbsent(finder.name(), declared(finder)));
        return List.copyOf(finders.values());
    }

    private RelationView.FinderView referring(Child child) {
        List<Field> fields = child.relation().fields();
        return new RelationView.FinderView(child.finder(), parameters(fields), arguments(fields),
                DocText.of("that refer to this " + child.parent().title()),
                JavaCode.list(fields.stream().map(field -> and(field, " = ", parameter(field))).toList(), ""));
    }

    private RelationView.FinderView linked(Child child) {
        Child.Link link = child.link().orElseThrow();
        List<Field> own = targets(link.relation(), child.entity());
        List<Field> parent = child.relation().fields();
        String open = row(own) + " IN (SELECT " + link.relation().fields().stream().map(Field::sqlName)
                .collect(Collectors.joining(", ")) + " FROM " + link.entity().sqlTable() + " WHERE " + equal(parent);
        return new RelationView.FinderView(child.finder(), parameters(parent), arguments(parent),
                DocText.of("that " + link.entity().path().replace('-', ' ') + " join to this "
                        + child.parent().title()),
                link.entity().isScoped()
                        ? JavaCode.of(".and(%s.SCOPE.within(%s, %s))", repository(link.entity()), JavaString.of(open), arguments(parent))
                        : JavaCode.of(".and(%s, %s)", JavaString.of(open + ")"), arguments(parent)));
    }

    private static String row(List<Field> fields) {
        String list = fields.stream().map(Field::sqlName).collect(Collectors.joining(", "));
        return fields.size() == 1 ? list : "(" + list + ")";
    }

    private RelationView.FinderView declared(Finder finder) {
        List<JavaCode> parameters = new ArrayList<>();
        List<JavaCode> arguments = new ArrayList<>();
        List<JavaCode> narrowing = new ArrayList<>();
        for (Field field : finder.equal()) {
            parameters.add(typed(field, parameter(field)));
            arguments.add(JavaCode.of("%s", parameter(field)));
            narrowing.add(and(field, " = ", parameter(field)));
        }
        Field last = finder.last();
        JavaName name = parameter(last);
        switch (finder.match()) {
            case BETWEEN -> {
                JavaName most = JavaName.of("most" + FieldViews.capitalised(name));
                JavaName least = JavaName.of("least" + FieldViews.capitalised(name));
                parameters.addAll(List.of(typed(last, least), typed(last, most)));
                arguments.addAll(List.of(JavaCode.of("%s", least), JavaCode.of("%s", most)));
                narrowing.add(and(last, " >= ", least));
                narrowing.add(and(last, " <= ", most));
            }
            case IN -> {
                parameters.add(JavaCode.of("Collection<%s> %s", FieldViews.type(last, true), name));
                narrowing.add(JavaCode.of(".in(%s, %s, %s)",
                        JavaString.of(last.sqlName()), JavaString.of(last.parameter()), name));
                arguments.add(JavaCode.of("%s", name));
            }
            default -> {
                parameters.add(typed(last, name));
                arguments.add(JavaCode.of("%s", name));
                narrowing.add(switch (finder.match()) {
                    case CONTAINS -> JavaCode.of(".contains(%s, %s)", JavaString.of(last.sqlName()), name);
                    case STARTS_WITH -> JavaCode.of(".startsWith(%s, %s)", JavaString.of(last.sqlName()), name);
                    case LESS -> and(last, " < ", name);
                    case GREATER -> and(last, " > ", name);
                    default -> and(last, " = ", name);
                });
            }
        }
        return new RelationView.FinderView(finder.name(), JavaCode.list(parameters), JavaCode.list(arguments),
                DocText.of(doc(finder)), JavaCode.list(narrowing, ""));
    }

    private static String doc(Finder finder) {
        String equal = finder.equal().stream().map(field -> field.name().value()).collect(Collectors.joining(" and "));
        String last = finder.last().name().value();
        String match = switch (finder.match()) {
            case EQUAL -> last + " has this value";
            case CONTAINS -> last + " contains this text";
            case STARTS_WITH -> last + " begins with this text";
            case BETWEEN -> last + " lies between these values, or equals one of them";
            case IN -> last + " has one of these values";
            case LESS -> last + " is less than this";
            case GREATER -> last + " is greater than this";
        };
        String those = equal.isEmpty() ? "" : equal
                + (finder.equal().size() == 1 ? " has this value, and whose " : " have these values, and whose ");
        return "whose " + those + match;
    }

    private static JavaCode and(Field field, String operator, JavaName argument) {
        return JavaCode.of(".and(%s, %s)", JavaString.of(field.sqlName() + operator + field.parameter()), argument);
    }

    private static JavaCode typed(Field field, JavaName name) {
        return JavaCode.of("%s %s", FieldViews.type(field, false), name);
    }

    private JavaCode parameters(List<Field> fields) {
        return JavaCode.list(fields.stream().map(field -> typed(field, parameter(field))).toList());
    }

    private JavaCode arguments(List<Field> fields) {
        return JavaCode.list(fields.stream().map(field -> JavaCode.of("%s", parameter(field))).toList());
    }

    private JavaName parameter(Field field) {
        return locals.contains(field.name().value()) ? field.name().with("Value") : field.name();
    }

    List<RelationView.ServiceReference> childServices(Entity entity) {
        Map<TableName, RelationView.ServiceReference> services = new LinkedHashMap<>();
        for (Child child : byParent.getOrDefault(table(entity), List.of())) {
            if (!table(child.entity()).equals(table(entity))) {
                services.put(table(child.entity()), new RelationView.ServiceReference(
                        child.entity().name().with("Service").inCode(), serviceVariable(child.entity())));
            }
        }
        return List.copyOf(services.values());
    }

    List<RelationView.ChildView> children(Entity entity) {
        return byParent.getOrDefault(table(entity), List.of()).stream().map(child -> {
            JavaName service = table(child.entity()).equals(table(entity))
                    ? JavaName.of("service") : serviceVariable(child.entity());
            return new RelationView.ChildView(
                    JavaString.of("{key}/" + child.path()),
                    method(child),
                    child.entity().name().inCode(),
                    service,
                    child.finder(),
                    targets(child.relation(), entity).stream().map(Field::name).toList(),
                    !mapping.included(child.entity()).isEmpty(),
                    AccessViews.ofChildren(mapping, child),
                    child.entity().cacheSeconds());
        }).toList();
    }

    /** The method that answers with the children. */
    static JavaName method(Child child) {
        StringBuilder name = new StringBuilder("list");
        for (String word : child.path().split("[^\\p{L}\\p{N}]+")) {
            name.append(word.isEmpty() ? "" : FieldViews.capitalised(word));
        }
        return JavaName.of(name.toString());
    }

    private static TableName table(Entity entity) {
        return entity.table().name();
    }
}
