package dev.vinekit.mapping;

import dev.vinekit.schema.TableName;
import java.util.List;

/**
 * Something that could not be carried over as it stands, or was named otherwise, and why.
 *
 * @param keys where in the table's entry of the mapping file a person can decide otherwise; empty for nowhere
 * @param value what was decided by rule; empty if only a person can decide
 */
public record Remark(TableName table, String text, List<String> keys, String value) {
    public Remark {
        keys = List.copyOf(keys);
    }

    /** Something to know, which no decision changes. */
    public Remark(TableName table, String text) {
        this(table, text, List.of(), "");
    }
}
