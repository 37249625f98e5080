package dev.vinekit.source.view;

/**
 * Which operations an entity has.
 *
 * @param update whether rows are changed, in one way or another
 */
public record OperationsView(
        boolean list, boolean create, boolean read, boolean replace, boolean patch, boolean delete, boolean update) {
}
