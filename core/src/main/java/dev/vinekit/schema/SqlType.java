package dev.vinekit.schema;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;

/**
 * The type of a column.
 *
 * @param kind what sort of value it holds
 * @param text the type as the engine spells it in a table definition, for example {@code NUMERIC(6, 3)}
 * @param length greatest length in characters, bytes or bits; 0 where there is no limit
 * @param precision digits in all for numbers, fractional digits of a second for times; 0 where unlimited or unfit
 * @param scale digits after the point
 * @param unsigned whether a number cannot be less than zero
 * @param labels the values of an enumeration or a set in order; empty for other kinds
 * @param element the type of the elements of an array
 * @param domain the domain that the type comes from, as the engine spells it; the rest then describes the base type
 */
public record SqlType(
        Kind kind,
        String text,
        long length,
        int precision,
        int scale,
        boolean unsigned,
        List<String> labels,
        Optional<SqlType> element,
        Optional<String> domain) {
    /** What sort of value a type holds, whatever the engine calls it. */
    public enum Kind {
        BOOLEAN, TINYINT, SMALLINT, MEDIUMINT, INTEGER, BIGINT, DECIMAL, REAL, DOUBLE,
        CHAR, VARCHAR, TEXT, BINARY, BIT,
        YEAR, DATE, TIME, TIME_WITH_ZONE, TIMESTAMP, TIMESTAMP_WITH_ZONE, INTERVAL,
        UUID, JSON, ENUM, SET, ARRAY, NETWORK, RANGE, GEOMETRY,
        /** Each row has a value of its own kind, a number or a text, as in a column of SQLite without a type. */
        ANY,
        OTHER
    }

    public SqlType {
        Objects.requireNonNull(kind, "kind");
        Objects.requireNonNull(text, "text");
        labels = List.copyOf(labels);
    }

    /** A type that its name says all about. */
    public static SqlType of(Kind kind, String text) {
        return new SqlType(kind, text, 0, 0, 0, false, List.of(), Optional.empty(), Optional.empty());
    }

    public SqlType withLength(long greatest) {
        return new SqlType(kind, text, greatest, precision, scale, unsigned, labels, element, domain);
    }

    public SqlType withDigits(int inAll, int afterPoint) {
        return new SqlType(kind, text, length, inAll, afterPoint, unsigned, labels, element, domain);
    }

    public SqlType withoutSign() {
        return new SqlType(kind, text, length, precision, scale, true, labels, element, domain);
    }

    public SqlType withLabels(List<String> values) {
        return new SqlType(kind, text, length, precision, scale, unsigned, values, element, domain);
    }

    public SqlType withElement(SqlType type) {
        return new SqlType(kind, text, length, precision, scale, unsigned, labels, Optional.of(type), domain);
    }

    public SqlType withDomain(String name) {
        return new SqlType(kind, text, length, precision, scale, unsigned, labels, element, Optional.of(name));
    }

    /** This type, with values of another kind. */
    public SqlType as(Kind other) {
        return new SqlType(other, text, length, precision, scale, unsigned, labels, element, domain);
    }

    /** Whether it is a number of one digit as some engines declare it, which may be a truth value or a number. */
    public boolean isOneDigit() {
        return text.startsWith("tinyint(1)");
    }

    /** What values are made of, of a type that has many in one: the elements of an array, the labels of a set. */
    public Optional<SqlType> members() {
        return kind == Kind.SET ? Optional.of(of(Kind.ENUM, text).withLabels(labels)) : element;
    }

    /** The type as a column definition names it: the domain if there is one. */
    public String declared() {
        return domain.orElse(text);
    }

    /** Whether values are text in a single collation, so that length and pattern rules make sense. */
    public boolean isText() {
        return kind == Kind.CHAR || kind == Kind.VARCHAR || kind == Kind.TEXT;
    }

    /** Whether values are often long, so that there is something better to sort rows by. */
    public boolean isOftenLong() {
        return kind == Kind.TEXT || kind == Kind.BINARY;
    }

    /**
     * Whether an engine has one order and one equality for values that it would let stand in a key, and tells them as
     * one text.
     */
    public boolean isScalar() {
        return switch (kind) {
            case JSON, SET, ARRAY, RANGE, GEOMETRY, ANY -> false;
            case BOOLEAN, TINYINT, SMALLINT, MEDIUMINT, INTEGER, BIGINT, DECIMAL, REAL, DOUBLE, CHAR, VARCHAR, TEXT, BINARY,
                    BIT, YEAR, DATE, TIME, TIME_WITH_ZONE, TIMESTAMP, TIMESTAMP_WITH_ZONE, INTERVAL, UUID, ENUM,
                    NETWORK, OTHER -> true;
        };
    }

    public boolean isWholeNumber() {
        return switch (kind) {
            case TINYINT, SMALLINT, MEDIUMINT, INTEGER, BIGINT -> true;
            case DECIMAL -> scale == 0 && precision > 0;
            default -> false;
        };
    }
}
