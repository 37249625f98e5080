package com.example.cellar.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.ResultSetMetaData;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.LinkedHashMap;
import java.util.Map;

/** A row as plain JDBC reads it, without any of the service's own code. */
public final class TestRow {
    private final Map<String, Object> values = new LinkedHashMap<>();

    private TestRow() {
    }

    /** The row of a table with this key. */
    public static TestRow find(Connection connection, Tables table, Object... key) throws SQLException {
        return Sql.list(connection, "SELECT * FROM " + table.sqlName() + " WHERE " + table.match(), TestRow::of, key)
                .get(0);
    }

    static TestRow of(ResultSet row) throws SQLException {
        TestRow read = new TestRow();
        ResultSetMetaData columns = row.getMetaData();
        for (int i = 1; i <= columns.getColumnCount(); i++) {
            read.values.put(columns.getColumnName(i), value(row, i, columns.getColumnTypeName(i)));
        }
        return read;
    }

    /** The value of a column as the Java type that the service uses for it; text for an enumeration. */
    public Object get(String column) {
        assertThat(values).containsKey(column);
        return values.get(column);
    }

    private static Object value(ResultSet row, int column, String type) throws SQLException {
        if (row.getObject(column) == null) {
            return null;
        }
        return switch (type) {
            case "TINYINT", "SMALLINT" -> row.getInt(column);
            case "REAL" -> row.getFloat(column);
            case "DATE" -> row.getObject(column, LocalDate.class);
            case "TIME" -> row.getObject(column, LocalTime.class);
            case "TIMESTAMP" -> row.getObject(column, LocalDateTime.class);
            case "JSON" -> Json.parse(row.getString(column));
            case "BINARY", "BINARY VARYING", "BINARY LARGE OBJECT" -> Binary.of(row.getBytes(column));
            case "CHARACTER", "CHARACTER VARYING", "CHARACTER LARGE OBJECT", "ENUM" -> row.getString(column);
            default -> row.getObject(column);
        };
    }

    @Override
    public String toString() {
        return values.toString();
    }
}
