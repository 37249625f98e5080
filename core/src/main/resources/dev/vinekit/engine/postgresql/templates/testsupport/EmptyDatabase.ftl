import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.UUID;

/**
 * An empty database on a PostgreSQL server of the tests' own, which is stopped when it is closed. Scripts run in it as a
 * role that owns it, but may not touch files, run programs or reach other servers. Nobody else gets in: the passwords
 * are new ones.
 */
final class EmptyDatabase implements AutoCloseable {
    private final String password = UUID.randomUUID().toString();
    private final EmbeddedPostgres server;

    EmptyDatabase() {
        try {
            String secret = UUID.randomUUID().toString();
            File file = Files.createTempFile("postgres-", "").toFile();
            Files.writeString(file.toPath(), secret);
            server = EmbeddedPostgres.builder().setServerConfig("fsync", "off")
                    .setOverrideWorkingDirectory(programs())
                    .setLocaleConfig("auth-host", "scram-sha-256").setLocaleConfig("auth-local", "scram-sha-256")
                    .setLocaleConfig("pwfile", file.toString()).setConnectConfig("password", secret)
                    .start();
            Files.delete(file.toPath());
            try (Connection superuser = DriverManager.getConnection(url("postgres"), "postgres", secret);
                    Statement statement = superuser.createStatement()) {
                statement.execute("CREATE ROLE tests LOGIN PASSWORD '" + password + "'");
                statement.execute("CREATE DATABASE tests OWNER tests");
            }
        } catch (IOException e) {
            throw new UncheckedIOException("The PostgreSQL server for the tests did not start.", e);
        } catch (SQLException e) {
            throw new IllegalStateException("The database for the tests could not be made.", e);
        }
    }

    /** Where the server is unpacked once: nobody else can enter the folder, for the library opens its own to all. */
    private static File programs() throws IOException {
        File cache = new File(System.getProperty("user.home"), ".cache/postgresql-of-tests");
        Files.createDirectories(cache.toPath());
        boolean posix = cache.toPath().getFileSystem().supportedFileAttributeViews().contains("posix");
        if (posix && !(cache.setExecutable(false, false) && cache.setExecutable(true, true))) {
            throw new IOException("The folder " + cache + " cannot be kept from others.");
        }
        return new File(cache, "programs");
    }

    private String url(String database) {
        return "jdbc:postgresql://localhost:" + server.getPort() + "/" + database;
    }

    String url() {
        return url("tests");
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
            server.close();
        } catch (IOException e) {
            throw new UncheckedIOException("The PostgreSQL server of the tests did not stop.", e);
        }
    }
}
