package dev.vinekit.cli;

import dev.vinekit.engine.Database;

/**
 * Where a schema is read from.
 *
 * @param scratch whether the database is ours, and its login nobody's
 * @param end what is to be done when nobody needs it any more
 */
record Source(Database database, boolean scratch, Runnable end) implements AutoCloseable {
    @Override
    public void close() {
        end.run();
    }
}
