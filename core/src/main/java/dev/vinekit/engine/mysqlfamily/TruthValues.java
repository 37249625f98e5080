package dev.vinekit.engine.mysqlfamily;

import dev.vinekit.schema.Access;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.SqlText;
import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Tells which numbers of one digit are truth values, as {@code tinyint(1)} is meant as a rule: all but those that a
 * default, a check, a key, a reference or the rows that are there speak against.
 */
final class TruthValues {
    /** How many rows of a table are looked at. */
    static final int ROWS = 10_000;

    private final Schema schema;
    private final Set<Place> numbers = new HashSet<>();

    private TruthValues(Schema schema) {
        this.schema = schema;
    }

    private record Place(TableName table, String column) {
    }

    /** A schema, with whatever its own definition tells to be no truth value as a number. */
    static Schema byDefinition(Schema read) {
        TruthValues values = new TruthValues(read);
        read.tables().forEach(values::define);
        Set<String> names = values.numbers.stream().map(Place::column).collect(Collectors.toSet());
        read.tables().stream().filter(Table::isView)
                .forEach(view -> view.columns().stream().filter(column -> names.contains(column.name()))
                .forEach(column -> values.numbers.add(new Place(view.name(), column.name()))));
        return values.numbered();
    }

    /**
     * A schema, with columns as numbers in which rows have others than 0 and 1; a statement for each table that has
     * some in question.
     */
    static Schema byRows(Connection connection, Schema read, Dialect dialect) throws SQLException {
        TruthValues values = new TruthValues(read);
        for (Table table : read.tables()) {
            List<Column> doubtful = doubtful(table);
            if (!doubtful.isEmpty() && !table.isView() && table.access().rights().contains(Access.Right.SELECT)) {
                values.look(connection, table, doubtful, dialect);
            }
        }
        return values.numbered();
    }

    /** Columns that are truth values unless rows speak against it. */
    static List<Column> doubtful(Table table) {
        return table.columns().stream().filter(column -> isTruth(column) && !column.isComputed()).toList();
    }

    private static boolean isTruth(Column column) {
        return column.type().kind() == SqlType.Kind.BOOLEAN && column.type().isOneDigit();
    }

    private void define(Table table) {
        for (Column column : table.columns()) {
            if (isTruth(column) && (column.isIdentity() || !hasTruthAsDefault(column) || isKey(table, column)
                    || isLimited(table, column))) {
                numbers.add(new Place(table.name(), column.name()));
            }
        }
        for (ForeignKey key : table.foreignKeys()) {
            key.columns().forEach(column -> numbers.add(new Place(table.name(), column)));
            key.targetColumns().forEach(column -> numbers.add(new Place(key.target(), column)));
        }
    }

    private static boolean hasTruthAsDefault(Column column) {
        return column.defaultValue().map(value -> value.text().matches("(?is)'?[01]'?|NULL|TRUE|FALSE|[^\\d']*"))
                .orElse(true);
    }

    /** Whether it alone tells rows apart: a table of kinds, and not of two rows. */
    private static boolean isKey(Table table, Column column) {
        return table.keys().stream().anyMatch(key -> key.columns().equals(List.of(column.name())));
    }

    /** Whether a check speaks of it and of another number than 0 and 1. */
    private static boolean isLimited(Table table, Column column) {
        return table.checks().stream()
                .filter(check -> SqlText.identifiers(check.expression(), word -> word).contains(column.name()))
                .anyMatch(check -> SqlText.numbers(check.expression()).stream().map(BigDecimal::new)
                        .anyMatch(number -> number.compareTo(BigDecimal.ZERO) != 0
                                && number.compareTo(BigDecimal.ONE) != 0));
    }

    private void look(Connection connection, Table table, List<Column> doubtful, Dialect dialect)
            throws SQLException {
        List<String> names = doubtful.stream().map(column -> dialect.identifier(column.name())).toList();
        String sql = "SELECT " + names.stream().map(name -> "MAX(" + name + " NOT IN (0, 1))")
                .collect(Collectors.joining(", "))
                + " FROM (SELECT " + String.join(", ", names) + " FROM " + dialect.table(table.name(), "") + " LIMIT "
                + ROWS + ") AS some_rows";
        try (Statement statement = connection.createStatement(); ResultSet row = statement.executeQuery(sql)) {
            row.next();
            List<Boolean> others = new ArrayList<>();
            for (int i = 1; i <= names.size(); i++) {
                others.add(row.getInt(i) == 1);
            }
            IntStream.range(0, names.size()).filter(others::get)
                    .forEach(i -> numbers.add(new Place(table.name(), doubtful.get(i).name())));
        }
    }

    private Schema numbered() {
        return schema.withTables(schema.tables().stream().map(table -> table.withColumns(table.columns().stream()
                .map(column -> isTruth(column) && numbers.contains(new Place(table.name(), column.name()))
                        ? column.withType(column.type().as(SqlType.Kind.TINYINT)) : column).toList())).toList());
    }
}
