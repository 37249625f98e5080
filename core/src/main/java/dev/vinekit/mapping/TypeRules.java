package dev.vinekit.mapping;

import dev.vinekit.schema.SqlType;
import dev.vinekit.sql.LikePattern;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** What a type demands of its values beyond what the Java type does. */
final class TypeRules {
    private TypeRules() {
    }

    static List<FieldRule> of(SqlType type) {
        return switch (type.kind()) {
            case TINYINT -> range(8, type.unsigned());
            case SMALLINT -> range(16, type.unsigned());
            case MEDIUMINT -> range(24, type.unsigned());
            case INTEGER -> type.unsigned() ? range(32, true) : List.of();
            case BIGINT -> type.unsigned() ? range(64, true) : List.of();
            case YEAR -> between(BigDecimal.valueOf(1901), BigDecimal.valueOf(2155));
            case DECIMAL -> decimal(type);
            case CHAR, VARCHAR, TEXT -> type.length() > 0 && type.length() < Integer.MAX_VALUE
                    ? List.of(new FieldRule.Length(0, (int) type.length())) : List.of();
            case BINARY -> type.length() > 0 && type.length() < Integer.MAX_VALUE
                    ? List.of(new FieldRule.Bytes(0, (int) type.length())) : List.of();
            case BIT -> List.of(bits(type));
            case ANY -> List.of(new FieldRule.Scalar());
            case ENUM -> List.of(new FieldRule.Pattern(
                    type.labels().stream().map(LikePattern::literal).collect(Collectors.joining("|"))));
            case BOOLEAN, REAL, DOUBLE, DATE, TIME, TIME_WITH_ZONE, TIMESTAMP, TIMESTAMP_WITH_ZONE, INTERVAL, UUID, JSON,
                    SET, ARRAY, NETWORK, RANGE, GEOMETRY, OTHER -> List.of();
        };
    }

    private static List<FieldRule> decimal(SqlType type) {
        List<FieldRule> rules = new ArrayList<>();
        if (type.unsigned()) {
            rules.add(new FieldRule.Least(BigDecimal.ZERO, true));
        }
        if (type.precision() > 0) {
            rules.add(new FieldRule.Digits(Math.max(0, type.precision() - Math.max(0, type.scale())),
                    Math.max(0, type.scale())));
        }
        return rules;
    }

    /** All digits are there, or up to so many where the type says varying. */
    private static FieldRule bits(SqlType type) {
        String most = type.length() == 0 ? "" : String.valueOf(type.length());
        return new FieldRule.Pattern(!type.text().contains("var") ? "[01]{" + Math.max(1, type.length()) + "}"
                : most.isEmpty() ? "[01]*" : "[01]{0," + most + "}");
    }

    private static List<FieldRule> range(int bits, boolean unsigned) {
        BigDecimal values = BigDecimal.valueOf(2).pow(unsigned ? bits : bits - 1);
        List<FieldRule> rules = new ArrayList<>(
                between(unsigned ? BigDecimal.ZERO : values.negate(), values.subtract(BigDecimal.ONE)));
        if (unsigned && bits == 64) {
            rules.add(new FieldRule.Digits(20, 0));
        }
        return rules;
    }

    private static List<FieldRule> between(BigDecimal least, BigDecimal most) {
        return List.of(new FieldRule.Least(least, true), new FieldRule.Most(most, true));
    }
}
