package dev.vinekit.cli;

import dev.vinekit.engine.Database;

/**
 * Where a schema is read from.
 *
 * @param end what is to be done when nobody needs it any more
 */
record Source(Database database, Runnable end) implements AutoCloseable {
    @Override
    public void close() {
        end.run();
    }
}
