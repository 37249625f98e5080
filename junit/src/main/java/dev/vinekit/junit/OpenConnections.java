package dev.vinekit.junit;

import java.io.PrintWriter;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.logging.Logger;
import javax.sql.DataSource;

/** A pool that knows which connections it has given away, for tests that do not close theirs. */
final class OpenConnections implements DataSource {
    private final DataSource pool;
    private final Queue<Connection> given = new ConcurrentLinkedQueue<>();

    OpenConnections(DataSource pool) {
        this.pool = pool;
    }

    /** Closes all that were given away and are still open; what they have not committed is undone. */
    void close() throws SQLException {
        for (Connection connection = given.poll(); connection != null; connection = given.poll()) {
            connection.close();
        }
    }

    @Override
    public Connection getConnection() throws SQLException {
        return remembered(pool.getConnection());
    }

    @Override
    public Connection getConnection(String user, String password) throws SQLException {
        return remembered(pool.getConnection(user, password));
    }

    private Connection remembered(Connection connection) {
        given.add(connection);
        return connection;
    }

    @Override
    public PrintWriter getLogWriter() throws SQLException {
        return pool.getLogWriter();
    }

    @Override
    public void setLogWriter(PrintWriter out) throws SQLException {
        pool.setLogWriter(out);
    }

    @Override
    public void setLoginTimeout(int seconds) throws SQLException {
        pool.setLoginTimeout(seconds);
    }

    @Override
    public int getLoginTimeout() throws SQLException {
        return pool.getLoginTimeout();
    }

    @Override
    public Logger getParentLogger() {
        return Logger.getLogger("dev.vinekit.junit");
    }

    @Override
    public <T> T unwrap(Class<T> type) throws SQLException {
        return type.isInstance(this) ? type.cast(this) : pool.unwrap(type);
    }

    @Override
    public boolean isWrapperFor(Class<?> type) throws SQLException {
        return type.isInstance(this) || pool.isWrapperFor(type);
    }
}
