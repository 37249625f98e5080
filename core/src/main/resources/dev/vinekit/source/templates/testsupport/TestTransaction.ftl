import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import org.junit.jupiter.api.extension.AfterEachCallback;
import org.junit.jupiter.api.extension.BeforeEachCallback;
import org.junit.jupiter.api.extension.ExtensionContext;

/** Gives each test a transaction, and takes back whatever the test did in it. */
public final class TestTransaction implements BeforeEachCallback, AfterEachCallback {
    private final List<Tables> withoutTransactions;
    private Connection connection;

    /**
     * For tests that write.
     *
     * @param withoutTransactions the tables among those written to on which a rollback has no effect
     */
    public TestTransaction(Tables... withoutTransactions) {
        this.withoutTransactions = List.of(withoutTransactions);
    }

    @Override
    public void beforeEach(ExtensionContext context) throws SQLException {
        connection = TestDatabase.of(context).begin();
    }

    public Connection connection() {
        return connection;
    }

    @Override
    public void afterEach(ExtensionContext context) throws SQLException {
        if (connection == null) {
            return; // it did not begin, and the test has not run
        }
        connection.rollback();
        connection.setAutoCommit(true);
        TestDatabase.of(context).restore(withoutTransactions);
        Numbers.restart();
    }
}
