package dev.vinekit.schema;

import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;

/**
 * Whose a table is, and what the login that read it may do with it.
 *
 * @param owner empty on an engine without owners
 * @param rights in the order in which {@link Right} lists them
 */
public record Access(String owner, Set<Right> rights) {
    /** Everything, on an engine that does not ask who is there. */
    public static final Access UNLIMITED = new Access("", Set.of(Right.values()));

    /** What a login may do with rows. */
    public enum Right { SELECT, INSERT, UPDATE, DELETE }

    public Access {
        Set<Right> inOrder = EnumSet.noneOf(Right.class);
        inOrder.addAll(rights);
        rights = Collections.unmodifiableSet(inOrder);
    }
}
