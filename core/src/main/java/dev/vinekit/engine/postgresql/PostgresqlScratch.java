package dev.vinekit.engine.postgresql;

import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engine;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.engine.ScratchFolder;
import dev.vinekit.engine.ScratchServer;
import dev.vinekit.fault.Fault;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.IOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;

/**
 * Databases on a server of our own, which comes from the class path, starts with the first scratch database and stops
 * with the process; or on a server of the caller's.
 */
final class PostgresqlScratch {
    private static final String UNCONNECTED = """
            SELECT datname FROM pg_database
            WHERE datdba = (SELECT oid FROM pg_roles WHERE rolname = current_user)
              AND datname NOT IN (SELECT datname FROM pg_stat_activity WHERE datname IS NOT NULL)
            """;

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
        return new ScratchServer(url, user, password, UNCONNECTED, "DROP DATABASE IF EXISTS %s WITH (FORCE)").database(engine, name ->
                url.replaceFirst("^(jdbc:postgresql:(?://[^/?]*/)?)[^?]*", "$1" + name));
    }

    /** Starts when it is first asked for. Nothing on it has to outlive a crash. */
    private static final class Server {
        static final EmbeddedPostgres INSTANCE = start();

        private static EmbeddedPostgres start() {
            try {
                try {
                    return started();
                } catch (ExceptionInInitializerError e) {
                    removeUnfinished();
                    return started();
                }
            } catch (IOException e) {
                throw Fault.inWorld("The PostgreSQL server for scratch databases did not start: " + e.getMessage(),
                        "Check that the temporary directory may be written and executed from.", e);
            }
        }

        /** Removes programs that a process was killed while unpacking: they are not complete, and in the way. */
        private static void removeUnfinished() throws IOException {
            Path programs = Path.of(System.getProperty("java.io.tmpdir"), "embedded-pg");
            try (DirectoryStream<Path> folders = Files.newDirectoryStream(programs, "PG-*")) {
                for (Path folder : folders) {
                    if (!Files.exists(folder.resolve(".exists"))) {
                        ScratchFolder.remove(folder);
                    }
                }
            }
        }

        private static EmbeddedPostgres started() throws IOException {
            return EmbeddedPostgres.builder()
                    .setDataDirectory(ScratchFolder.ofServer("vinekit-postgresql-").path().resolve("data"))
                    .setCleanDataDirectory(false)
                    .setServerConfig("fsync", "off")
                    .setServerConfig("synchronous_commit", "off")
                    .setServerConfig("full_page_writes", "off")
                    .start();
        }
    }
}
