package dev.vinekit.data;

import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.FieldRule;
import dev.vinekit.mapping.JavaType;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Collection;
import java.util.List;

/** Numbers within the bounds of a field. */
final class NumberSamples {
    private final int scale;
    private final BigDecimal step;

    /** Makes sample values of a type without a scale of its own have one that survives. */
    private final BigDecimal fraction;

    /** Whether fields that are compared with each other have the same base. */
    private final boolean shared;

    private BigDecimal least;
    private BigDecimal most;

    NumberSamples(Field field) {
        this(field, List.of());
    }

    /** Numbers within the bounds of a field and, where there are such, of all fields that it is compared with. */
    NumberSamples(Field field, Collection<Field> compared) {
        boolean unlimited = field.type() == JavaType.BIG_DECIMAL && field.column().type().precision() == 0
                && !field.column().type().isWholeNumber();
        scale = unlimited ? 1 : field.type() == JavaType.BIG_DECIMAL ? Math.max(0, field.column().type().scale()) : 0;
        fraction = unlimited ? new BigDecimal("0.5") : BigDecimal.ZERO;
        step = BigDecimal.ONE.movePointLeft(scale);
        bind(field);
        BigDecimal ownLeast = least;
        BigDecimal ownMost = most;
        compared.forEach(this::bind);
        shared = !compared.isEmpty()
                && (least == null || most == null || least.add(BigDecimal.TEN).compareTo(most) < 0);
        if (!shared) {
            least = ownLeast;
            most = ownMost;
        }
    }

    private void bind(Field field) {
        for (FieldRule rule : field.rules()) {
            if (rule instanceof FieldRule.Least bound) {
                BigDecimal value = bound.bound().setScale(scale, RoundingMode.CEILING);
                boolean excluded = !bound.inclusive() && value.compareTo(bound.bound()) == 0;
                least = max(least, excluded ? value.add(step) : value);
            } else if (rule instanceof FieldRule.Most bound) {
                BigDecimal value = bound.bound().setScale(scale, RoundingMode.FLOOR);
                boolean excluded = !bound.inclusive() && value.compareTo(bound.bound()) == 0;
                most = min(most, excluded ? value.subtract(step) : value);
            } else if (rule instanceof FieldRule.Digits digits) {
                most = min(most, BigDecimal.ONE.movePointRight(digits.integer()).subtract(step));
            }
        }
    }

    Sample value(boolean other, int rank, boolean numbered) {
        BigDecimal base = base();
        if (numbered) {
            return new Sample.NumberedNumber(base.add(fraction), 1);
        }
        BigDecimal value = base.add(BigDecimal.valueOf(rank));
        BigDecimal shifted = value.add(other ? BigDecimal.ONE : BigDecimal.ZERO);
        if (most != null && shifted.compareTo(most) > 0) {
            shifted = other ? min(most, value.add(step)) : most;
        }
        return new Sample.Number(shifted.add(fraction).setScale(scale, RoundingMode.DOWN));
    }

    /**
     * How many values there are from one whole number to the next; the greatest int if there are more, or no bounds.
     */
    int room() {
        if (least == null || most == null || scale > 0) {
            return Integer.MAX_VALUE;
        }
        return most.subtract(least).add(BigDecimal.ONE).max(BigDecimal.ZERO).min(BigDecimal.valueOf(Integer.MAX_VALUE))
                .intValue();
    }

    /** The row's number as a digit, of which there are as many as the bounds leave room for. */
    Sample digit(int divisor) {
        return new Sample.NumberedDigit(least, divisor, room());
    }

    /** A value well inside the bounds, if there are any. */
    private BigDecimal base() {
        if (least != null && most != null && least.compareTo(most) < 0 && most.subtract(least).compareTo(
                BigDecimal.valueOf(1000)) < 0) {
            return least.add(most).divide(BigDecimal.valueOf(2), shared ? 0 : scale, RoundingMode.DOWN);
        }
        BigDecimal ten = BigDecimal.TEN.setScale(scale, RoundingMode.DOWN);
        BigDecimal low = least != null ? max(least, ten) : ten;
        return most == null ? low : min(low, most);
    }

    private static BigDecimal max(BigDecimal a, BigDecimal b) {
        return a == null || a.compareTo(b) < 0 ? b : a;
    }

    private static BigDecimal min(BigDecimal a, BigDecimal b) {
        return a == null || a.compareTo(b) > 0 ? b : a;
    }
}
