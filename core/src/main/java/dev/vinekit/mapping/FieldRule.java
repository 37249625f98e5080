package dev.vinekit.mapping;

import java.math.BigDecimal;

/** A rule that one value must keep by itself; null keeps every rule. */
public sealed interface FieldRule {
    /** Text has at least {@code least} and at most {@code most} characters. */
    record Length(int least, int most) implements FieldRule { }

    /** A binary value has at least {@code least} and at most {@code most} bytes. */
    record Bytes(int least, int most) implements FieldRule { }

    /** A number is at least this, or more than this if not inclusive. */
    record Least(BigDecimal bound, boolean inclusive) implements FieldRule { }

    /** A number is at most this, or less than this if not inclusive. */
    record Most(BigDecimal bound, boolean inclusive) implements FieldRule { }

    /** A number has at most so many digits before and after the point. */
    record Digits(int integer, int fraction) implements FieldRule { }

    /** A JSON value is a number or a text. */
    record Scalar() implements FieldRule { }

    /** The whole text matches a Java regular expression in which {@code .} stands for line ends too. */
    record Pattern(String regex) implements FieldRule {
        /** Whether there is a point that stands for any character. */
        public boolean hasPoint() {
            return WholeMatch.hasPoint(regex);
        }
    }
}
