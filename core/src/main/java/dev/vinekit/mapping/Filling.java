package dev.vinekit.mapping;

/** What the service puts into a column by itself. */
public enum Filling {
    /** Nothing. */
    NONE,
    /** A random UUID, where a client gives no value for a new row. */
    RANDOM,
    /** Whose the row is, by the caller's token. */
    OWNER
}
