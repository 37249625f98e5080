package com.example.cellar.support;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.ServiceLoader;
import org.junit.jupiter.api.extension.AfterAllCallback;
import org.junit.jupiter.api.extension.AfterEachCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.BeforeEachCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.TestExecutionExceptionHandler;

/** The running service on the test database; takes away the rows that each test adds. */
public final class ServiceUnderTest
        implements BeforeAllCallback, BeforeEachCallback, TestExecutionExceptionHandler, AfterEachCallback,
                AfterAllCallback {
    private final List<Tables> tables;
    private List<Tables> touched;
    private Running running;

    private ServiceUnderTest(List<Tables> tables) {
        this.tables = tables;
        touched = tables;
    }

    /**
     * For tests that write to these tables, or to those that the facts of a table name.
     *
     * @param tables each after those that it refers to
     */
    public static ServiceUnderTest touching(Tables... tables) {
        return new ServiceUnderTest(List.of(tables));
    }

    /** Starts the service unless another class of tests has done so. */
    @Override
    public void beforeAll(ExtensionContext context) {
        TestDatabase database = TestDatabase.of(context);
        running = context.getRoot().getStore(ExtensionContext.Namespace.GLOBAL)
                .getOrComputeIfAbsent(Running.class, key -> Running.on(database), Running.class);
    }

    public Api api() {
        return new Api(running.service.url());
    }

    /** A connection of the test's own, on which everything takes effect at once. */
    public Connection connection() {
        return running.connection;
    }

    @Override
    public void beforeEach(ExtensionContext context) {
        Exchanges.begin();
        touched = context.getRequiredTestInstance() instanceof TableContract<?> test ? test.facts().touched() : tables;
    }

    @Override
    public void handleTestExecutionException(ExtensionContext context, Throwable failure) throws Throwable {
        throw Exchanges.told(failure);
    }

    @Override
    public void afterEach(ExtensionContext context) throws SQLException {
        if (!Exchanges.all().isEmpty()) {
            context.publishReportEntry("exchanges", Exchanges.all());
        }
        TestDatabase.of(context).restore(touched);
    }

    @Override
    public void afterAll(ExtensionContext context) throws SQLException {
        TestDatabase.of(context).assertUnchanged(touched);
    }

    private record Running(ServiceStarter.Started service, Connection connection) implements AutoCloseable {
        static Running on(TestDatabase database) {
            Exchanges.listen();
            try {
                Connection connection = database.connect();
                return new Running(starter().start(Map.of(
                        "DB_URL", database.url(), "DB_USER", database.user(), "DB_PASSWORD", database.password(),
                        "DB_POOL_SIZE", "4", "HTTP_PORT", "0")), connection);
            } catch (SQLException e) {
                throw new IllegalStateException("The test database does not answer.", e);
            }
        }

        private static ServiceStarter starter() {
            return ServiceLoader.load(ServiceStarter.class, ServiceStarter.class.getClassLoader()).findFirst()
                    .orElse(settings -> new OwnServer(Server.start(Settings.from(settings))));
        }

        @Override
        public void close() throws SQLException {
            service.close();
            connection.close();
        }
    }

    private record OwnServer(Server server) implements ServiceStarter.Started {
        @Override
        public String url() {
            return server.url();
        }

        @Override
        public void close() {
            server.close();
        }
    }
}
