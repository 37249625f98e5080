package dev.vinekit.source.view;

import dev.vinekit.data.SampleRows;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.Filling;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import dev.vinekit.mapping.Relation;
import dev.vinekit.mapping.RowRule;
import dev.vinekit.schema.DefaultValue;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.SqlText;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Makes the views of entities. */
final class EntityViews {
    private static final SqlType TEXT = SqlType.of(SqlType.Kind.TEXT, "text");

    private final Mapping mapping;
    private final Dialect dialect;
    private final KeyViews keys;
    private final FieldViews fields;
    private final TestViews tests;
    private final RelationViews relations;

    EntityViews(Mapping mapping, Dialect dialect, SampleRows samples, Set<String> locals) {
        this.dialect = dialect;
        this.mapping = mapping;
        this.keys = new KeyViews(dialect, locals);
        this.fields = new FieldViews(dialect, keys);
        this.relations = new RelationViews(mapping, locals);
        this.tests = new TestViews(mapping, relations, dialect, samples);
    }

    RelationViews relations() {
        return relations;
    }

    EntityView of(Entity entity) {
        Map<Field, FieldView> views = new LinkedHashMap<>();
        for (Field field : entity.fields()) {
            views.put(field, fields.of(entity, field, entity.told().indexOf(field) + 1));
        }
        return new EntityView(
                entity.name().inCode(),
                entity.variable(),
                constant(entity),
                title(entity),
                JavaString.of(entity.title()),
                DocText.of(entity.table().comment()),
                DocText.of(entity.table().name().name()),
                JavaString.of(entity.path()),
                DocText.of(entity.path()),
                DocText.of(entity.operations().stream()
                        .map(Operation::word).collect(Collectors.joining(", "))),
                JavaString.of("/" + entity.path()),
                relations.repositoryClass(entity),
                relations.serviceClass(entity),
                AccessViews.operations(mapping, entity),
                AccessViews.parts(entity),
                entity.table().isView(),
                !entity.key().isEmpty(),
                entity.isWritable(),
                entity.guarded(),
                entity.cacheSeconds(),
                entity.told().stream().map(views::get).toList(),
                entity.told().stream().filter(field -> !field.column().comment().isBlank())
                        .map(views::get).toList(),
                entity.inputs().stream().map(views::get).toList(),
                entity.fields().stream().filter(field -> field.input() == Field.Input.WRITABLE
                        || field.filling() == Filling.OWNER).map(views::get).toList(),
                entity.fields().stream().filter(Field::updatable).map(views::get).toList(),
                entity.key().stream().map(views::get).toList(),
                entity.keyName().map(JavaName::inCode),
                keys.of(entity),
                filters(entity).map(views::get).toList(),
                order(entity),
                entity.version().map(views::get),
                own(entity),
                relations.ownReferences(entity),
                stamps(entity, views),
                entity.isScoped(),
                deletion(entity),
                (entity.isUpdatable() || entity.can(Operation.DELETE)) && !dialect.lock().isEmpty(),
                relations.finders(entity),
                relations.lookups(entity),
                relations.includes(entity),
                relations.childServices(entity),
                relations.children(entity),
                entity.fields().stream().filter(field -> field.told() || field.input() != Field.Input.READ_ONLY)
                        .flatMap(field -> fields.converter(field).stream()).toList(),
                constraints(entity),
                entity.rowRules().stream().map(EntityViews::rule).toList(),
                statements(entity),
                tests.of(entity, views));
    }

    /** How deleted rows stay. */
    private Optional<EntityView.DeletionView> deletion(Entity entity) {
        return entity.deletion().map(field -> new EntityView.DeletionView(JavaString.of(field.sqlName()),
                JavaString.of(dialect.now(field.column().type())), mapping.entities().stream().flatMap(other ->
                other.relations().stream()
                        .filter(relation -> relation.foreignKey().target().equals(entity.table().name()))
                        .map(relation -> new EntityView.ReferrerView(JavaString.of(other.path()),
                                JavaString.of(referrers(entity, other, relation.foreignKey()))))).toList()));
    }

    private static String referrers(Entity entity, Entity other, ForeignKey reference) {
        String referring = reference.targetColumns().equals(entity.keyColumns())
                ? match(reference.columns().stream().map(other::field).toList())
                : in(other, reference.columns(), entity, reference.targetColumns()) + match(entity.key()) + ")";
        return "SELECT COUNT(*) FROM " + other.sqlTable() + " WHERE " + referring
                + other.deletion().map(deleted -> " AND " + deleted.sqlName() + " IS NULL").orElse("");
    }

    /** The columns that the service fills by itself. */
    private List<EntityView.StampView> stamps(Entity entity, Map<Field, FieldView> views) {
        return entity.fields().stream().filter(field -> field.filling().isStamp())
                .map(field -> new EntityView.StampView(
                JavaString.of(field.sqlName()), field.filling().isMoment(), field.filling().isOfChange(),
                JavaString.of(field.filling().isMoment() ? dialect.now(field.column().type()) : field.parameter()),
                FieldViews.type(field, true),
                field.type() == JavaType.STRING ? (int) Math.min(field.column().type().length(), Integer.MAX_VALUE) : 0,
                field.told() ? Optional.of(views.get(field)) : Optional.empty())).toList();
    }

