package dev.vinekit;

import dev.vinekit.data.SeedScript;

/**
 * Which rows an empty database is to get.
 *
 * @param own SQL of a person's own that inserts rows; may be empty. Only tables that it leaves empty get made-up ones
 * @param rows how many rows each of these is to have, from 1; fewer where its keys leave room for no more
 * @param number any number; another one makes other rows, the same one the same rows
 */
public record SeedRequest(String own, int rows, long number) {
    /** A few made-up rows in each table. */
    public static final SeedRequest NONE = new SeedRequest("", SeedScript.ROWS, SeedScript.NUMBER);

    public SeedRequest {
        if (rows < 1) {
            throw new IllegalArgumentException("a table cannot be given " + rows + " rows");
        }
    }

    /** This request, for what a script of a person's own leaves empty. */
    public SeedRequest completing(String script) {
        return new SeedRequest(script, rows, number);
    }

    /** This request, for so many rows in each table. */
    public SeedRequest withRows(int count) {
        return new SeedRequest(own, count, number);
    }
}
