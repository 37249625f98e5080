package dev.vinekit.run;

import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import dev.vinekit.sql.Dialect;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * The rows of a database, to tell whether two moments saw the same.
 *
 * @param rows the rows of each table as sorted text
 */
record Contents(Map<String, List<String>> rows) {
    static Contents of(Connection connection, Schema schema, Dialect dialect) throws SQLException {
        Map<String, List<String>> rows = new TreeMap<>();
        for (Table table : schema.tables()) {
            if (!table.isView()) {
                String name = dialect.table(table.name(), schema.defaultSchema());
                rows.put(table.name().toString(), read(connection, name, table.columns().size()));
            }
        }
        return new Contents(rows);
    }

    private static List<String> read(Connection connection, String table, int width) throws SQLException {
        List<String> found = new ArrayList<>();
        try (Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery("SELECT * FROM " + table)) {
            while (row.next()) {
                List<String> values = new ArrayList<>();
                for (int i = 1; i <= width; i++) {
                    values.add(row.getString(i));
                }
                found.add(values.toString());
            }
        }
        Collections.sort(found);
        return found;
    }

    long count() {
        return rows.values().stream().mapToLong(List::size).sum();
    }

    /** The tables whose rows are not the same in both. */
    List<String> differences(Contents other) {
        return rows.keySet().stream().filter(table -> !rows.get(table).equals(other.rows.get(table))).toList();
    }
}
