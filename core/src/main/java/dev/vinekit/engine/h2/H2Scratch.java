package dev.vinekit.engine.h2;

import dev.vinekit.engine.ScratchDatabase;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.UUID;

/** An in-memory database with a name that nobody else has; it lasts as long as this value is open. */
final class H2Scratch implements ScratchDatabase {
    private final String url = "jdbc:h2:mem:scratch-" + UUID.randomUUID();
    private final Connection anchor;

    H2Scratch() throws SQLException {
        anchor = connect();
    }

    @Override
    public String url() {
        return url;
    }

    @Override
    public String user() {
        return "sa";
    }

    @Override
    public String password() {
        return "";
    }

    /**
     * On the anchor, and not on a connection that is closed afterwards: in H2 2.4.240 a check with IN goes on using the
     * session that made it, and fails with error 23514 once that is closed.
     */
    @Override
    public void execute(String script) throws SQLException {
        try (Statement statement = anchor.createStatement()) {
            statement.execute(script);
        }
    }

    @Override
    public Connection connect() throws SQLException {
        return DriverManager.getConnection(url, user(), password());
    }

    @Override
    public void close() throws SQLException {
        anchor.close();
    }
}
