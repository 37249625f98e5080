package dev.vinekit.source;

/**
 * A generated file.
 *
 * @param path relative to the project, with forward slashes
 */
public record SourceFile(String path, String text) {
}
