package dev.vinekit.mapping;

/** How much a generated service takes and gives at a time. */
public final class Limits {
    /** Rows of a page at most. */
    public static final int ROWS_OF_A_PAGE = 500;

    /** Rows of a page if the client does not say how many. */
    public static final int USUAL_ROWS_OF_A_PAGE = 50;

    /** Rows that one request may create. */
    public static final int ROWS_TO_CREATE = 1000;

    private Limits() {
    }
}
