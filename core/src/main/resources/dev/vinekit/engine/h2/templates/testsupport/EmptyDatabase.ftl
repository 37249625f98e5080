import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.UUID;

/**
 * An empty database in memory, gone when it is closed. Scripts run in it as a user who may make tables, but not call
 * Java, read or write files, or reach other databases.
 */
final class EmptyDatabase implements AutoCloseable {
    private final String password = UUID.randomUUID().toString();
    private final Connection administrator;

    EmptyDatabase() {
        try {
            administrator = DriverManager.getConnection(url(), "sa", UUID.randomUUID().toString());
            try (Statement statement = administrator.createStatement()) {
                statement.execute("CREATE USER tests PASSWORD '" + password + "'");
                statement.execute("GRANT ALTER ANY SCHEMA TO tests");
            }
        } catch (SQLException e) {
            throw new IllegalStateException("The database for the tests could not be made.", e);
        }
    }

    String url() {
        return "jdbc:h2:mem:test";
    }

    String user() {
        return "tests";
    }

    String password() {
        return password;
    }

    @Override
    public void close() {
        try {
            administrator.close();
        } catch (SQLException e) {
            throw new IllegalStateException("The database of the tests could not be closed.", e);
        }
    }
}
