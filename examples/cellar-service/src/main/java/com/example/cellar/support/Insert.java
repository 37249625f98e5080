package com.example.cellar.support;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;

/** An INSERT of one row. Columns without a value are left out, so that the database's defaults apply. */
public final class Insert {
    private final String table;
    private final List<String> columns = new ArrayList<>();
    private final List<String> markers = new ArrayList<>();
    private final List<Object> values = new ArrayList<>();

    /** Begins the statement; names of tables and columns are spelled as SQL wants them. */
    public Insert(String table) {
        this.table = table;
    }

    public Insert set(String column, Object value) {
        return set(column, "?", value);
    }

    /** Sets a column whose parameter marker is more than a question mark. */
    public Insert set(String column, String marker, Object value) {
        if (value != null) {
            columns.add(column);
            markers.add(marker);
            values.add(value);
        }
        return this;
    }

    /** Inserts the row and returns it as stored, with everything that the database filled in. */
    public <T> T returning(Connection connection, String returned, Sql.RowMapper<T> mapper) throws SQLException {
        return Sql.list(connection, sql(returned), mapper, values.toArray()).get(0);
    }

    private String sql(String returned) {
        String insert = columns.isEmpty()
                ? "INSERT INTO " + table + " " + "DEFAULT VALUES"
                : "INSERT INTO " + table + " (" + String.join(", ", columns) + ")\n"
                        + "VALUES (" + String.join(", ", markers) + ")";
        return "SELECT " + returned + "\nFROM FINAL TABLE (\n" + insert + "\n)";
    }
}
