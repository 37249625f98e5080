package dev.vinekit.mapping;

import dev.vinekit.schema.SqlType;
import java.util.List;
import java.util.Optional;

/**
 * Columns of other types as text: for values that the Java type of their type cannot hold, told as the database writes
 * them.
 */
final class AsText {
    private static final String DIGITS = "123456789";

    private AsText() {
    }

    /** Two texts that every engine takes for a column and writes the same; empty if there are none. */
    static List<String> examples(SqlType type) {
        return switch (type.kind()) {
            case TINYINT, SMALLINT, MEDIUMINT, INTEGER, BIGINT -> List.of("7", "8");
            case YEAR -> List.of("2023", "2024");
            case DECIMAL -> type.scale() > 0 ? List.of("7" + fraction(type.scale()), "8" + fraction(type.scale()))
                    : List.of("7", "8");
            case REAL, DOUBLE -> List.of("7.5", "8.5");
            case BOOLEAN -> List.of("1", "0");
            case DATE -> List.of("2023-03-21", "2024-04-22");
            case TIME -> List.of("10:15:31" + fraction(type.precision()), "11:45:32" + fraction(type.precision()));
            case TIMESTAMP -> List.of("2023-03-21 10:15:31" + fraction(type.precision()), "2024-04-22 11:45:32"
                    + fraction(type.precision()));
            case UUID -> List.of("00000000-0000-4000-8000-000000000001", "00000000-0000-4000-8000-000000000002");
            case JSON -> List.of("{\"a\":1}", "[2]");
            case ARRAY -> type.members().filter(SqlType::isWholeNumber).isPresent() ? List.of("{7,8}", "{9}")
                    : type.members().filter(SqlType::isText).isPresent() ? List.of("{a,b}", "{c}") : List.of();
            case CHAR, VARCHAR, TEXT, BINARY, BIT, TIME_WITH_ZONE, TIMESTAMP_WITH_ZONE, INTERVAL, ENUM, SET, NETWORK, RANGE,
                    GEOMETRY, ANY, OTHER -> List.of();
        };
    }

    /** The first of them with a number in it; empty if there is no room for one. */
    static Optional<String> numbered(SqlType type) {
        return switch (type.kind()) {
            case INTEGER, BIGINT -> Optional.of("#");
            case DECIMAL -> Optional.of("#" + fraction(type.scale()));
            case DATE -> Optional.of("20##-03-21");
            case TIMESTAMP -> Optional.of("20##-03-21 10:15:31" + fraction(type.precision()));
            case UUID -> Optional.of("00000000-0000-4000-8000-0000000000##");
            default -> Optional.empty();
        };
    }

    private static String fraction(int digits) {
        return digits <= 0 ? "" : "." + DIGITS.substring(0, Math.min(digits, DIGITS.length()));
    }
}
