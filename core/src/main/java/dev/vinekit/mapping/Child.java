package dev.vinekit.mapping;

import java.util.Optional;

/**
 * The rows of one entity that belong to a row of another: those that refer to it, or those that a link table joins to
 * it.
 *
 * @param parent whose row it is
 * @param entity whose rows they are
 * @param relation the reference to the parent: the entity's own, or the link's
 * @param link the link table, for rows that belong to each other both ways
 * @param path the path segment behind that of the parent's row
 * @param finder the method that finds them
 */
public record Child(
        Entity parent, Entity entity, Relation relation, Optional<Link> link, String path, JavaName finder) {
    /**
     * A table whose rows each join one row to another.
     *
     * @param relation its reference to the entity of the child rows
     */
    public record Link(Entity entity, Relation relation) {
    }
}
