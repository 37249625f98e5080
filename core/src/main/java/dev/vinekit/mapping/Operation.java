package dev.vinekit.mapping;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * What the service can do with the rows of a table, and all that HTTP knows of it: methods and statuses as in RFC 9110,
 * PATCH as in RFC 5789 with the documents of RFC 7396.
 */
public enum Operation {
    LIST("GET", false, "", 200, 400),
    CREATE("POST", false, "application/json", 201, 400, 409, 422),
    READ("GET", true, "", 200, 304, 400, 404, 412),
    REPLACE("PUT", true, "application/json", 200, 400, 404, 409, 412, 422),
    PATCH("PATCH", true, "application/merge-patch+json", 200, 400, 404, 409, 412, 422),
    DELETE("DELETE", true, "", 204, 400, 404, 409, 412),
    /** Brings back a deleted row; who may do that may list deleted rows too. */
    RESTORE("POST", true, "", 200, 400, 404, 422);

    private final String method;
    private final boolean ofOneRow;
    private final String mediaType;
    private final int success;
    private final List<Integer> refusals;

    Operation(String method, boolean ofOneRow, String mediaType, int success, Integer... refusals) {
        this.method = method;
        this.ofOneRow = ofOneRow;
        this.mediaType = mediaType;
        this.success = success;
        this.refusals = List.of(refusals);
    }

    /**
     * The operation of this word.
     *
     * @throws IllegalArgumentException if there is none
     */
    public static Operation of(String word) {
        return valueOf(word.toUpperCase(Locale.ROOT));
    }

    /** What people call it: in the mapping file, in tags of tests, over a column of the matrix. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** All of their words. */
    public static List<String> words() {
        return Arrays.stream(values()).map(Operation::word).toList();
    }

    /** The method of its requests, in upper case. */
    public String method() {
        return method;
    }

    /** Whether its path names a row, and not the collection. */
    public boolean isOfOneRow() {
        return ofOneRow;
    }

    /** What stands behind the path of the row or the collection; nothing for most. */
    public String below() {
        return this == RESTORE ? "/restoration" : "";
    }

    /** The media type of what its requests send; nothing if they send nothing. */
    public Optional<String> mediaType() {
        return Optional.of(mediaType).filter(type -> !type.isEmpty());
    }

    /** The status of a request that did what it was to do. */
    public int success() {
        return success;
    }

    /**
     * Statuses of requests that did not, beside those that any request can have: too large, of another kind, without a
     * token and so on.
     */
    public List<Integer> refusals() {
        return refusals;
    }

    /** The other way of doing the same, whose roles stand for those of this one; itself if there is none. */
    Operation alike() {
        return switch (this) {
            case LIST -> READ;
            case READ -> LIST;
            case REPLACE -> PATCH;
            case PATCH -> REPLACE;
            case CREATE, DELETE, RESTORE -> this;
        };
    }
}
