package dev.vinekit.mapping;

/**
 * A class of the house's own that makes a type of its own of what the database stores.
 *
 * @param type the type, with its package
 * @param by the class that converts, with its package
 */
public record Converter(JavaName type, JavaName by) { }
