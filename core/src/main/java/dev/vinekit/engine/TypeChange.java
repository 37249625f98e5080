package dev.vinekit.engine;

import dev.vinekit.schema.SqlType;

/** Whether the values of a column survive another type. */
enum TypeChange {
    /** Every value of the old type is a value of the new one. */
    SAFE,
    /** Some values may not survive; a cast to the new type and back shows which. */
    BY_VALUE,
    /** The value depends on more than the row: on the time zone of the session, or on how bytes are read. */
    UNKNOWN;

    /** Of text for any single value of other types, a UUID or a timestamp with its zone: so many letters are enough. */
    private static final int LONG_ENOUGH = 64;

    static TypeChange of(SqlType was, SqlType now) {
        if (!losesData(was, now)) {
            return SAFE;
        }
        boolean zoned = isZoned(was) != isZoned(now);
        return zoned || !isComparable(was, now) ? UNKNOWN : BY_VALUE;
    }

    private static boolean isZoned(SqlType type) {
        return type.kind() == SqlType.Kind.TIMESTAMP_WITH_ZONE || type.kind() == SqlType.Kind.TIME_WITH_ZONE;
    }

    /** Whether values of both types have a form in the other one. */
    private static boolean isComparable(SqlType was, SqlType now) {
        return isPlain(was) && isPlain(now);
    }

    private static boolean isPlain(SqlType type) {
        return switch (type.kind()) {
            case BOOLEAN, TINYINT, SMALLINT, MEDIUMINT, INTEGER, BIGINT, DECIMAL, REAL, DOUBLE, CHAR, VARCHAR, TEXT,
                    YEAR, DATE, TIME, TIME_WITH_ZONE, TIMESTAMP, TIMESTAMP_WITH_ZONE, UUID, ENUM -> true;
            case BINARY, BIT, INTERVAL, JSON, SET, ARRAY, NETWORK, RANGE, GEOMETRY, ANY, OTHER -> false;
        };
    }

    /** Whether some values of one type are not values of another, or not the same. */
    static boolean losesData(SqlType was, SqlType now) {
        if (was.equals(now)) {
            return false;
        }
        boolean text = was.isText() && now.isText();
        if (text) {
            return now.length() > 0 && (was.length() == 0 || was.length() > now.length())
                    || now.kind() == SqlType.Kind.CHAR && was.kind() != SqlType.Kind.CHAR;
        }
        boolean enumerated = was.kind() == SqlType.Kind.ENUM && now.kind() == SqlType.Kind.ENUM;
        if (enumerated) {
            return !now.labels().containsAll(was.labels());
        }
        if (was.isWholeNumber() && now.isWholeNumber()) {
            boolean anyOfWas = was.kind() == SqlType.Kind.DECIMAL && now.kind() != SqlType.Kind.DECIMAL;
            return digits(now) - (anyOfWas ? 1 : 0) < digits(was) || now.unsigned() && !was.unsigned();
        }
        boolean decimal = (was.isWholeNumber() || was.kind() == SqlType.Kind.DECIMAL)
                && now.kind() == SqlType.Kind.DECIMAL;
        if (decimal) {
            return now.precision() > 0
                    && (now.scale() < was.scale() || now.precision() - now.scale() < digits(was) - was.scale());
        }
        boolean binary = was.kind() == now.kind() && was.kind() == SqlType.Kind.BINARY;
        if (binary) {
            return now.length() > 0 && (was.length() == 0 || was.length() > now.length());
        }
        boolean sameKind = was.kind() == now.kind() && was.unsigned() == now.unsigned()
                && was.labels().equals(now.labels());
        boolean toText = now.isText() && isPlain(was) && now.kind() != SqlType.Kind.CHAR
                && (now.length() == 0 || now.length() >= Math.max(LONG_ENOUGH, longest(was)) || fits(was, now));
        return !(sameKind && now.precision() >= was.precision())
                && !(was.kind() == SqlType.Kind.REAL && now.kind() == SqlType.Kind.DOUBLE)
                && !(was.kind() == SqlType.Kind.DATE && now.kind() == SqlType.Kind.TIMESTAMP)
                && !toText;
    }

    private static boolean fits(SqlType was, SqlType now) {
        return was.kind() == SqlType.Kind.BOOLEAN && now.length() >= "false".length();
    }

    private static int longest(SqlType type) {
        return type.labels().stream().mapToInt(String::length).max().orElse(type.kind() == SqlType.Kind.DECIMAL
                ? type.precision() + 2 : 0);
    }

    /** The digits that a number of a type may have; of binary ones, not every number with as many. */
    private static int digits(SqlType type) {
        return switch (type.kind()) {
            case TINYINT -> 3;
            case SMALLINT -> 5;
            case MEDIUMINT -> 7;
            case INTEGER -> 10;
            case BIGINT -> 19;
            default -> type.precision() == 0 ? Integer.MAX_VALUE : type.precision();
        };
    }
}
