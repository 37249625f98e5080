package dev.vinekit.run;

import dev.vinekit.engine.ColumnText;
import dev.vinekit.project.ServiceDescription;
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
    static Contents of(Connection connection, ServiceDescription service) throws SQLException {
        Map<String, List<String>> rows = new TreeMap<>();
        for (ServiceDescription.TableDescription table : service.tables()) {
            if (!table.view()) {
                rows.put(table.sqlTable(), read(connection, table.sqlTable()));
            }
        }
        return new Contents(rows);
    }

    private static List<String> read(Connection connection, String table) throws SQLException {
        List<String> found = new ArrayList<>();
        try (Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery("SELECT * FROM " + table)) {
            int width = row.getMetaData().getColumnCount();
            while (row.next()) {
                List<String> values = new ArrayList<>();
                for (int i = 1; i <= width; i++) {
                    values.add(ColumnText.of(row, i));
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
