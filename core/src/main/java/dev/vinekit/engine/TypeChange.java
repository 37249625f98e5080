package dev.vinekit.engine;

import dev.vinekit.schema.SqlType;

/** Tells whether the values of a column survive another type. */
final class TypeChange {
    private TypeChange() {
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
        return !(sameKind && now.precision() >= was.precision())
                && !(was.kind() == SqlType.Kind.REAL && now.kind() == SqlType.Kind.DOUBLE)
                && !now.isText();
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
