package dev.vinekit.schema;

import java.util.List;

/**
 * An index that stands for itself; those that carry a key are not listed.
 *
 * @param columns in order
 */
public record Index(String name, boolean unique, List<String> columns) {
    public Index {
        columns = List.copyOf(columns);
    }
}
