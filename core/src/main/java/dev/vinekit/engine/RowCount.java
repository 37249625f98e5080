package dev.vinekit.engine;

import dev.vinekit.schema.Access;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.sql.Dialect;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * How many rows a table has.
 *
 * @param exact whether they were counted; otherwise the engine's statistics say so
 */
public record RowCount(long rows, boolean exact) {
    /** From how many rows on, by the engine's own account, a table is not counted unless that is asked for. */
    public static final long LARGE = 100_000;

    private static final int TABLES_IN_A_STATEMENT = 200;

    /**
     * Counts the rows of tables and views that the login may read. Those of large tables are estimated; views are not
     * counted beside a large table, for they may read it.
     *
     * @param all whether to count large tables too
     */
    public static Map<TableName, RowCount> of(Connection connection, Engine engine, Schema schema, boolean all)
            throws SQLException {
        Map<TableName, RowCount> counts = new HashMap<>();
        if (!all) {
            engine.estimatedRows(connection, schema).forEach((table, rows) -> {
                if (rows >= LARGE) {
                    counts.put(table, new RowCount(rows, false));
                }
            });
        }
        boolean large = !counts.isEmpty();
        List<TableName> small = schema.tables().stream()
                .filter(table -> table.access().rights().contains(Access.Right.SELECT))
                .filter(table -> !large || !table.isView()).map(Table::name)
                .filter(name -> !counts.containsKey(name)).toList();
        for (int from = 0; from < small.size(); from += TABLES_IN_A_STATEMENT) {
            count(connection, engine.dialect(schema), schema,
                    small.subList(from, Math.min(small.size(), from + TABLES_IN_A_STATEMENT)), counts);
        }
        return counts;
    }

    /**
     * What an engine believes.
     *
     * @param sql gives schema, table and number of rows
     */
    public static Map<TableName, Long> estimates(Connection connection, Schema schema, String sql) throws SQLException {
        Set<TableName> known = schema.tables().stream().map(Table::name).collect(Collectors.toSet());
        Map<TableName, Long> rows = new HashMap<>();
        try (Statement statement = connection.createStatement(); ResultSet row = statement.executeQuery(sql)) {
            while (row.next()) {
                TableName name = new TableName(row.getString(1), row.getString(2));
                if (known.contains(name)) {
                    rows.put(name, row.getLong(3));
                }
            }
        }
        return rows;
    }

    private static void count(
            Connection connection, Dialect dialect, Schema schema, List<TableName> names,
            Map<TableName, RowCount> counts)
            throws SQLException {
        String sql = IntStream.range(0, names.size())
                .mapToObj(i -> "SELECT " + i + ", COUNT(*) FROM " + dialect.table(names.get(i), schema.defaultSchema()))
                .collect(Collectors.joining(" UNION ALL "));
        try (Statement statement = connection.createStatement(); ResultSet rows = statement.executeQuery(sql)) {
            while (rows.next()) {
                counts.put(names.get(rows.getInt(1)), new RowCount(rows.getLong(2), true));
            }
        }
    }

    /** The number, with a sign before it if it is an estimate. */
    @Override
    public String toString() {
        return (exact ? "" : "~") + rows;
    }
}
