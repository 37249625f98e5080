package dev.vinekit.mapping;

import dev.vinekit.schema.TableName;
import java.util.List;

/**
 * Something that could not be carried over as it stands, or was named otherwise, and why.
 *
 * @param keys where in the table's entry of the mapping file a person can decide otherwise; empty for nowhere
 * @param value what was decided by rule; empty if only a person can decide
 * @param offered whether the value is a guess that nothing goes by until a person takes it up
 */
public record Remark(TableName table, String text, List<String> keys, String value, boolean offered) {
    public Remark {
        keys = List.copyOf(keys);
    }

    /** Something decided by rule, which a person can decide otherwise. */
    public Remark(TableName table, String text, List<String> keys, String value) {
        this(table, text, keys, value, false);
    }

    /** Something to know, which no decision changes. */
    public Remark(TableName table, String text) {
        this(table, text, List.of(), "");
    }
}
