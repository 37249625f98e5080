import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import org.junit.jupiter.api.extension.AfterEachCallback;
import org.junit.jupiter.api.extension.BeforeEachCallback;
import org.junit.jupiter.api.extension.ExtensionContext;

/** Gives each test a transaction, and takes back whatever the test did in it. */
public final class TestTransaction implements BeforeEachCallback, AfterEachCallback {
    private Connection connection;

    @Override
    public void beforeEach(ExtensionContext context) throws SQLException {
        connection = TestDatabase.of(context).begin();
<#if s.owned || s.signed>
        Caller.beginService(TestTokens.CLAIMS::get);
</#if>
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
        if (context.getRequiredTestInstance() instanceof RepositoryContract<?> test) {
            TestDatabase.of(context).restore(test.withoutTransactions());
        }
        Numbers.restart();
    }
}
