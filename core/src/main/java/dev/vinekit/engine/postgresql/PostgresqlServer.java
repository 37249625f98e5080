package dev.vinekit.engine.postgresql;

import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.engine.FreePort;
import dev.vinekit.engine.ScratchFolder;
import dev.vinekit.engine.UserCache;
import dev.vinekit.fault.Fault;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.IOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.regex.Pattern;

/**
 * A server of our own, which comes from the class path, starts when it is first asked for and stops with the process.
 * Nothing on it has to outlive a crash. Scripts of others run on it: they have a role that owns its databases and may
 * not touch files, run programs or reach other servers. Nobody gets in without its passwords, which are made for this
 * one run.
 */
final class PostgresqlServer {
    /** Owns the scratch databases; it is no superuser. */
    static final String ROLE = "vinekit";

    private static final Pattern HARMLESS =
            Pattern.compile(
                    "(?is)CREATE\\s+EXTENSION\\s+(?:IF NOT EXISTS\\s+)?\"?(?:bloom|earthdistance|dict_xsyn|intagg)\"?"
            + "(?:\\s+(?:WITH\\s+)?SCHEMA\\s+(?:\\w+|\"[^\"]+\"))?(?:\\s+CASCADE)?");

    private static PostgresqlServer instance;

    private final int port;
    private final String password;
    private final String superuserPassword;

    private PostgresqlServer(int port, String password, String superuserPassword) {
        this.port = port;
        this.password = password;
        this.superuserPassword = superuserPassword;
    }

    /**
     * The server.
     *
     * @throws Fault if it does not start
     */
    static synchronized PostgresqlServer running() throws SQLException {
        if (instance == null) {
            instance = start();
        }
        return instance;
    }

    String url() {
        return "jdbc:postgresql://localhost:" + port + "/postgres";
    }

    String password() {
        return password;
    }

    /** Makes extensions that only a superuser may make, and that give no way to files, programs or other servers. */
    ScratchDatabase.Help helpFor(String database) {
        return statement -> {
            boolean harmless = HARMLESS.matcher(statement).matches();
            if (harmless) {
                try (Connection connection = DriverManager.getConnection(database, "postgres", superuserPassword);
                        Statement creation = connection.createStatement()) {
                    creation.execute(statement);
                }
            }
            return harmless;
        };
    }

    /** The password of the superuser, {@code postgres}. */
    String superuserPassword() {
        return superuserPassword;
    }

    private static PostgresqlServer start() throws SQLException {
        try {
            Path programs = UserCache.folder("postgresql").resolve("programs");
            Path folder = ScratchFolder.ofServer("vinekit-postgresql-").path();
            String secret = ScratchFolder.password();
            EmbeddedPostgres server;
            try {
                server = started(programs, folder, secret);
            } catch (ExceptionInInitializerError e) {
                removeUnfinished(programs);
                server = started(programs, folder, secret);
            }
            PostgresqlServer running = new PostgresqlServer(server.getPort(), ScratchFolder.password(), secret);
            try (Connection connection = DriverManager.getConnection(running.url(), "postgres", secret);
                    Statement statement = connection.createStatement()) {
                statement.execute("CREATE ROLE " + ROLE + " LOGIN CREATEDB PASSWORD '" + running.password + "'");
            }
            return running;
        } catch (IOException e) {
            throw Fault.inWorld("The PostgreSQL server for scratch databases did not start: " + e.getMessage(),
                    "Check that the temporary directory may be written to, and the user's cache folder executed from.",
                    e);
        }
    }

    private static EmbeddedPostgres started(Path programs, Path folder, String secret) throws IOException {
        Path file = Files.writeString(folder.resolve("secret"), secret);
        return EmbeddedPostgres.builder()
                .setPort(FreePort.find())
                .setOverrideWorkingDirectory(programs.toFile())
                .setDataDirectory(folder.resolve("data"))
                .setCleanDataDirectory(false)
                .setLocaleConfig("auth-host", "scram-sha-256")
                .setLocaleConfig("auth-local", "scram-sha-256")
                .setLocaleConfig("pwfile", file.toString())
                .setConnectConfig("password", secret)
                .setServerConfig("unix_socket_directories", folder.toString())
                .setServerConfig("autovacuum", "off")
                .setServerConfig("fsync", "off")
                .setServerConfig("synchronous_commit", "off")
                .setServerConfig("full_page_writes", "off")
                .start();
    }

    /** Removes programs that a process was killed while unpacking: they are not complete, and in the way. */
    private static void removeUnfinished(Path programs) throws IOException {
        try (DirectoryStream<Path> folders = Files.newDirectoryStream(programs, "PG-*")) {
            for (Path folder : folders) {
                if (!Files.exists(folder.resolve(".exists"))) {
                    ScratchFolder.remove(folder);
                }
            }
        }
    }
}
