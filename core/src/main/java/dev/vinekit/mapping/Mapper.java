package dev.vinekit.mapping;

import dev.vinekit.schema.Check;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.SqlText;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Decides by rule what every table becomes. */
public final class Mapper {
    private final Schema schema;
    private final Dialect dialect;
    private final Names names = new Names();
    private final Set<String> paths = new HashSet<>();
    private final List<Remark> remarks = new ArrayList<>();
    private final Set<ColumnName> inReferences = new HashSet<>();

    private Mapper(Schema schema, Dialect dialect) {
        this.dialect = dialect;
        Set<TableName> known = schema.tables().stream().map(Table::name).collect(Collectors.toSet());
        this.schema = schema.withTables(
                schema.tables().stream().map(table -> withinReach(table, known)).toList());
        for (Table table : this.schema.tables()) {
            for (ForeignKey key : table.foreignKeys()) {
                key.columns().forEach(column -> inReferences.add(new ColumnName(table.name(), column)));
                key.targetColumns().forEach(column -> inReferences.add(new ColumnName(key.target(), column)));
            }
        }
    }

    /**
     * Maps a schema.
     *
     * @param basePackage the package that the generated packages will lie in
     */
    public static Mapping map(Schema schema, Dialect dialect, JavaName basePackage) {
        Mapper mapper = new Mapper(schema, dialect);
        List<Entity> entities = mapper.schema.tables().stream().map(mapper::entity).toList();
        String last = basePackage.value().substring(basePackage.value().lastIndexOf('.') + 1);
        String artifact = last.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-") + "-service";
        return new Mapping(mapper.schema, basePackage, artifact,
                dialect.definition(mapper.schema), entities, mapper.remarks);
    }

    private Table withinReach(Table table, Set<TableName> known) {
        List<ForeignKey> kept = new ArrayList<>();
        for (ForeignKey key : table.foreignKeys()) {
            if (known.contains(key.target())) {
                kept.add(key);
            } else {
                remark(table, "The reference " + key.name() + " goes to " + key.target()
                        + ", which was not read; it is left out.");
            }
        }
        return table.withForeignKeys(kept);
    }

    private Entity entity(Table table) {
        Words words = Words.of(table.name().name());
        JavaName name = names.entity(words,
                (wanted, reason) -> remark(table, "The class is not named " + wanted + ": " + reason + "."));
        List<String> keyColumns = keyColumns(table);
        Set<String> components = new HashSet<>();
        if (keyColumns.size() > 1) {
            components.add("primaryKey");
        }
        List<Check> checks = checks(table);
        TableRules rules = TableRules.of(table, checks, dialect);
        List<Field> fields = table.columns().stream()
                .map(column -> field(table, column, name, keyColumns, components, rules)).toList();
        List<RowRule> rowRules = rules.rowRules(fields);
        rules.leftToDatabase().forEach(check -> remark(table, "The check " + check.name() + (check.name().isEmpty() ? "" : " ")
                + "is left to the database; the service does not know its meaning: " + check.expression()));
        String variable = name.value().substring(0, 1).toLowerCase(Locale.ROOT) + name.value().substring(1);
        return new Entity(
                table,
                name,
                Names.component(Words.of(variable), new HashSet<>(), (wanted, reason) -> { }),
                words.isEmpty() ? "row" : words.singular().joined(" "),
                path(words),
                dialect.table(table.name(), schema.defaultSchema()),
                fields,
                keyColumns.size() > 1 ? Optional.of(name.with("Key")) : Optional.empty(),
                relations(table, fields),
                rowRules,
                checkedFields(checks, fields, rules.leftToDatabase()),
                operations(table, fields, keyColumns),
                dialect.isTransactional(table));
    }

    /** The checks of a table, and those of domains as they bear on its columns. */
    private List<Check> checks(Table table) {
        List<Check> checks = new ArrayList<>(table.checks());
        for (Column column : table.columns()) {
            schema.domain(column).ifPresent(domain -> domain.checks().forEach(check -> checks.add(new Check(check.name(),
                    SqlText.replace(check.expression(), "VALUE", dialect.identifier(column.name()))))));
        }
        return checks;
    }

    private List<Entity.CheckedFields> checkedFields(
            List<Check> checks, List<Field> fields, Set<Check> leftToDatabase) {
        return checks.stream().map(check -> {
            List<String> columns = dialect.parseCheck(check.expression()).columns();
            return new Entity.CheckedFields(dialect.reported(check),
                    fields.stream().filter(field -> columns.contains(field.column().name())).toList(),
                    !leftToDatabase.contains(check));
        }).toList();
    }

    private List<String> keyColumns(Table table) {
        List<UniqueKey> candidates = new ArrayList<>(table.primaryKey().stream().toList());
        candidates.addAll(table.uniqueKeys());
        for (UniqueKey key : candidates) {
            boolean usable = key.columns().stream().map(table::column).allMatch(column ->
                    !column.nullable() && JavaType.of(column.type()).isKey() && dialect.isSortable(column.type()));
            if (usable) {
                return key.columns();
            }
        }
        return List.of();
    }

