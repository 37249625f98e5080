package dev.vinekit.engine;

import java.sql.Connection;
import java.sql.SQLException;

/** A database that is ours alone and goes away when it is closed. */
public interface ScratchDatabase extends AutoCloseable {
    /** The URL that opens it, with nothing secret in it. */
    String url();

    String user();

    String password();

    /** Runs a script of statements on the connection that keeps the database alive. */
    void execute(String script) throws SQLException;

    Connection connect() throws SQLException;

    @Override
    void close() throws SQLException;
}
