<#if s.failover>
import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.util.DriverDataSource;
import java.io.PrintWriter;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.SQLFeatureNotSupportedException;
import java.sql.SQLTransientConnectionException;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.logging.Logger;
import javax.sql.DataSource;
import org.slf4j.LoggerFactory;

/** Several databases, of which one at a time takes changes: connections are made to that one, whichever it is by then. */
final class Candidates implements DataSource {
    private static final org.slf4j.Logger LOG = LoggerFactory.getLogger(Candidates.class);

    private final List<DataSource> databases;
    private final AtomicInteger last = new AtomicInteger();

    private Candidates(List<DataSource> databases) {
        this.databases = databases;
    }

    /** Those with these URLs, which have blanks between them, and the login and the properties of a pool. */
    static Candidates of(String urls, HikariConfig config) {
        return new Candidates(Arrays.stream(urls.strip().split("\\s+")).<DataSource>map(url -> new DriverDataSource(
                url, null, config.getDataSourceProperties(), config.getUsername(), config.getPassword())).toList());
    }

    @Override
    public Connection getConnection() throws SQLException {
        return first(DataSource::getConnection);
    }

    @Override
    public Connection getConnection(String user, String password) throws SQLException {
        return first(database -> database.getConnection(user, password));
    }

    /** Connects to a database. */
    @FunctionalInterface
    private interface Connecting {
        Connection to(DataSource database) throws SQLException;
    }

    private Connection first(Connecting connecting) throws SQLException {
        SQLException none = new SQLTransientConnectionException("None of the databases of DB_URL takes changes.", "08001");
        int first = last.get();
        for (int i = 0; i < databases.size(); i++) {
            int candidate = (first + i) % databases.size();
            try {
                Optional<Connection> connection = writable(connecting.to(databases.get(candidate)));
                if (connection.isPresent()) {
                    if (last.getAndSet(candidate) != candidate) {
                        LOG.info("Database {} of DB_URL takes the changes", candidate + 1);
                    }
                    return connection.get();
                }
            } catch (SQLException e) {
                none.addSuppressed(e);
            }
        }
        throw none;
    }

    private static Optional<Connection> writable(Connection connection) throws SQLException {
        boolean taken = false;
        try {
            taken = Replication.takesChanges(connection);
            return taken ? Optional.of(connection) : Optional.empty();
        } finally {
            if (!taken) {
                connection.close();
            }
        }
    }

    @Override
    public PrintWriter getLogWriter() throws SQLException {
        return databases.get(0).getLogWriter();
    }

    @Override
    public void setLogWriter(PrintWriter writer) throws SQLException {
        for (DataSource database : databases) {
            database.setLogWriter(writer);
        }
    }

    @Override
    public void setLoginTimeout(int seconds) throws SQLException {
        for (DataSource database : databases) {
            database.setLoginTimeout(seconds);
        }
    }

    @Override
    public int getLoginTimeout() throws SQLException {
        return databases.get(0).getLoginTimeout();
    }

    @Override
    public Logger getParentLogger() throws SQLFeatureNotSupportedException {
        throw new SQLFeatureNotSupportedException("It logs by SLF4J.");
    }

    @Override
    public <T> T unwrap(Class<T> type) throws SQLException {
        return databases.get(last.get()).unwrap(type);
    }

    @Override
    public boolean isWrapperFor(Class<?> type) throws SQLException {
        return databases.get(last.get()).isWrapperFor(type);
    }
}
</#if>
