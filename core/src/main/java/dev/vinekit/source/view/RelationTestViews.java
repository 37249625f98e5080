package dev.vinekit.source.view;

import dev.vinekit.data.Sample;
import dev.vinekit.data.SampleRow;
import dev.vinekit.mapping.Child;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.Finder;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.Limits;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import dev.vinekit.mapping.Relation;
import dev.vinekit.schema.TableName;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** Makes the views of tests that follow the ties between tables, and of those that narrow lists. */
final class RelationTestViews {
    /** Query parameters that are not about a column, whatever its name is. */
    private static final Set<String> PARAMETERS = Set.of("after", "count", "fields", "include", "limit", "sort");

    private final Mapping mapping;
    private final RelationViews relations;
    private final SampleViews samples;
    private final Map<TableName, List<Child>> byEntity;
    private final Map<TableName, List<Child>> byLink;

    RelationTestViews(Mapping mapping, RelationViews relations, SampleViews samples) {
        this.mapping = mapping;
        this.samples = samples;
        this.relations = relations;
        this.byEntity = mapping.children().stream().collect(Collectors.groupingBy(child -> table(child.entity())));
        this.byLink = mapping.children().stream().filter(child -> child.link().isPresent())
                .collect(Collectors.groupingBy(child -> table(child.link().orElseThrow().entity())));
    }

    /** Tests of the references that a stored sample follows to a row with a path. */
    List<RelationView.IncludeTest> includeTests(Entity entity, SampleRow sample) {
        if (!entity.can(Operation.READ)) {
            return List.of();
        }
        return mapping.included(entity).stream().filter(relation -> isFollowed(relation, sample))
                .filter(relation -> leadsToKey(relation)
                        && mapping.entity(relation.foreignKey().target()).can(Operation.READ))
                .map(relation -> new RelationView.IncludeTest(
                        JavaString.of(relation.jsonName()),
                        JavaString.of("/" + mapping.entity(relation.foreignKey().target()).path() + "/"),
                        segment(relation)))
                .toList();
    }

    List<RelationView.ChildTest> childTests(Entity entity, SampleRow sample) {
        List<Child> tested = new ArrayList<>(byEntity.getOrDefault(table(entity), List.of()).stream()
                .filter(child -> child.link().isEmpty()).toList());
        tested.addAll(byLink.getOrDefault(table(entity), List.of()));
        return tested.stream()
                .filter(child -> isFollowed(child.relation(), sample) && leadsToKey(child.relation()))
                .filter(child -> child.link().isEmpty() || isFollowed(child.link().get().relation(), sample))
                .map(child -> new RelationView.ChildTest(
                        JavaString.of("/" + child.parent().path() + "/"),
                        segment(child.relation()),
                        JavaString.of("/" + child.path()),
                        child.finder(),
                        stored(child.relation().fields()),
                        child.link().map(link -> child.entity().name().inCode()),
                        relations.repositoryClass(child.entity()),
                        JavaCode.list(child.relation().fields().stream().map(RelationTestViews::same).toList(), " && "),
                        samples.isCreated(child.parent())))
                .toList();
    }

    private boolean isFollowed(Relation relation, SampleRow sample) {
        return relation.fields().stream().allMatch(field -> sample.values().get(field) instanceof Sample.Reference);
    }

    /** Whether a reference goes to the key by which its target has a path. */
    private boolean leadsToKey(Relation relation) {
        return mapping.entity(relation.foreignKey().target()).keyColumns()
                .equals(relation.foreignKey().targetColumns());
    }

    private static JavaCode segment(Relation relation) {
        return JavaCode.of("PathKeys.join(%s)", stored(relation.fields()));
    }

    private static JavaCode stored(List<Field> fields) {
        return JavaCode.list(fields.stream().map(field -> JavaCode.of("stored.%s()", field.name())).toList());
    }

    /** Tests of the finders that a person asked for, with the values of a stored sample. */
    List<RelationView.FinderTest> finderTests(Entity entity, SampleRow sample) {
        Set<JavaName> others = byEntity.getOrDefault(table(entity), List.of()).stream().map(Child::finder)
                .collect(Collectors.toSet());
        return entity.finders().stream().filter(finder -> !others.contains(finder.name()))
                .filter(finder -> finder.fields().stream().allMatch(sample::has))
                .map(RelationTestViews::finderTest).toList();
    }

    /** Whether a column can be asked for a part of its texts. */
    static boolean isSearched(Field field) {
        return field.type() == JavaType.STRING && field.column().type().isText();
    }

    private static RelationView.FinderTest finderTest(Finder finder) {
        List<JavaCode> arguments = new ArrayList<>();
        List<JavaCode> predicate = new ArrayList<>();
        List<JavaCode> query = new ArrayList<>();
        for (Field field : finder.equal()) {
            arguments.add(storedValue(field));
            predicate.add(same(field));
            ask(query, field, "");
        }
        Field last = finder.last();
        JavaCode value = storedValue(last);
        arguments.add(finder.match() == Finder.Match.IN ? JavaCode.of("List.of(%s)", value)
                : finder.match() == Finder.Match.BETWEEN ? JavaCode.of("%s, %s", value, value) : value);
        String form = "row.%1$s() != null && row.%1$s().";
        predicate.add(switch (finder.match()) {
            case CONTAINS -> JavaCode.of(form + "contains(%2$s)", last.name(), value);
            case STARTS_WITH -> JavaCode.of(form + "startsWith(%2$s)", last.name(), value);
            default -> same(last);
        });
        switch (finder.match()) {
            case CONTAINS -> ask(query, last, "[contains]");
            case STARTS_WITH -> ask(query, last, "[startsWith]");
            case BETWEEN -> {
                ask(query, last, "[atLeast]");
                ask(query, last, "[atMost]");
            }
            case IN -> ask(query, last, "[in]");
            case LESS -> ask(query, last, "[less]");
            case GREATER -> ask(query, last, "[greater]");
            default -> ask(query, last, "");
        }
        boolean matches = finder.match() != Finder.Match.LESS && finder.match() != Finder.Match.GREATER;
        return new RelationView.FinderTest(finder.name(), JavaCode.list(arguments), matches,
                JavaCode.list(predicate, " && "), JavaCode.list(query, " + "));
    }

    private static JavaCode storedValue(Field field) {
        return JavaCode.of("stored.%s()", field.name());
    }

    private static JavaCode same(Field field) {
        return JavaCode.of("Objects.equals(row.%s(), stored.%s())", field.name(), field.name());
    }

    /** Whether a column has the name of a parameter that is about something else. */
    static boolean isParameter(Field field) {
        return PARAMETERS.contains(field.jsonName());
    }

    /** Adds a query parameter with the stored value; a text in a list of values is encoded twice. */
    private static void ask(List<JavaCode> query, Field field, String wanted) {
        String comparison = wanted.isEmpty() && isParameter(field) ? "[is]" : wanted;
        boolean twice = comparison.equals("[in]") && field.type() == JavaType.STRING;
        String form = twice ? "%s + Api.encoded(PathKeys.join(stored.%s()))" : "%s + PathKeys.join(stored.%s())";
        String name = (query.isEmpty() ? "?limit=" + Limits.ROWS_OF_A_PAGE + "&" : "&") + encoded(field.jsonName()) + comparison + "=";
        query.add(JavaCode.of(form, JavaString.of(name), field.name()));
    }

    private static String encoded(String name) {
        return URLEncoder.encode(name, StandardCharsets.UTF_8);
    }

    private static TableName table(Entity entity) {
        return entity.table().name();
    }
}
