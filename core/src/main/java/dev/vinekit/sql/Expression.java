package dev.vinekit.sql;

import java.math.BigDecimal;
import java.util.List;
import java.util.stream.Stream;

/** The meaning of a check expression. What is not understood is kept as {@link Unknown} text. */
public sealed interface Expression {
    /** A column of the table; {@code VALUE} inside the check of a domain. */
    record ColumnRef(String name) implements Expression { }

    /** A text. */
    record Text(String value) implements Expression { }

    /** A number. */
    record Number(BigDecimal value) implements Expression { }

    /** True or false. */
    record Truth(boolean value) implements Expression { }

    /** NULL. */
    record Null() implements Expression { }

    /** Two values compared. */
    record Comparison(Operator operator, Expression left, Expression right) implements Expression { }

    /** Whether a value lies between two others, or is one of them. */
    record Between(Expression value, Expression low, Expression high) implements Expression { }

    /** Whether a value is one of several. */
    record In(Expression value, List<Expression> options) implements Expression { }

    /** A SQL LIKE with {@code %} and {@code _}; {@code escape} is empty where the engine's default holds. */
    record Like(Expression value, String pattern, String escape) implements Expression { }

    /** A regular expression that must be found somewhere in the value. */
    record Matches(Expression value, String pattern) implements Expression { }

    /** Whether there is no value. */
    record IsNull(Expression value) implements Expression { }

    /** Whether all parts hold. */
    record And(List<Expression> parts) implements Expression { }

    /** Whether at least one part holds. */
    record Or(List<Expression> parts) implements Expression { }

    /** Whether something does not hold. */
    record Not(Expression value) implements Expression { }

    /** A value as another type has it, in the engine's words. */
    record Cast(Expression value, String type) implements Expression { }

    /** Two values calculated with; the operator is that of SQL. */
    record Arithmetic(String operator, Expression left, Expression right) implements Expression { }

    /** A function call; the name is in lower case. */
    record Call(String name, List<Expression> arguments) implements Expression { }

    /** Text that the parser does not understand. */
    record Unknown(String text) implements Expression { }

    /** The comparison operators. */
    enum Operator {
        EQUAL("="), NOT_EQUAL("<>"), LESS("<"), AT_MOST("<="), GREATER(">"), AT_LEAST(">=");

        private final String sql;

        Operator(String sql) {
            this.sql = sql;
        }

        public String sql() {
            return sql;
        }

        /** Whether it holds where {@link Comparable#compareTo} gives this. */
        public boolean holds(int order) {
            return switch (this) {
                case EQUAL -> order == 0;
                case NOT_EQUAL -> order != 0;
                case LESS -> order < 0;
                case AT_MOST -> order <= 0;
                case GREATER -> order > 0;
                case AT_LEAST -> order >= 0;
            };
        }

        /** The operator that says the same with the sides exchanged. */
        public Operator mirrored() {
            return switch (this) {
                case LESS -> GREATER;
                case AT_MOST -> AT_LEAST;
                case GREATER -> LESS;
                case AT_LEAST -> AT_MOST;
                default -> this;
            };
        }
    }

    /** The parts that must all hold: those of an AND, however deep, with BETWEEN taken apart; else this alone. */
    default Stream<Expression> conjuncts() {
        if (this instanceof And and) {
            return and.parts().stream().flatMap(Expression::conjuncts);
        }
        if (this instanceof Between between) {
            return Stream.of(
                    new Comparison(Operator.AT_LEAST, between.value(), between.low()),
                    new Comparison(Operator.AT_MOST, between.value(), between.high()));
        }
        return Stream.of(this);
    }

    /** The columns that occur, in order of their first occurrence. */
    default List<String> columns() {
        return descendants().filter(ColumnRef.class::isInstance)
                .map(part -> ((ColumnRef) part).name()).distinct().toList();
    }

    private Stream<Expression> descendants() {
        return Stream.concat(Stream.of(this), children().stream().flatMap(Expression::descendants));
    }

    private List<Expression> children() {
        if (this instanceof Comparison e) {
            return List.of(e.left(), e.right());
        } else if (this instanceof Between e) {
            return List.of(e.value(), e.low(), e.high());
        } else if (this instanceof In e) {
            return Stream.concat(Stream.of(e.value()), e.options().stream()).toList();
        } else if (this instanceof Like e) {
            return List.of(e.value());
        } else if (this instanceof Matches e) {
            return List.of(e.value());
        } else if (this instanceof IsNull e) {
            return List.of(e.value());
        } else if (this instanceof And e) {
            return e.parts();
        } else if (this instanceof Or e) {
            return e.parts();
        } else if (this instanceof Not e) {
            return List.of(e.value());
        } else if (this instanceof Cast e) {
            return List.of(e.value());
        } else if (this instanceof Arithmetic e) {
            return List.of(e.left(), e.right());
        } else if (this instanceof Call e) {
            return e.arguments();
        }
        return List.of();
    }
}
