package dev.vinekit.source.view;

/** Which operations an entity has; it can always be listed. */
public record OperationsView(boolean create, boolean read, boolean replace, boolean delete) {
}
