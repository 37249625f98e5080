package dev.vinekit.engine.sqlite;

import dev.vinekit.schema.Column;
import dev.vinekit.schema.SqlType;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What declared types mean in SQLite, which keeps to their affinity only (sqlite.org, "Datatypes In SQLite"). */
final class SqliteTypes {
    private static final Pattern SIZES = Pattern.compile("\\(\\s*(\\d+)\\s*(?:,\\s*(\\d+)\\s*)?\\)");

    /** A default such as {@code strftime('%Y-%m-%dT%H:%M:%fZ', 'now')}. */
    private static final Pattern INSTANT =
            Pattern.compile("\\(*strftime\\(\\s*'%Y-%m-%dT%H:%M:%[fS]Z'\\s*,\\s*'now'\\s*\\)+",
                    Pattern.CASE_INSENSITIVE);

    private static final Pattern NOW = Pattern.compile(
            "\\(*(?:CURRENT_TIMESTAMP|datetime\\(\\s*'now'(?:\\s*,\\s*'localtime')?\\s*\\))\\)*", Pattern.CASE_INSENSITIVE);
    private static final Pattern TODAY = Pattern.compile(
            "\\(*(?:CURRENT_DATE|date\\(\\s*'now'(?:\\s*,\\s*'localtime')?\\s*\\))\\)*", Pattern.CASE_INSENSITIVE);

    /** Digits that a number survives in a column of numeric affinity. */
    private static final int SURVIVING_DIGITS = 15;

    private SqliteTypes() {
    }

    /**
     * What a column has, where its default says more than its name: numbers whose default is the time of the INSERT are
     * dates and times, and dates and times whose default is one in UTC are instants.
     */
    static SqlType type(String declared, String defaultValue) {
        SqlType declaredType = type(declared);
        SqlType type = defaultValue == null || !isNumber(declaredType) ? declaredType
                : NOW.matcher(defaultValue).matches() ? declaredType.as(SqlType.Kind.TIMESTAMP).withDigits(9, 0)
                : TODAY.matcher(defaultValue).matches() ? declaredType.as(SqlType.Kind.DATE) : declaredType;
        boolean instants = (type.kind() == SqlType.Kind.TIMESTAMP || type.kind() == SqlType.Kind.TIMESTAMP_WITH_ZONE)
                && defaultValue != null && INSTANT.matcher(defaultValue).matches();
        return instants ? type.as(SqlType.Kind.TIMESTAMP_WITH_ZONE) : type;
    }

    private static boolean isNumber(SqlType type) {
        return type.kind() == SqlType.Kind.DECIMAL || type.kind() == SqlType.Kind.BIGINT || type.kind() == SqlType.Kind.ANY;
    }

    /** Whether values are written as {@code 2024-05-31T17:30:00Z}. */
    static boolean isInstant(Column column) {
        return column.type().kind() == SqlType.Kind.TIMESTAMP_WITH_ZONE && column.defaultValue()
                .filter(value -> INSTANT.matcher(value.text()).matches()).isPresent();
    }

    private static SqlType type(String declared) {
        SqlType.Kind kind = kind(declared.toUpperCase(Locale.ROOT).replaceAll("\\(.*", "").strip());
        SqlType type = SqlType.of(kind, declared);
        Matcher sizes = SIZES.matcher(declared);
        boolean sized = sizes.find() && sizes.group(1).length() < 10;
        return switch (kind) {
            case CHAR, VARCHAR -> sized ? type.withLength(Long.parseLong(sizes.group(1))) : type;
            case DECIMAL -> sized
                    ? type.withDigits(Math.min(SURVIVING_DIGITS, Integer.parseInt(sizes.group(1))),
                            sizes.group(2) == null ? 0 : Math.min(SURVIVING_DIGITS, Integer.parseInt(sizes.group(2))))
                    : type;
            case TIME, TIMESTAMP, TIMESTAMP_WITH_ZONE -> type.withDigits(9, 0);
            default -> type;
        };
    }

    /** The names that people give to kinds of values, and then the rules of affinity in their order. */
    private static SqlType.Kind kind(String name) {
        return switch (name) {
            case "BOOLEAN", "BOOL" -> SqlType.Kind.BOOLEAN;
            case "NUMERIC", "DECIMAL", "DEC", "NUMBER" -> SqlType.Kind.DECIMAL;
            case "CHAR", "CHARACTER", "NCHAR" -> SqlType.Kind.CHAR;
            case "DATE" -> SqlType.Kind.DATE;
            case "TIME" -> SqlType.Kind.TIME;
            case "DATETIME", "TIMESTAMP", "TIMESTAMP WITHOUT TIME ZONE" -> SqlType.Kind.TIMESTAMP;
            case "TIMESTAMPTZ", "TIMESTAMP WITH TIME ZONE", "DATETIMEOFFSET" -> SqlType.Kind.TIMESTAMP_WITH_ZONE;
            case "UUID", "GUID", "UNIQUEIDENTIFIER" -> SqlType.Kind.UUID;
            case "JSON", "JSONB" -> SqlType.Kind.JSON;
            case "STRING" -> SqlType.Kind.VARCHAR;
            case "SERIAL", "BIGSERIAL", "SMALLSERIAL", "YEAR" -> SqlType.Kind.BIGINT;
            default -> byAffinity(name);
        };
    }

    private static SqlType.Kind byAffinity(String name) {
        if (name.contains("INT")) {
            return SqlType.Kind.BIGINT;
        } else if (name.contains("CHAR")) {
            return SqlType.Kind.VARCHAR;
        } else if (name.contains("CLOB") || name.contains("TEXT")) {
            return SqlType.Kind.TEXT;
        } else if (name.contains("BLOB") || name.contains("BINARY")) {
            return SqlType.Kind.BINARY;
        } else if (name.contains("REAL") || name.contains("FLOA") || name.contains("DOUB")) {
            return SqlType.Kind.DOUBLE;
        }
        return SqlType.Kind.ANY;
    }
}
