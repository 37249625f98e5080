package dev.vinekit.schema;

/**
 * A sequence that stands for itself; those behind a column that numbers its rows are not listed.
 *
 * @param name where it stands
 * @param start the first number
 * @param increment the step; negative for one that counts down
 */
public record Sequence(TableName name, long start, long increment) {
}
