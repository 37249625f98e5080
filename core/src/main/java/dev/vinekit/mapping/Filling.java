package dev.vinekit.mapping;

/** What the service puts into a column by itself. */
public enum Filling {
    /** Nothing. */
    NONE,
    /** A random UUID, where a client gives no value for a new row. */
    RANDOM,
    /** Whose the row is, by the caller's token. */
    OWNER,
    /** When the row was made, by the database's clock. */
    CREATED_AT,
    /** Who made the row: the subject of the token. */
    CREATED_BY,
    /** When the row was last changed, its making included. */
    CHANGED_AT,
    /** Who last changed the row, its making included. */
    CHANGED_BY,
    /** When the row was deleted; it stays, and is not there for clients. */
    DELETED_AT;

    /** Whether it says when or by whom a row was made or changed. */
    public boolean isStamp() {
        return this == CREATED_AT || this == CREATED_BY || isOfChange();
    }

    /** Whether it is a time. */
    public boolean isMoment() {
        return this == CREATED_AT || this == CHANGED_AT || this == DELETED_AT;
    }

    /** Whether every change puts a new value in. */
    public boolean isOfChange() {
        return this == CHANGED_AT || this == CHANGED_BY;
    }
}
