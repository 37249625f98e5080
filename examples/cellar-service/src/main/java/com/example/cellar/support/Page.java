package com.example.cellar.support;

import java.util.function.UnaryOperator;

/**
 * Which rows of a table are wanted.
 *
 * @param <K> the type of the key that rows are ordered by
 * @param after the key of the row before the first one wanted, for a table without a key the number of rows before it;
 *     null to begin at the first
 * @param limit the greatest number of rows
 */
public record Page<K>(Condition condition, K after, int limit) {
    /** Every row. */
    public static <K> Page<K> all() {
        return first(Integer.MAX_VALUE);
    }

    public static <K> Page<K> first(int limit) {
        return new Page<>(Condition.NONE, null, limit);
    }

    public static <K> Page<K> after(K key, int limit) {
        return new Page<>(Condition.NONE, key, limit);
    }

    /** Of these rows those that fulfil another condition too. */
    public Page<K> where(UnaryOperator<Condition> narrower) {
        return new Page<>(narrower.apply(condition), after, limit);
    }
}
