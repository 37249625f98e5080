package dev.vinekit.schema;

import java.util.List;
import java.util.Optional;

/**
 * An index that stands for itself; those that carry a key are not listed.
 *
 * @param columns in order; empty for an index over expressions or over part of the rows
 * @param definition the whole statement that makes an index which is more than its columns
 */
public record Index(String name, boolean unique, List<String> columns,
        Optional<String> definition) implements TablePart {
    /** An index over columns, and all rows. */
    public static Index over(String name, boolean unique, List<String> columns) {
        return new Index(name, unique, columns, Optional.empty());
    }

    public Index {
        columns = List.copyOf(columns);
    }
}
