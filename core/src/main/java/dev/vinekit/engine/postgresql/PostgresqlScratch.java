package dev.vinekit.engine.postgresql;

import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engine;
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
 * Databases on a server of our own, which comes from the class path, starts with the first scratch database and stops
 * with the process; or on a server of the caller's.
 */
final class PostgresqlScratch {
    private PostgresqlScratch() {
    }

    static ScratchDatabase onOwnServer(Engine engine) throws SQLException {
        return create(engine, "jdbc:postgresql://localhost:" + Server.INSTANCE.getPort() + "/postgres",
                "postgres", "postgres");
    }

    static ScratchDatabase on(Engine engine, Database server) throws SQLException {
        return create(engine, server.url(), server.user(), server.password());
    }

    private static ScratchDatabase create(Engine engine, String url, String user, String password)
            throws SQLException {
        String name = "scratch_" + UUID.randomUUID().toString().replace("-", "");
        administer(url, user, password, "CREATE DATABASE " + name);
        return new ScratchDatabase(engine, url.replaceFirst("^(jdbc:postgresql:(?://[^/?]*/)?)[^?]*", "$1" + name),
                user, password,
                () -> administer(url, user, password, "DROP DATABASE IF EXISTS " + name + " WITH (FORCE)"));
    }

    private static void administer(String url, String user, String password, String sql) throws SQLException {
        try (Connection connection = DriverManager.getConnection(url, user, password);
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
