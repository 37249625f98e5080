package dev.vinekit.schema;

import java.util.List;
import java.util.Objects;

/**
 * The type of a column.
 *
 * @param kind what sort of value it holds
 * @param text the type as the engine spells it in a table definition, for example {@code NUMERIC(6, 3)}
 * @param length greatest length in characters or bytes; 0 where there is no limit
 * @param precision digits in all for numbers, fractional digits of a second for times; 0 where unlimited or unfit
 * @param scale digits after the point
 * @param labels the values of an enumeration in order; empty for other kinds
 */
public record SqlType(Kind kind, String text, long length, int precision, int scale, List<String> labels) {
    /** What sort of value a type holds, whatever the engine calls it. */
    public enum Kind {
        BOOLEAN, TINYINT, SMALLINT, INTEGER, BIGINT, DECIMAL, REAL, DOUBLE,
        CHAR, VARCHAR, TEXT, BINARY,
        DATE, TIME, TIME_WITH_ZONE, TIMESTAMP, TIMESTAMP_WITH_ZONE,
        UUID, JSON, ENUM, OTHER
    }

    public SqlType {
        Objects.requireNonNull(kind, "kind");
        Objects.requireNonNull(text, "text");
        labels = List.copyOf(labels);
    }

    /** Whether values are text in a single collation, so that length and pattern rules make sense. */
    public boolean isText() {
        return kind == Kind.CHAR || kind == Kind.VARCHAR || kind == Kind.TEXT;
    }

    public boolean isWholeNumber() {
        return switch (kind) {
            case TINYINT, SMALLINT, INTEGER, BIGINT -> true;
            case DECIMAL -> scale == 0 && precision > 0;
            default -> false;
        };
    }
}
