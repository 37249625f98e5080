package dev.vinekit.engine;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.ResultSetMetaData;
import java.sql.SQLException;
import java.sql.Statement;
import java.sql.Types;
import java.util.ArrayList;
import java.util.List;

/**
 * A few rows of a table as text.
 *
 * @param columns the columns' names
 * @param rows a text for each column; {@code NULL} for NULL, a count of bytes for binary
 */
public record SampleOfRows(List<String> columns, List<List<String>> rows) {
    /** Longest text that is fetched of a value. */
    private static final int LONGEST = 1000;

    public SampleOfRows {
        columns = List.copyOf(columns);
        rows = List.copyOf(rows);
    }

    /**
     * Reads the first rows that the database gives.
     *
     * @param table as SQL spells it
     */
    public static SampleOfRows read(Connection connection, String table, int limit) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            statement.setMaxRows(limit);
            try (ResultSet row = statement.executeQuery("SELECT * FROM " + table)) {
                ResultSetMetaData meta = row.getMetaData();
                List<String> columns = new ArrayList<>();
                for (int i = 1; i <= meta.getColumnCount(); i++) {
                    columns.add(meta.getColumnName(i));
                }
                List<List<String>> rows = new ArrayList<>();
                while (row.next()) {
                    List<String> values = new ArrayList<>();
                    for (int i = 1; i <= columns.size(); i++) {
                        values.add(text(row, i, isBinary(meta, i)));
                    }
                    rows.add(List.copyOf(values));
                }
                return new SampleOfRows(columns, rows);
            }
        }
    }

    /** Some drivers take a UUID, which is told as a text, for so many bytes. */
    private static boolean isBinary(ResultSetMetaData meta, int column) throws SQLException {
        return switch (meta.getColumnType(column)) {
            case Types.BLOB, Types.BINARY, Types.VARBINARY, Types.LONGVARBINARY ->
                !meta.getColumnTypeName(column).equalsIgnoreCase("UUID");
            default -> false;
        };
    }

    private static String text(ResultSet row, int column, boolean binary) throws SQLException {
        if (binary) {
            byte[] bytes = row.getBytes(column);
            return bytes == null ? "NULL" : bytes.length + " bytes";
        }
        String text = row.getString(column);
        return text == null ? "NULL" : text.length() > LONGEST ? text.substring(0, LONGEST) : text;
    }
}
