package dev.vinekit.schema;

import java.util.Optional;

/**
 * A check constraint.
 *
 * @param name the constraint's name in the catalog
 * @param expression the condition as the engine writes it
 * @param column the column whose definition holds it, on an engine that keeps such checks apart
 */
public record Check(String name, String expression, Optional<String> column) implements TablePart {
    /** A check of the table as a whole. */
    public Check(String name, String expression) {
        this(name, expression, Optional.empty());
    }
}
