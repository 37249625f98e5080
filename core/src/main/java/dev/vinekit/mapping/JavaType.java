package dev.vinekit.mapping;

import dev.vinekit.schema.SqlType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/** The Java types that columns map to. */
public enum JavaType {
    BOOLEAN("boolean", "Boolean", "getBoolean"),
    INTEGER("int", "Integer", "getInt"),
    LONG("long", "Long", "getLong"),
    FLOAT("float", "Float", "getFloat"),
    DOUBLE("double", "Double", "getDouble"),
    BIG_DECIMAL("BigDecimal", "BigDecimal", "getBigDecimal"),
    STRING("String", "String", "getString"),
    BINARY("Binary", "Binary", "getBytes"),
    DATE("LocalDate", "LocalDate", ""),
    TIME("LocalTime", "LocalTime", ""),
    OFFSET_TIME("OffsetTime", "OffsetTime", ""),
    DATE_TIME("LocalDateTime", "LocalDateTime", ""),
    OFFSET_DATE_TIME("OffsetDateTime", "OffsetDateTime", ""),
    UUID("UUID", "UUID", ""),
    JSON("JsonNode", "JsonNode", "getString"),
    ENUM("", "", "getString"),
    /** Several values of another type; see {@link Field#member()}. */
    LIST("List", "List", "");

    private final String name;
    private final String boxed;
    private final String getter;

    JavaType(String name, String boxed, String getter) {
        this.name = name;
        this.boxed = boxed;
        this.getter = getter;
    }

    /** The type for values of a column; text for a type that has no better one. */
    public static JavaType of(SqlType type) {
        return switch (type.kind()) {
            case BOOLEAN -> BOOLEAN;
            case TINYINT, SMALLINT, MEDIUMINT, YEAR -> INTEGER;
            case INTEGER -> type.unsigned() ? LONG : INTEGER;
            case BIGINT -> type.unsigned() ? BIG_DECIMAL : LONG;
            case DECIMAL -> BIG_DECIMAL;
            case REAL -> FLOAT;
            case DOUBLE -> DOUBLE;
            case BINARY -> BINARY;
            case DATE -> DATE;
            case TIME -> TIME;
            case TIME_WITH_ZONE -> OFFSET_TIME;
            case TIMESTAMP -> DATE_TIME;
            case TIMESTAMP_WITH_ZONE -> OFFSET_DATE_TIME;
            case UUID -> UUID;
            case JSON -> JSON;
            case ENUM -> ENUM;
            case CHAR, VARCHAR, TEXT, BIT, INTERVAL, SET, ARRAY, NETWORK, RANGE, GEOMETRY, OTHER -> STRING;
        };
    }

    /** The simple name for a value that is never null; empty for an enumeration. */
    public String simpleName() {
        return name;
    }

    /** The simple name for a value that may be null; empty for an enumeration. */
    public String boxedName() {
        return boxed;
    }

    /** The method of {@link java.sql.ResultSet} that reads it; empty if {@code getObject} with the type does. */
    public String getter() {
        return getter;
    }

    public boolean isPrimitive() {
        return !name.equals(boxed);
    }

    /** Whether values have an order that {@code compareTo} and the database agree on. */
    public boolean isComparable() {
        return switch (this) {
            case INTEGER, LONG, FLOAT, DOUBLE, BIG_DECIMAL, DATE, TIME, DATE_TIME -> true;
            default -> false;
        };
    }

    /** Whether values can be said to be less or greater than others, by the database's order. */
    public boolean isOrdered() {
        return switch (this) {
            case BOOLEAN, BINARY, JSON, ENUM, UUID, LIST -> false;
            default -> true;
        };
    }

    /** Whether values are numbers without rounding. */
    public boolean isExactNumber() {
        return this == INTEGER || this == LONG || this == BIG_DECIMAL;
    }

    /** The type of the values in a list; empty if values of the database's type cannot be told as a list. */
    static Optional<JavaType> ofMember(SqlType type) {
        return type.members().filter(member -> member.isScalar() && member.domain().isEmpty())
                .map(member -> member.kind() == SqlType.Kind.ENUM ? STRING : of(member));
    }

    /** The types that hold every value of a column, the rule's own first. */
    static List<JavaType> fitting(SqlType type) {
        JavaType own = of(type);
        return switch (own) {
            case INTEGER -> List.of(INTEGER, LONG, BIG_DECIMAL);
            case LONG -> List.of(LONG, BIG_DECIMAL);
            case BIG_DECIMAL -> !type.isWholeNumber() || type.precision() > 18 ? List.of(BIG_DECIMAL)
                    : type.precision() > 9 ? List.of(BIG_DECIMAL, LONG) : List.of(BIG_DECIMAL, LONG, INTEGER);
            case ENUM -> List.of(STRING);
            case BINARY -> List.of(BINARY, UUID);
            default -> List.of(own);
        };
    }

    public boolean isNumber() {
        return switch (this) {
            case INTEGER, LONG, FLOAT, DOUBLE, BIG_DECIMAL -> true;
            default -> false;
        };
    }

}
