package dev.vinekit.cli;

import dev.vinekit.engine.Database;
import java.util.Optional;

/**
 * Where a schema is read from.
 *
 * @param scratch whether the database is ours, and its login nobody's
 * @param end what is to be done when nobody needs it any more
 */
record Source(Database database, boolean scratch, Runnable end) implements AutoCloseable {
    /** The database, if it is somebody's and stays. */
    Optional<Database> lasting() {
        return scratch ? Optional.empty() : Optional.of(database);
    }

    @Override
    public void close() {
        end.run();
    }
}
