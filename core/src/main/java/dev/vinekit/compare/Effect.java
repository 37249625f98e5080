package dev.vinekit.compare;

import dev.vinekit.schema.TableName;

/**
 * What a change means.
 *
 * @param table by its present name, or its last one if it is gone
 * @param on what it is about: the code, or the API
 * @param breaking whether clients that worked before may not any more
 * @param opens whether somebody is shown, or may do, what nobody was or might before
 */
public record Effect(TableName table, On on, String text, boolean breaking, boolean opens) {
    /** What an effect is about. */
    public enum On {
        CODE, API
    }
}
