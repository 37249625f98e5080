package dev.vinekit.data;

import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.JavaName;
import dev.vinekit.mapping.Relation;
import java.math.BigDecimal;

/** A value for one field of a row. Those that must differ from row to row depend on the row's number {@code n}. */
public sealed interface Sample {
    /** No value: NULL, or whatever the database fills in. */
    record Nothing() implements Sample { }

    record Text(String value) implements Sample { }

    /** {@code before}, then {@code n}, then {@code after}. */
    record NumberedText(String before, String after) implements Sample { }

    /** {@code n} with leading zeros, so many digits in all. */
    record Digits(int length) implements Sample { }

    /** The letter so many places after A. */
    record Letter() implements Sample { }

    record Number(BigDecimal value) implements Sample { }

    /** {@code base + n}. */
    record NumberedNumber(BigDecimal base) implements Sample { }

    record Truth(boolean value) implements Sample { }

    record Constant(JavaName enumeration, JavaName constant, String value) implements Sample { }

    /** A date or time in ISO 8601. */
    record Moment(String iso) implements Sample { }

    /** A date or time in ISO 8601, {@code n} days later, or {@code n} minutes if it is a time of day. */
    record NumberedMoment(String iso) implements Sample { }

    /** A UUID made from {@code n}. */
    record NumberedUuid() implements Sample { }

    record Document(String json) implements Sample { }

    /** Bytes in hexadecimal. */
    record Bytes(String hex) implements Sample { }

    /** The value that the row referred to has in a field. */
    record Reference(Relation relation, Field target) implements Sample { }
}
