package dev.vinekit.engine;

import java.sql.Connection;
import java.sql.SQLException;

/** Puts a scratch database back to the state that it had when this was made. */
public interface Restorer extends AutoCloseable {
    /** Cannot: the database is to be made anew. */
    Restorer NONE = new Restorer() {
        @Override
        public boolean restore() {
            return false;
        }

        @Override
        public void close() {
        }
    };

    /**
     * Undoes whatever has been committed since; nobody else is to be connected.
     *
     * @return whether it has; what happened cannot be undone if tables themselves were changed, for instance
     * @throws SQLException if somebody still holds what was changed, or the database fails
     */
    boolean restore() throws SQLException;

    /**
     * Makes a connection as it was when it was opened.
     *
     * @return whether it has; one that has not is to be closed
     */
    default boolean renew(Connection connection) throws SQLException {
        return false;
    }

    /** Lets go of what it holds; before the database goes. */
    @Override
    void close() throws SQLException;
}
