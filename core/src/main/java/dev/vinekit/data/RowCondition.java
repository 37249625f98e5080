package dev.vinekit.data;

import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.sql.Expression;
import java.math.BigDecimal;
import java.util.Optional;

/** Works out whether a sample row fulfils a simple condition, as far as that can be known without a database. */
final class RowCondition {
    private final Entity entity;
    private final SampleRow row;

    RowCondition(Entity entity, SampleRow row) {
        this.entity = entity;
        this.row = row;
    }

    /** Whether the row is known to fulfil a condition, whatever its number. */
    boolean holds(Expression condition) {
        return truth(condition).filter(Boolean::booleanValue).isPresent();
    }

    private Optional<Boolean> truth(Expression condition) {
        if (condition instanceof Expression.And and) {
            return and.parts().stream().allMatch(this::holds) ? Optional.of(true) : Optional.empty();
        } else if (condition instanceof Expression.Or or) {
            return or.parts().stream().anyMatch(this::holds) ? Optional.of(true) : Optional.empty();
        } else if (condition instanceof Expression.Not not) {
            return truth(not.value()).map(value -> !value);
        } else if (condition instanceof Expression.Truth truth) {
            return Optional.of(truth.value());
        } else if (condition instanceof Expression.IsNull isNull) {
            return sample(isNull.value()).map(value -> value instanceof Sample.Nothing);
        } else if (condition instanceof Expression.ColumnRef) {
            return sample(condition).filter(Sample.Truth.class::isInstance)
                    .map(value -> ((Sample.Truth) value).value());
        } else if (condition instanceof Expression.Comparison comparison) {
            return compared(comparison);
        }
        return Optional.empty();
    }

    private Optional<Boolean> compared(Expression.Comparison comparison) {
        Optional<Sample> left = sample(comparison.left()).filter(value -> !value.isNumbered());
        if (comparison.right() instanceof Expression.Number number
                && left.filter(Sample.Number.class::isInstance).isPresent()) {
            return Optional.of(comparison.operator()
                    .holds(((Sample.Number) left.get()).value().compareTo(number.value())));
        } else if (comparison.right() instanceof Expression.Number number
                && left.filter(Sample.Truth.class::isInstance).isPresent()) {
            boolean one = number.value().compareTo(BigDecimal.ONE) == 0;
            return equality(comparison.operator(), ((Sample.Truth) left.get()).value() == one);
        } else if (comparison.right() instanceof Expression.Truth truth
                && left.filter(Sample.Truth.class::isInstance).isPresent()) {
            return equality(comparison.operator(), ((Sample.Truth) left.get()).value() == truth.value());
        } else if (comparison.right() instanceof Expression.Text text
                && left.filter(value -> value instanceof Sample.Text || value instanceof Sample.Constant).isPresent()) {
            return equality(comparison.operator(), left.get().text(1).equals(text.value()));
        }
        return Optional.empty();
    }

    private static Optional<Boolean> equality(Expression.Operator operator, boolean equal) {
        return switch (operator) {
            case EQUAL -> Optional.of(equal);
            case NOT_EQUAL -> Optional.of(!equal);
            default -> Optional.empty();
        };
    }

    /**
     * What the row has in a column, also where the engine put a cast around it; a reference is a value of some sort.
     */
    private Optional<Sample> sample(Expression value) {
        if (value instanceof Expression.Cast cast) {
            return sample(cast.value());
        }
        Optional<Field> field = value instanceof Expression.ColumnRef ref
                ? entity.fields().stream().filter(each -> each.column().name().equals(ref.name())).findFirst()
                : Optional.empty();
        return field.map(each -> row.values().get(each));
    }
}
