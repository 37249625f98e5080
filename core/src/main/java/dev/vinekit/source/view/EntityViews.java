package dev.vinekit.source.view;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import dev.vinekit.mapping.Relation;
import dev.vinekit.mapping.RowRule;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.Dialect;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Makes the views of entities. */
final class EntityViews {
    private final Mapping mapping;
    private final Dialect dialect;
    private final FieldViews fields;
    private final TestViews tests;
    private final RelationViews relations;

    EntityViews(Mapping mapping, boolean readsTyped, Dialect dialect) {
        this.dialect = dialect;
        this.mapping = mapping;
        this.fields = new FieldViews(readsTyped);
        this.relations = new RelationViews(mapping);
        this.tests = new TestViews(mapping, relations);
    }

    RelationViews relations() {
        return relations;
    }

    EntityView of(Entity entity) {
        Map<Field, FieldView> views = new LinkedHashMap<>();
        for (Field field : entity.fields()) {
            views.put(field, fields.of(entity, field, views.size() + 1));
        }
        List<Field> updates = entity.fields().stream().filter(Field::updatable).toList();
        return new EntityView(
                entity.name(),
                entity.variable(),
                constant(entity),
                title(entity),
                JavaString.of(entity.title()),
                DocText.of(entity.table().comment()),
                DocText.of(entity.table().name().name()),
                JavaString.of(entity.path()),
                DocText.of(entity.path()),
                DocText.of(entity.operations().stream()
                        .map(operation -> operation.name().toLowerCase(Locale.ROOT)).collect(Collectors.joining(", "))),
                JavaString.of("/" + entity.path()),
                relations.repositoryClass(entity),
                relations.serviceClass(entity),
                RelationViews.serviceVariable(entity),
                RelationViews.pageKey(entity),
                new OperationsView(entity.can(Operation.LIST), entity.can(Operation.CREATE), entity.can(Operation.READ),
                        entity.can(Operation.REPLACE), entity.can(Operation.PATCH), entity.can(Operation.DELETE),
                        entity.isUpdatable()),
                entity.table().isView(),
                !entity.key().isEmpty(),
                entity.isWritable(),
                List.copyOf(views.values()),
                entity.fields().stream().filter(field -> !field.column().comment().isBlank())
                        .map(views::get).toList(),
                entity.inputs().stream().map(views::get).toList(),
                entity.fields().stream().filter(field -> field.input() == Field.Input.WRITABLE)
                        .map(views::get).toList(),
                updates.stream().map(views::get).toList(),
                entity.key().stream().map(views::get).toList(),
                entity.keyName(),
                KeyViews.of(entity, dialect.comparesRows()),
                filters(entity).map(views::get).toList(),
                relations.finders(entity),
                relations.lookups(entity),
                relations.includes(entity),
                relations.childServices(entity),
                relations.children(entity),
                relations.collection(entity, JavaName.of("service")),
                entity.fields().stream().flatMap(field -> fields.converter(field).stream()).toList(),
                constraints(entity),
                entity.rowRules().stream().map(EntityViews::rule).toList(),
                statements(entity, updates),
                tests.of(entity, views));
    }

    /** The fields to filter by: those chosen, and those of finders. */
    private static Stream<Field> filters(Entity entity) {
        return Stream.concat(entity.filters().stream(),
                entity.finders().stream().flatMap(finder -> finder.fields().stream())).distinct();
    }

    /** The enum constant that stands for a table in tests. */
    static JavaName constant(Entity entity) {
        return JavaName.of(entity.name().value().replaceAll("(?<=[a-z0-9])(?=[A-Z])", "_").toUpperCase(Locale.ROOT));
    }

    private static TitleView title(Entity entity) {
        String article = "aeiou".indexOf(entity.title().charAt(0)) >= 0 ? "an " : "a ";
        return new TitleView(DocText.of(article + entity.title()), DocText.of(entity.path().replace('-', ' ')));
    }

