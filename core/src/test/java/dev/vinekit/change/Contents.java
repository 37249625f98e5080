package dev.vinekit.change;

import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.DatabaseMetaData;
import java.sql.ResultSet;
import java.sql.ResultSetMetaData;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What a database holds, read by plain JDBC.
 *
 * @param tables the rows of each table and view by their {@code id}, each value by its column
 * @param columns each column with its type and whether it may be empty
 */
record Contents(Map<String, Map<String, Map<String, String>>> tables, List<String> columns) {
    static Contents of(Connection connection) throws SQLException {
        Map<String, Map<String, Map<String, String>>> tables = new TreeMap<>();
        List<String> columns = new ArrayList<>();
        for (String table : names(connection)) {
            Map<String, Map<String, String>> rows = new TreeMap<>();
            try (Statement statement = connection.createStatement();
                    ResultSet result = statement.executeQuery("SELECT * FROM " + table)) {
                ResultSetMetaData metadata = result.getMetaData();
                for (int i = 1; i <= metadata.getColumnCount(); i++) {
                    columns.add(table + "." + metadata.getColumnName(i).toLowerCase(Locale.ROOT) + " "
                            + metadata.getColumnTypeName(i) + " " + metadata.getPrecision(i) + " " + metadata.isNullable(i));
                }
                while (result.next()) {
                    Map<String, String> row = new TreeMap<>();
                    for (int i = 1; i <= metadata.getColumnCount(); i++) {
                        row.put(metadata.getColumnName(i).toLowerCase(Locale.ROOT), String.valueOf(result.getString(i)));
                    }
                    rows.put(row.get("id"), row);
                }
            }
            tables.put(table, rows);
        }
        return new Contents(tables, columns);
    }

    private static List<String> names(Connection connection) throws SQLException {
        DatabaseMetaData metadata = connection.getMetaData();
        List<String> names = new ArrayList<>();
        try (ResultSet found = metadata.getTables(connection.getCatalog(), null, "%", new String[] {"TABLE", "BASE TABLE", "VIEW"})) {
            while (found.next()) {
                String schema = String.valueOf(found.getString("TABLE_SCHEM")).toLowerCase(Locale.ROOT);
                String name = found.getString("TABLE_NAME").toLowerCase(Locale.ROOT);
                if (!schema.matches("information_schema|pg_catalog") && !name.startsWith("sqlite_")) {
                    names.add(name);
                }
            }
        }
        return names;
    }

    /**
     * The first value of these rows that is not in others.
     *
     * @param renamed new names of columns by {@code table.column}
     */
    Optional<String> lostIn(Contents later, Map<String, String> renamed) {
        for (Map.Entry<String, Map<String, Map<String, String>>> table : tables.entrySet()) {
            if (table.getKey().endsWith("_view")) {
                continue;
            }
            Map<String, Map<String, String>> rows = later.tables.get(table.getKey());
            if (rows == null) {
                return Optional.of("table " + table.getKey());
            }
            for (Map.Entry<String, Map<String, String>> row : table.getValue().entrySet()) {
                Map<String, String> now = rows.get(row.getKey());
                if (now == null) {
                    return Optional.of("row " + row.getKey() + " of " + table.getKey());
                }
                for (Map.Entry<String, String> value : row.getValue().entrySet()) {
                    String present = now.containsKey(value.getKey()) ? now.get(value.getKey())
                            : now.get(renamed.getOrDefault(table.getKey() + "." + value.getKey(), ""));
                    if (!same(value.getValue(), present)) {
                        return Optional.of(table.getKey() + "." + value.getKey() + " of row " + row.getKey() + ": "
                                + value.getValue() + " became " + present);
                    }
                }
            }
        }
        return Optional.empty();
    }

    /** Whether two texts are the same value: numbers, timestamps and booleans have several forms. */
    private static boolean same(String was, String now) {
        return now != null && (was.equals(now) || form(was).equals(form(now)));
    }

    private static String form(String value) {
        String form = value.replaceFirst("(\\d\\d-\\d\\d) 00:00:00(?:\\.0+)?$", "$1").replaceFirst("(:\\d\\d\\.\\d*?)0+$", "$1");
        try {
            return new BigDecimal(form).stripTrailingZeros().toPlainString();
        } catch (NumberFormatException e) {
            return switch (form.toLowerCase(Locale.ROOT)) {
                case "t", "true" -> "1";
                case "f", "false" -> "0";
                default -> form;
            };
        }
    }
}
