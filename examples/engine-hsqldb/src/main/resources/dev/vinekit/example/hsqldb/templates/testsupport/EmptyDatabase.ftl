import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.UUID;

/**
 * An empty database in memory, gone when it is closed. Scripts run in it as a user who owns its tables, but may not call
 * Java, or read or write files.
 */
final class EmptyDatabase implements AutoCloseable {
    private final String password = UUID.randomUUID().toString();
    private final Connection administrator;

    EmptyDatabase() {
        try {
            administrator = DriverManager.getConnection(url(), "SA", UUID.randomUUID().toString());
            try (Statement statement = administrator.createStatement()) {
                statement.execute("CREATE USER " + user() + " PASSWORD '" + password + "'");
                statement.execute("CREATE ROLE OWNERS");
                statement.execute("GRANT OWNERS TO " + user());
                statement.execute("CREATE SCHEMA TABLES AUTHORIZATION OWNERS");
                statement.execute("ALTER USER " + user() + " SET INITIAL SCHEMA TABLES");
            }
        } catch (SQLException e) {
            throw new IllegalStateException("The database for the tests could not be made.", e);
        }
    }

    String url() {
        return "jdbc:hsqldb:mem:test";
    }

    String user() {
        return "TESTS";
    }

    String password() {
        return password;
    }

    @Override
    public void close() {
        try (administrator; Statement statement = administrator.createStatement()) {
            statement.execute("SHUTDOWN");
        } catch (SQLException e) {
            throw new IllegalStateException("The database of the tests could not be closed.", e);
        }
    }
}
