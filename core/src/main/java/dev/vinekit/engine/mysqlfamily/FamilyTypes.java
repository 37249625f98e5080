package dev.vinekit.engine.mysqlfamily;

import dev.vinekit.schema.SqlType;
import dev.vinekit.sql.SqlText;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Locale;

/** What the types hold ("Data Types" in the manuals of MySQL and MariaDB). */
public final class FamilyTypes {
    private FamilyTypes() {
    }

    /** The type in a row of {@code information_schema.COLUMNS}. */
    public static SqlType type(ResultSet row) throws SQLException {
        String name = row.getString("DATA_TYPE").toLowerCase(Locale.ROOT);
        String text = row.getString("COLUMN_TYPE");
        SqlType.Kind kind = kind(name, text);
        SqlType type = SqlType.of(kind, text);
        if (text.contains(" unsigned")) {
            type = type.withoutSign();
        }
        return switch (kind) {
            case DECIMAL -> type.withDigits(row.getInt("NUMERIC_PRECISION"), row.getInt("NUMERIC_SCALE"));
            case BIT -> type.withLength(row.getLong("NUMERIC_PRECISION"));
            case CHAR, VARCHAR -> type.withLength(row.getLong("CHARACTER_MAXIMUM_LENGTH"));
            case BINARY -> name.endsWith("blob") ? type : type.withLength(row.getLong("CHARACTER_MAXIMUM_LENGTH"));
            case TIME, TIMESTAMP, TIMESTAMP_WITH_ZONE -> type.withDigits(row.getInt("DATETIME_PRECISION"), 0);
            case ENUM, SET -> type.withLabels(SqlText.strings(text));
            default -> type;
        };
    }

    private static SqlType.Kind kind(String name, String text) {
        return switch (name) {
            case "tinyint" -> text.startsWith("tinyint(1)") ? SqlType.Kind.BOOLEAN : SqlType.Kind.TINYINT;
            case "smallint" -> SqlType.Kind.SMALLINT;
            case "mediumint" -> SqlType.Kind.MEDIUMINT;
            case "int" -> SqlType.Kind.INTEGER;
            case "bigint" -> SqlType.Kind.BIGINT;
            case "decimal" -> SqlType.Kind.DECIMAL;
            case "float" -> SqlType.Kind.REAL;
            case "double" -> SqlType.Kind.DOUBLE;
            case "bit" -> text.equals("bit(1)") ? SqlType.Kind.BOOLEAN : SqlType.Kind.BIT;
            case "char" -> SqlType.Kind.CHAR;
            case "varchar" -> SqlType.Kind.VARCHAR;
            case "tinytext", "text", "mediumtext", "longtext" -> SqlType.Kind.TEXT;
            case "binary", "varbinary", "tinyblob", "blob", "mediumblob", "longblob" -> SqlType.Kind.BINARY;
            case "year" -> SqlType.Kind.YEAR;
            case "date" -> SqlType.Kind.DATE;
            case "time" -> SqlType.Kind.TIME;
            case "datetime" -> SqlType.Kind.TIMESTAMP;
            case "timestamp" -> SqlType.Kind.TIMESTAMP_WITH_ZONE;
            case "uuid" -> SqlType.Kind.UUID;
            case "json" -> SqlType.Kind.JSON;
            case "enum" -> SqlType.Kind.ENUM;
            case "set" -> SqlType.Kind.SET;
            case "inet4", "inet6" -> SqlType.Kind.NETWORK;
            case "geometry", "point", "linestring", "polygon", "multipoint", "multilinestring", "multipolygon",
                    "geometrycollection", "geomcollection" -> SqlType.Kind.GEOMETRY;
            default -> SqlType.Kind.OTHER;
        };
    }
}
