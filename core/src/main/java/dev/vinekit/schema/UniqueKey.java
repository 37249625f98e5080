package dev.vinekit.schema;

import java.util.List;

/**
 * A primary key or unique constraint.
 *
 * @param name the constraint's name in the catalog
 * @param columns in the order of the key
 */
public record UniqueKey(String name, List<String> columns, Deferral deferral) implements TablePart {
    /** A key that is checked at once. */
    public UniqueKey(String name, List<String> columns) {
        this(name, columns, Deferral.NONE);
    }

    public UniqueKey {
        columns = List.copyOf(columns);
    }
}
