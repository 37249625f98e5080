package dev.vinekit.mapping;

import dev.vinekit.sql.Expression;
import java.math.BigDecimal;
import java.util.List;

/** A rule that the service checks, since no annotation can say it; null keeps every rule. */
public sealed interface RowRule {
    /** The name of the check constraint that says so. */
    String constraint();

    /** One field against another of the same type. */
    record Compare(String constraint, Field left, Expression.Operator operator, Field right) implements RowRule { }

    /** A number is one of a few. */
    record OneOf(String constraint, Field field, List<BigDecimal> options) implements RowRule {
        public OneOf {
            options = List.copyOf(options);
        }
    }
}
