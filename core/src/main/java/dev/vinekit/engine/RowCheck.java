package dev.vinekit.engine;

/**
 * A condition that must hold before a change script changes anything.
 *
 * @param problem what is wrong if it does not hold, in a few words
 * @param rows a query with one column, {@code row_key}: a text that identifies each row that breaks the condition
 */
public record RowCheck(String problem, String rows) {
}
