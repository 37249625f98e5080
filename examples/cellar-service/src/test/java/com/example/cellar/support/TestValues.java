package com.example.cellar.support;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;

/** Values as plain JDBC reads them, in the Java types that the service uses. */
final class TestValues {
    private TestValues() {
    }

    static Object read(ResultSet row, int column, String type) throws SQLException {
        if (row.getObject(column) == null) {
            return null;
        }
        return switch (type.replaceFirst("^INTERVAL .*", "INTERVAL")) {
            case "INTERVAL", "GEOMETRY" -> row.getString(column);
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
}
