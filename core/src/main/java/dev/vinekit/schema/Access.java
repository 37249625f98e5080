package dev.vinekit.schema;

import java.util.Set;

/**
 * Whose a table is, and what the login that read it may do with it.
 *
 * @param owner empty on an engine without owners
 */
public record Access(String owner, Set<Right> rights) {
    /** Everything, on an engine that does not ask who is there. */
    public static final Access UNLIMITED = new Access("", Set.of(Right.values()));

    /** What a login may do with rows. */
    public enum Right { SELECT, INSERT, UPDATE, DELETE }

    public Access {
        rights = Set.copyOf(rights);
    }
}
