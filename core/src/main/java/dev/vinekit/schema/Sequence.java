package dev.vinekit.schema;

/**
 * A sequence that stands for itself; those behind a column that numbers its rows are not listed.
 *
 * @param name where it stands
 * @param start the first number
 * @param increment the step; negative for one that counts down
 * @param options what else its definition says, in the engine's words; empty if all is as usual
 */
public record Sequence(TableName name, long start, long increment, String options) {
    /** A sequence that is as usual but for its start and step. */
    public Sequence(TableName name, long start, long increment) {
        this(name, start, increment, "");
    }
}