    private EntityView.StatementView statements(Entity entity, List<Field> updates) {
        List<Field> keyFields = entity.key();
        List<String> key = keyFields.stream().map(Field::sqlName).toList();
        String keyParameters = keyFields.stream().map(Field::parameter).collect(Collectors.joining(", "));
        List<Field> told = keyFields.isEmpty() ? entity.comparable() : keyFields;
        boolean plain = entity.fields().stream().allMatch(field -> field.selected().equals(field.sqlName()));
        List<String> sortable = entity.comparable().stream().map(Field::sqlName).toList();
        List<String> selected = entity.fields().stream().map(Field::selected).toList();
        String keyList = String.join(", ", key);
        return new EntityView.StatementView(
                JavaString.of(entity.sqlTable()),
                JavaString.list(selected),
                JavaString.of(keyList),
                JavaString.of(key.size() == 1 ? keyList + " > " + keyParameters
                        : dialect.comparesRows() ? "(" + keyList + ") > (" + keyParameters + ")" : "(" + after(keyFields) + ")"),
                JavaString.of(keyFields.stream().map(field -> field.sqlName() + " = " + field.parameter())
                        .collect(Collectors.joining(" AND "))),
                JavaString.list(sortable.isEmpty() ? List.of("1") : sortable),
                JavaString.lines(updates.stream()
                        .map(field -> field.sqlName() + " = " + field.parameter()).toList()),
                JavaString.of(dialect.limit()),
                JavaString.of(dialect.page()),
                dialect.page().startsWith("OFFSET"),
                dialect.returnsRows(),
                plain ? JavaString.of("*") : JavaString.of(entity.fields().stream()
                        .map(field -> field.selected().equals(field.sqlName()) ? field.sqlName()
                                : field.selected() + " AS " + field.sqlName()).collect(Collectors.joining(", "))),
                told.stream().map(field -> JavaString.of(field.sqlName())).toList(),
                JavaString.of(told.stream()
                        .map(field -> keyFields.isEmpty() ? field.same() : field.sqlName() + " = " + field.parameter())
                        .collect(Collectors.joining(" AND "))));
    }

    /** The condition that a row comes after another by several columns, for an engine that does not compare rows. */
    private static String after(List<Field> key) {
        List<String> cases = new ArrayList<>();
        for (int i = 0; i < key.size(); i++) {
            List<String> parts = new ArrayList<>();
            for (Field earlier : key.subList(0, i)) {
                parts.add(earlier.sqlName() + " = " + earlier.parameter());
            }
            parts.add(key.get(i).sqlName() + " > " + key.get(i).parameter());
            cases.add(String.join(" AND ", parts));
        }
        return String.join(" OR ", cases);
    }

    private List<JavaCode> constraints(Entity entity) {
        List<JavaCode> constraints = new ArrayList<>();
        if (!entity.isWritable()) {
            return constraints;
        }
        JavaString path = JavaString.of(entity.path());
        List<UniqueKey> keys = new ArrayList<>(entity.table().primaryKey().stream().toList());
        keys.addAll(entity.table().uniqueKeys());
        entity.table().indexes().stream().filter(Index::unique)
                .forEach(index -> keys.add(new UniqueKey(index.name(), index.columns())));
        for (UniqueKey key : keys) {
            constraints.add(constraint("unique", dialect.reported(entity.table(), key), List.of(path),
                    key.columns().stream().map(entity::field).toList()));
        }
        for (Relation relation : entity.relations()) {
            JavaString parents = JavaString.of(mapping.entity(relation.foreignKey().target()).path());
            constraints.add(constraint("reference", relation.foreignKey().name(), List.of(path, parents),
                    relation.fields()));
        }
        entity.checks().forEach(check ->
                constraints.add(constraint("check", check.constraint(), List.of(path), check.fields())));
        return constraints;
    }

    private static JavaCode constraint(String kind, String name, List<JavaString> paths, List<Field> fields) {
        List<JavaString> arguments = new ArrayList<>(List.of(JavaString.of(name)));
        arguments.addAll(paths);
        fields.forEach(field -> arguments.add(JavaString.of(field.jsonName())));
        return JavaCode.of("Constraint." + kind + "(%s)", JavaCode.list(arguments));
    }

    private static JavaCode rule(RowRule rule) {
        if (rule instanceof RowRule.OneOf oneOf) {
            List<JavaString> options = oneOf.options().stream()
                    .map(BigDecimal::toPlainString).map(JavaString::of).toList();
            return JavaCode.of(".oneOf(%s, input.%s(), %s)",
                    JavaString.of(oneOf.field().jsonName()), oneOf.field().name(), JavaCode.list(options));
        }
        RowRule.Compare compare = (RowRule.Compare) rule;
        String method = switch (compare.operator()) {
            case EQUAL -> "equal";
            case NOT_EQUAL -> "different";
            case LESS -> "less";
            case AT_MOST -> "atMost";
            case GREATER -> "greater";
            case AT_LEAST -> "atLeast";
        };
        JavaName left = compare.left().name();
        JavaName right = compare.right().name();
        return JavaCode.of("." + method + "(%s, input.%s(), %s, input.%s())",
                JavaString.of(compare.left().jsonName()), left, JavaString.of(compare.right().jsonName()), right);
    }
}
