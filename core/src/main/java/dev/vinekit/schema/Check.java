package dev.vinekit.schema;

/**
 * A check constraint.
 *
 * @param name the constraint's name in the catalog
 * @param expression the condition as the engine writes it
 */
public record Check(String name, String expression) {
}
