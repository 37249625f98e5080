package dev.vinekit.mapping;

import dev.vinekit.schema.SqlType;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;

/** The Java types that columns map to. */
public enum JavaType {
    BOOLEAN("boolean", "Boolean", "getBoolean", Nature.TRUTH, "boolean", "true or false", "true"),
    INTEGER("int", "Integer", "getInt", Nature.NUMBER, "integer int32", "a whole number", "3"),
    LONG("long", "Long", "getLong", Nature.NUMBER, "integer int64", "a whole number of up to 64 bits", "3"),
    FLOAT("float", "Float", "getFloat", Nature.NUMBER, "number float", "a number", "7.5"),
    DOUBLE("double", "Double", "getDouble", Nature.NUMBER, "number double", "a number", "7.5"),
    BIG_DECIMAL("BigDecimal", "BigDecimal", "getBigDecimal", Nature.NUMBER, "number", "a number", "7.5"),
    STRING("String", "String", "getString", Nature.TEXT, "string", "text", "A"),
    BINARY("Binary", "Binary", "getBytes", Nature.BYTES, "string", "Base64", "AQID"),
    DATE("LocalDate", "LocalDate", "", Nature.MOMENT, "string date", "a date", "2024-09-21"),
    TIME("LocalTime", "LocalTime", "", Nature.MOMENT, "string time-local", "a time", "08:30:00"),
    OFFSET_TIME("OffsetTime", "OffsetTime", "", Nature.MOMENT, "string time", "a time", "08:30:00Z"),
    DATE_TIME("LocalDateTime", "LocalDateTime", "", Nature.MOMENT, "string date-time-local", "a date and time",
            "2024-09-21T08:30:00"),
    OFFSET_DATE_TIME("OffsetDateTime", "OffsetDateTime", "", Nature.MOMENT, "string date-time", "a date and time",
            "2024-09-21T08:30:00Z"),
    UUID("UUID", "UUID", "", Nature.IDENTIFIER, "string uuid", "a UUID", "00000000-0000-4000-8000-000000000001"),
    JSON("JsonNode", "JsonNode", "getString", Nature.DOCUMENT, "", "any JSON", ""),
    ENUM("", "", "getString", Nature.CHOICE, "string", "one of a few texts", ""),
    /** Several values of another type; see {@link Field#member()}. */
    LIST("List", "List", "", Nature.LIST, "", "a list", "");

    /** What sort of value it is: what most code asks, so that one more type of a sort is told by its line above. */
    public enum Nature {
        TRUTH, NUMBER, TEXT, CHOICE, BYTES, MOMENT, IDENTIFIER, DOCUMENT, LIST
    }

    /** What tells rows apart, the best first: values that are easy to make and to read. */
    private static final List<JavaType> TELLING = List.of(UUID, STRING, LONG, INTEGER, BIG_DECIMAL, DATE, DATE_TIME,
            OFFSET_DATE_TIME, TIME, OFFSET_TIME, BINARY, DOUBLE, FLOAT);

    private static final Set<JavaType> FINER_THAN_THE_DATABASE = EnumSet.of(
            FLOAT, DOUBLE, OFFSET_TIME, OFFSET_DATE_TIME);

    private final String name;
    private final String boxed;
    private final String getter;
    private final Nature nature;
    private final String json;
    private final String words;
    private final String example;

    /**
     * A type.
     *
     * @param json its type in a JSON Schema, and after a blank its format
     * @param words what it is in JSON, to people
     * @param example as a text
     */
    JavaType(String name, String boxed, String getter, Nature nature, String json, String words, String example) {
        this.name = name;
        this.boxed = boxed;
        this.getter = getter;
        this.nature = nature;
        this.json = json;
        this.words = words;
        this.example = example;
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
            case JSON, ANY -> JSON;
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

    public Nature nature() {
        return nature;
    }

    /** The {@code type} of a JSON Schema (draft 2020-12) for its values; empty if they can be of any. */
    public String jsonType() {
        return json.split(" ")[0];
    }

    /** The {@code format} of a JSON Schema for its values; empty if there is none. */
    public String jsonFormat() {
        return json.contains(" ") ? json.split(" ")[1] : "";
    }

    /** What its values are in JSON, to people. */
    public String words() {
        return words;
    }

    /** A value as JSON and parameters have it; empty if it depends on the column. */
    public String example() {
        return example;
    }

    /** A value that hardly any row has, as a parameter has it; empty if there is none of the kind. */
    public String unlikely() {
        return switch (this) {
            case UUID -> "ffffffff-ffff-ffff-ffff-ffffffffffff";
            case DATE -> "1901-01-01";
            case DATE_TIME -> "1971-01-01T00:00:00";
            case OFFSET_DATE_TIME -> "1971-01-01T00:00:00Z";
            case BOOLEAN, INTEGER, LONG, FLOAT, DOUBLE, BIG_DECIMAL, STRING, BINARY, TIME, OFFSET_TIME, JSON, ENUM,
                    LIST -> "";
        };
    }

    /** Whether values have an order that {@code compareTo} and the database agree on. */
    public boolean isComparable() {
        return nature == Nature.NUMBER || nature == Nature.MOMENT && !FINER_THAN_THE_DATABASE.contains(this);
    }

    /** Whether values can be said to be less or greater than others, by the database's order. */
    public boolean isOrdered() {
        return nature == Nature.NUMBER || nature == Nature.TEXT || nature == Nature.MOMENT;
    }

    /** Whether {@code equals} tells values apart that the database takes for the same. */
    public boolean isFinerThanTheDatabase() {
        return FINER_THAN_THE_DATABASE.contains(this);
    }

    /** Whether values are numbers without rounding. */
    public boolean isExactNumber() {
        return nature == Nature.NUMBER && !isFinerThanTheDatabase();
    }

    /** The types by which rows are told apart, the best first. */
    public static List<JavaType> telling() {
        return TELLING;
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
        return nature == Nature.NUMBER;
    }
}