    /** Whose the rows are. */
    private Optional<EntityView.OwnView> own(Entity entity) {
        return entity.ownRows().map(own -> {
            List<Entity> way = new ArrayList<>(List.of(entity));
            own.path().forEach(reference -> way.add(mapping.entity(reference.target())));
            Entity last = way.get(way.size() - 1);
            Field owner = last.field(own.column());
            String equal = owner.sqlName() + " = " + owner.parameter();
            Optional<String> exact = dialect.exactly(last.table(), owner.column(), owner.sqlName(), owner.parameter())
                    .filter(sql -> owner.type() == JavaType.STRING);
            String condition = equal + exact.map(sql -> " AND " + sql).orElse("");
            for (int i = own.path().size() - 1; i >= 0; i--) {
                ForeignKey reference = own.path().get(i);
                condition = in(way.get(i), reference.columns(), way.get(i + 1), reference.targetColumns()) + condition + ")";
            }
            String found = match(entity.key());
            for (int i = 0; i < own.path().size(); i++) {
                ForeignKey reference = own.path().get(i);
                found = in(way.get(i + 1), reference.targetColumns(), way.get(i), reference.columns()) + found + ")";
            }
            return new EntityView.OwnView(JavaString.of(own.claim()), FieldViews.type(owner, true),
                    JavaCode.list(own.everything().stream().map(JavaString::of).toList()),
                    JavaString.of(condition), exact.isPresent() ? 2 : 1,
                    JavaString.of("SELECT " + owner.selected() + " FROM " + last.sqlTable() + " WHERE " + found));
        });
    }

    private static String in(Entity entity, List<String> columns, Entity other, List<String> otherColumns) {
        String list = columns(entity, columns);
        return (columns.size() == 1 ? list : "(" + list + ")") + " IN (SELECT " + columns(other, otherColumns) + " FROM "
                + other.sqlTable() + " WHERE ";
    }

    private static String columns(Entity entity, List<String> columns) {
        return columns.stream().map(column -> entity.field(column).sqlName()).collect(Collectors.joining(", "));
    }

    private static String match(List<Field> fields) {
        return fields.stream().map(field -> field.sqlName() + " = " + field.parameter())
                .collect(Collectors.joining(" AND "));
    }

    /** The fields to filter by: those chosen, and those of finders. */
    private static Stream<Field> filters(Entity entity) {
        return Stream.concat(entity.filters().stream(),
                entity.finders().stream().flatMap(finder -> finder.fields().stream())).distinct();
    }

    /** The enum constant that stands for a table in tests. */
    static JavaName constant(Entity entity) {
        return constant(entity.name());
    }

    static JavaName constant(JavaName name) {
        return JavaName.of(name.value().replaceAll("(?<=[a-z0-9])(?=[A-Z])", "_").toUpperCase(Locale.ROOT));
    }

    private static TitleView title(Entity entity) {
        String article = "aeiou".indexOf(entity.title().charAt(0)) >= 0 ? "an " : "a ";
        return new TitleView(DocText.of(article + entity.title()), DocText.of(entity.path().replace('-', ' ')));
    }

    /** What rows are ordered by if nobody asks for another order. */
    private JavaCode order(Entity entity) {
        List<Field> order = entity.key().isEmpty() ? entity.sortable() : entity.key();
        if (order.isEmpty()) {
            return JavaCode.list(entity.told().stream()
                    .map(field -> JavaCode.of("Filters.on(%s, %s, String.class)", JavaString.of(field.jsonName()),
                    JavaString.of(dialect.asText(field.column().type(), field.sqlName())))).toList());
        }
        if (!entity.key().isEmpty() && filters(entity).toList().containsAll(order)) {
            return JavaCode.list(order.stream().map(field -> JavaString.of(field.jsonName())).toList());
        }
        return JavaCode.list(order.stream().map(fields::filter).toList());
    }

    /**
     * A column as tests look at it: floats of one size stay what they are, though some engines tell them whole only as
     * larger ones.
     */
    private String asTested(Entity entity, Field field) {
        return field.type() == JavaType.FLOAT ? field.sqlName()
                : field.type() == JavaType.ENUM && dialect.readsAsBytes(entity.table(), field.column())
                ? dialect.asText(field.column().type(), field.sqlName()) : field.selected();
    }

