/**
 * The mapping file, {@code vinekit.yaml}: reading it, finding its mistakes with their lines, proposing one, and
 * adding to it what it lacks without touching what people have written.
 *
 * @since 0.1.0
 */
package dev.vinekit.mapping.file;
