package dev.vinekit.schema;

import java.util.List;

/**
 * A primary key or unique constraint.
 *
 * @param name the constraint's name in the catalog
 * @param columns in the order of the key
 * @param lengths of each column how many letters or bytes from its beginning count, 0 for all; empty if all count of
 *     each
 */
public record UniqueKey(String name, List<String> columns, Deferral deferral,
        List<Integer> lengths) implements TablePart {
    /** A key that all of its columns' values count for. */
    public UniqueKey(String name, List<String> columns, Deferral deferral) {
        this(name, columns, deferral, List.of());
    }

    /** A key that is checked at once. */
    public UniqueKey(String name, List<String> columns) {
        this(name, columns, Deferral.NONE);
    }

    public UniqueKey {
        columns = List.copyOf(columns);
        lengths = List.copyOf(lengths);
    }
}
