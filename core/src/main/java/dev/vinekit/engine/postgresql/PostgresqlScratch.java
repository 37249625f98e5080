package dev.vinekit.engine.postgresql;

import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.fault.Fault;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.IOException;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.UUID;

/**
 * A database of its own on a server of our own, which comes from the class path, starts with the first scratch database
 * and stops with the process.
 */
final class PostgresqlScratch implements ScratchDatabase {
    private final String name;

    private PostgresqlScratch(String name) {
        this.name = name;
    }

    static ScratchDatabase create() throws SQLException {
        PostgresqlScratch scratch = new PostgresqlScratch("scratch_" + UUID.randomUUID().toString().replace("-", ""));
        administer("CREATE DATABASE " + scratch.name);
        return scratch;
    }

    @Override
    public String url() {
        return "jdbc:postgresql://localhost:" + Server.INSTANCE.getPort() + "/" + name;
    }

    @Override
    public String user() {
        return "postgres";
    }

    @Override
    public String password() {
        return "postgres";
    }

    @Override
    public void execute(String script) throws SQLException {
        try (Connection connection = connect(); Statement statement = connection.createStatement()) {
            statement.execute(script);
        }
    }

    @Override
    public Connection connect() throws SQLException {
        return DriverManager.getConnection(url(), user(), password());
    }

    @Override
    public void close() throws SQLException {
        administer("DROP DATABASE IF EXISTS " + name + " WITH (FORCE)");
    }

    private static void administer(String sql) throws SQLException {
        try (Connection connection = Server.INSTANCE.getPostgresDatabase().getConnection();
                Statement statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }

    /** Starts when it is first asked for. Nothing on it has to outlive a crash. */
    private static final class Server {
        static final EmbeddedPostgres INSTANCE = start();

        private static EmbeddedPostgres start() {
            try {
                return EmbeddedPostgres.builder()
                        .setServerConfig("fsync", "off")
                        .setServerConfig("synchronous_commit", "off")
                        .setServerConfig("full_page_writes", "off")
                        .start();
            } catch (IOException e) {
                throw Fault.inWorld("The PostgreSQL server for scratch databases did not start: " + e.getMessage(),
                        "Check that the temporary directory may be written and executed from.", e);
            }
        }
    }
}