    private Field field(
            Table table, Column column, JavaName entity, List<String> keyColumns, Set<String> components,
            TableRules rules) {
        JavaName name = Names.component(Words.of(column.name()), components, (wanted, reason) ->
                remark(table, "The field of column " + column.name() + " is not named " + wanted + ": " + reason + "."));
        boolean inKey = keyColumns.contains(column.name());
        boolean enumerated = column.type().kind() == SqlType.Kind.ENUM;
        List<String> labels = enumerated ? column.type().labels()
                : inReferences.contains(new ColumnName(table.name(), column.name())) || inKey ? List.of()
                : rules.labels(column.name());
        Optional<Enumeration> enumeration = labels.isEmpty() || table.isView() && !enumerated
                ? Optional.empty()
                : Optional.of(new Enumeration(
                        names.type(entity.value() + Words.of(column.name()).pascal()), Names.constants(labels)));
        Field.Input input = input(table, column, inKey);
        if (input == Field.Input.READ_ONLY && !column.isComputed() && !column.isIdentity() && !table.isView()) {
            remark(table, "The column " + column.name() + " has the type " + column.type().text()
                    + ", which can be read as text only; clients cannot write it.");
        }
        String sqlName = dialect.identifier(column.name());
        String parameter = dialect.parameter(column.type());
        return new Field(
                column,
                name,
                enumeration.isPresent() ? JavaType.ENUM : JavaType.of(column.type()),
                inKey,
                input,
                enumeration,
                table.isView() || enumeration.isPresent() ? List.of() : rules.fieldRules(column.name()),
                sqlName,
                dialect.selected(column.type(), sqlName),
                parameter,
                dialect.isSame(column.type(), sqlName, parameter),
                enumeration.isPresent() ? List.of() : rules.examples(column));
    }

    private Field.Input input(Table table, Column column, boolean inKey) {
        boolean carried = dialect.isWritable(column.type());
        if (table.isView() || column.isComputed() || !carried || column.isIdentity() && !inKey) {
            return Field.Input.READ_ONLY;
        }
        return column.isIdentity() ? Field.Input.ASSIGNED : Field.Input.WRITABLE;
    }

    private String path(Words words) {
        String wanted = words.isEmpty() ? "rows" : words.plural().joined("-");
        String path = wanted;
        for (int i = 2; !paths.add(path); i++) {
            path = wanted + "-" + i;
        }
        return path;
    }

    private static List<Relation> relations(Table table, List<Field> fields) {
        Set<String> taken = new HashSet<>(Set.of("connection", "n"));
        List<Relation> relations = new ArrayList<>();
        for (ForeignKey key : table.foreignKeys()) {
            List<Field> referring = key.columns().stream()
                    .map(column -> fields.stream().filter(f -> f.column().name().equals(column)).findFirst().orElseThrow())
                    .toList();
            Words words = key.columns().size() == 1
                    ? Words.of(key.columns().get(0)).without("id").without("code")
                    : Words.of(key.target().name()).singular();
            relations.add(new Relation(key, Names.component(words, taken, (wanted, reason) -> { }), referring));
        }
        return relations;
    }

    private Set<Operation> operations(Table table, List<Field> fields, List<String> keyColumns) {
        Set<Operation> operations = EnumSet.of(Operation.LIST);
        if (table.isView()) {
            remark(table, "A view: it can be listed, nothing else.");
            return operations;
        }
        Optional<Field> blocking = fields.stream()
                .filter(field -> field.input() == Field.Input.READ_ONLY)
                .filter(field -> !field.column().nullable() && !field.column().isFilledByDatabase())
                .findFirst();
        if (blocking.isPresent()) {
            remark(table, "No rows can be created: " + blocking.get().column().name() + " must have a value.");
        } else {
            operations.add(Operation.CREATE);
        }
        if (!dialect.isTransactional(table)) {
            remark(table, "Its storage engine knows no transactions: what a request wrote before it failed stays.");
        }
        if (keyColumns.isEmpty()) {
            remark(table, "No primary key, and no unique one without NULL: rows can be listed and created, "
                    + "but not read, changed or deleted one by one.");
            return operations;
        }
        operations.add(Operation.READ);
        operations.add(Operation.DELETE);
        if (fields.stream().anyMatch(Field::updatable)) {
            operations.add(Operation.REPLACE);
            operations.add(Operation.PATCH);
        } else {
            remark(table, "Every writable column belongs to the key: rows are created and deleted, there is nothing to change.");
        }
        return operations;
    }

    private void remark(Table table, String text) {
        remarks.add(new Remark(table.name(), text));
    }

    private record ColumnName(TableName table, String column) {
    }
}
