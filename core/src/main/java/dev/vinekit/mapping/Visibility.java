package dev.vinekit.mapping;

import com.fasterxml.jackson.annotation.JsonAlias;

/** What clients see of a column, and what they may send. */
public enum Visibility {
    /** It is told, and taken where a column of its kind can be. */
    SHOWN,
    /** It is told, and not taken. */
    @JsonAlias("read-only")
    READ_ONLY,
    /** It is taken, and never told; a replaced row keeps it where it is left out. */
    @JsonAlias("write-only")
    WRITE_ONLY,
    /** It is neither told nor taken. */
    HIDDEN;

    boolean isTold() {
        return this == SHOWN || this == READ_ONLY;
    }

    boolean isTaken() {
        return this == SHOWN || this == WRITE_ONLY;
    }
}