    private EntityView.StatementView statements(Entity entity) {
        List<Field> key = entity.key();
        List<Field> told = key.isEmpty()
                ? entity.comparable().stream().filter(field -> field.type() != JavaType.OFFSET_TIME).toList() : key;
        List<Field> whole = told.isEmpty() ? entity.fields() : List.of();
        boolean plain = entity.fields().stream().allMatch(field -> asTested(entity, field).equals(field.sqlName()));
        String match = match(key);
        return new EntityView.StatementView(
                JavaString.of(entity.sqlTable()),
                JavaString.of((isParent(entity) ? "ONLY " : "") + entity.sqlTable()),
                !key.isEmpty() && !dialect.readsBack()
                        && mapping.schema().hasLateInsertTrigger(entity.table().name()),
                JavaString.list(entity.told().stream().map(field -> field.isUuidInBytes() ? field.selected()
                        : dialect.inSelectList(field.column().type(), field.sqlName())).toList()),
                JavaString.of(match),
                JavaString.of(dialect.lock()),
                dialect.returnsRows(),
                dialect.readsBack() ? Optional.of(readBack(entity)) : Optional.empty(),
                plain ? JavaString.of("*") : JavaString.of(entity.fields().stream()
                        .map(field -> asTested(entity, field).equals(field.sqlName()) ? field.sqlName()
                                : asTested(entity, field) + " AS " + field.sqlName()).collect(Collectors.joining(", "))),
                Stream.concat(told.stream().map(Field::selected),
                        whole.stream().map(field -> dialect.asText(field.column().type(), field.sqlName())))
                        .map(JavaString::of).toList(),
                JavaString.of(!key.isEmpty() ? match
                        : Stream.concat(told.stream().map(Field::same), whole.stream().map(field ->
                        dialect.isSame(TEXT, dialect.asText(field.column().type(), field.sqlName()), "?")))
                        .collect(Collectors.joining(" AND "))),
                entity.fields().stream().filter(Field::isNumbered).findFirst()
                        .flatMap(field -> dialect.continueSmallIdentity(entity.sqlTable(), field.column()))
                        .map(JavaString::of));
    }

    /** Of a table without a key every value tells a row from others. */
    private static EntityView.ReadBackView readBack(Entity entity) {
        boolean numbered = entity.key().size() == 1 && entity.key().get(0).input() == Field.Input.ASSIGNED
                && entity.key().get(0).column().isIdentity();
        return new EntityView.ReadBackView(numbered, entity.fields().stream()
                .filter(field -> entity.key().isEmpty() || field.inKey())
                .filter(field -> field.input() != Field.Input.ASSIGNED)
                .flatMap(field -> field.column().defaultValue().flatMap(DefaultValue::onInsert).stream()
                        .map(value -> new EntityView.DefaultView(
                                JavaString.of(field.sqlName()), JavaString.of(value))))
                .toList());
    }

    /** Whether rows of other tables would be found in this one too. */
    private boolean isParent(Entity entity) {
        return mapping.schema().tables().stream().anyMatch(table -> table.parents().contains(entity.table().name()));
    }

    private List<JavaCode> constraints(Entity entity) {
        List<JavaCode> constraints = new ArrayList<>();
        if (!entity.isWritable()) {
            return constraints;
        }
        JavaString path = JavaString.of(entity.path());
        List<UniqueKey> keys = new ArrayList<>(entity.table().primaryKey().stream().toList());
        keys.addAll(entity.table().uniqueKeys());
        entity.table().indexes().stream().filter(index -> index.unique() && !index.columns().isEmpty())
                .forEach(index -> keys.add(new UniqueKey(index.name(), index.columns())));
        for (UniqueKey key : keys) {
            unique(entity, key, key.columns(), constraints);
        }
        entity.table().indexes().stream().filter(Index::unique).filter(index -> index.columns().isEmpty())
                .forEach(index -> unique(entity, new UniqueKey(index.name(), List.of()), mentioned(entity, index),
                        constraints));
        for (Relation relation : entity.relations()) {
            JavaString parents = JavaString.of(mapping.entity(relation.foreignKey().target()).path());
            constraints.add(constraint("reference", relation.foreignKey().name(), List.of(path, parents),
                    relation.fields()));
        }
        entity.checks().forEach(check ->
                constraints.add(constraint("check", check.constraint(), List.of(path), check.fields())));
        return constraints;
    }

    /** A key, under each name by which the database may report it. */
    private void unique(Entity entity, UniqueKey key, List<String> columns, List<JavaCode> constraints) {
        Stream.of(key, new UniqueKey(key.name(), columns))
                .map(each -> dialect.reported(entity.table(), each)).distinct()
                .forEach(name -> constraints.add(constraint("unique", name, List.of(JavaString.of(entity.path())),
                        columns.stream().map(entity::field).toList())));
    }

    /** The columns in the key of an index over expressions, or over part of the rows. */
    private static List<String> mentioned(Entity entity, Index index) {
        String definition = index.definition().orElse("");
        String key = definition.substring(definition.indexOf('(') + 1).replaceFirst("(?is)\\bWHERE\\b.*", "");
        Set<String> words = SqlText.identifiers(key, word -> word.toLowerCase(Locale.ROOT));
        return entity.fields().stream().map(field -> field.column().name())
                .filter(name -> words.contains(name.toLowerCase(Locale.ROOT)) || words.contains(name)).toList();
    }

    private JavaCode constraint(String kind, String name, List<JavaString> paths, List<Field> fields) {
        List<JavaString> arguments = new ArrayList<>(List.of(JavaString.of(dialect.isEnginesOwn(name) ? "" : name)));
        arguments.addAll(paths);
        fields.stream().filter(field -> field.told() || field.input() != Field.Input.READ_ONLY)
                .forEach(field -> arguments.add(JavaString.of(field.jsonName())));
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
