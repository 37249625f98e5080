package dev.vinekit.engine.postgresql;

import dev.vinekit.engine.Catalog;
import dev.vinekit.schema.SqlType;
import java.sql.ResultSet;
import java.sql.SQLException;

/** What PostgreSQL's types hold (PostgreSQL manual, "Data Types", and {@code pg_type}). */
final class PostgresqlTypes {
    private PostgresqlTypes() {
    }

    /** The modifier is the length and four for text, and for numbers holds precision and scale (pg_attribute). */
    static SqlType type(ResultSet row) throws SQLException {
        String text = row.getString("type_text");
        int modifier = row.getInt("modifier");
        String element = row.getString("element_name");
        if (element != null) {
            return SqlType.of(SqlType.Kind.ARRAY, text).withElement(sized(
                    SqlType.of(kind(element, row.getString("element_kind")), row.getString("element_text")), modifier,
                    row));
        }
        return sized(SqlType.of(kind(row.getString("type_name"), row.getString("type_kind")), text), modifier, row);
    }

    private static SqlType sized(SqlType type, int modifier, ResultSet row) throws SQLException {
        int length = Math.max(0, modifier - 4);
        return switch (type.kind()) {
            case ENUM -> type.withLabels(Catalog.strings(row.getArray("labels")));
            case DECIMAL -> modifier < 0 ? type
                    : type.withDigits(length >> 16 & 0xffff, ((length & 0x7ff) ^ 1024) - 1024);
            case CHAR, VARCHAR -> type.withLength(length);
            case BIT -> type.withLength(Math.max(0, modifier));
            case TIME, TIME_WITH_ZONE, TIMESTAMP, TIMESTAMP_WITH_ZONE ->
                    type.withDigits(modifier < 0 ? 6 : modifier, 0);
            default -> type;
        };
    }

    /** Names and kinds of types: PostgreSQL manual, chapter 8 and pg_type. */
    private static SqlType.Kind kind(String name, String typeKind) {
        return switch (typeKind) {
            case "e" -> SqlType.Kind.ENUM;
            case "r", "m" -> SqlType.Kind.RANGE;
            default -> switch (name) {
                case "bool" -> SqlType.Kind.BOOLEAN;
                case "int2" -> SqlType.Kind.SMALLINT;
                case "int4" -> SqlType.Kind.INTEGER;
                case "int8" -> SqlType.Kind.BIGINT;
                case "numeric" -> SqlType.Kind.DECIMAL;
                case "float4" -> SqlType.Kind.REAL;
                case "float8" -> SqlType.Kind.DOUBLE;
                case "bpchar" -> SqlType.Kind.CHAR;
                case "varchar" -> SqlType.Kind.VARCHAR;
                case "text", "citext" -> SqlType.Kind.TEXT;
                case "bytea" -> SqlType.Kind.BINARY;
                case "bit", "varbit" -> SqlType.Kind.BIT;
                case "date" -> SqlType.Kind.DATE;
                case "time" -> SqlType.Kind.TIME;
                case "timetz" -> SqlType.Kind.TIME_WITH_ZONE;
                case "timestamp" -> SqlType.Kind.TIMESTAMP;
                case "timestamptz" -> SqlType.Kind.TIMESTAMP_WITH_ZONE;
                case "interval" -> SqlType.Kind.INTERVAL;
                case "uuid" -> SqlType.Kind.UUID;
                case "json", "jsonb" -> SqlType.Kind.JSON;
                case "inet", "cidr", "macaddr", "macaddr8" -> SqlType.Kind.NETWORK;
                case "point", "line", "lseg", "box", "path", "polygon", "circle" -> SqlType.Kind.GEOMETRY;
                default -> SqlType.Kind.OTHER;
            };
        };
    }
}
