package dev.vinekit.engine.mariadb;

import dev.vinekit.engine.FreePort;
import dev.vinekit.engine.ScratchFolder;
import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A server of our own on a temporary data directory, from the server program that is installed here. It starts when it
 * is first asked for, and goes with its data when the process ends. Scripts of others run on it, as a user who owns its
 * databases and may not touch files or reach other servers. Nobody gets in without the passwords, which are made for
 * this one run.
 */
final class MariadbServer {
    private static final List<String> FOLDERS =
            List.of("/usr/sbin", "/usr/bin", "/usr/local/bin", "/usr/local/sbin", "/usr/libexec", "/opt/homebrew/bin");
    private static final int SECONDS = 30;
    private static final Pattern CREATION =
            Pattern.compile("(?i)CREATE\\s+(?:DATABASE|SCHEMA)\\s+(?:IF\\s+NOT\\s+EXISTS\\s+)?`?([\\w$ -]+)`?");
    private static final Set<String> SYSTEM = Set.of("mysql", "sys", "information_schema", "performance_schema");
    private static MariadbServer instance;

    /** Owns the scratch databases, and nothing else. */
    static final String USER = "vinekit";

    private final ScratchFolder folder;
    private final int port;
    private final Process process;
    private final String password;
    private final String rootPassword;

    private MariadbServer(ScratchFolder folder, int port, Process process, String password, String rootPassword) {
        this.folder = folder;
        this.port = port;
        this.process = process;
        this.password = password;
        this.rootPassword = rootPassword;
    }

    /**
     * The server.
     *
     * @throws Fault if no server program is installed, or it does not start
     */
    static synchronized MariadbServer running() {
        if (instance == null) {
            instance = start();
        }
        return instance;
    }

    /** The URL of the server, without a database. */
    String url() {
        return "jdbc:mariadb://127.0.0.1:" + port + "/?allowLocalInfile=false";
    }

    String password() {
        return password;
    }

    /** The password of the user who may do everything, from this machine only. */
    String rootPassword() {
        return rootPassword;
    }

    /**
     * Lets our user have a database that a definition of several makes; those of the server itself are not to be had.
     */
    boolean allow(String statement) throws SQLException {
        Matcher creation = CREATION.matcher(statement);
        if (creation.lookingAt() && !SYSTEM.contains(creation.group(1).toLowerCase(Locale.ROOT))) {
            try (Connection connection = DriverManager.getConnection(url(), "root", rootPassword);
                    Statement grant = connection.createStatement()) {
                grant.execute("GRANT ALL PRIVILEGES ON `" + creation.group(1).replaceAll("[_%\\\\]", "\\\\$0")
                        + "`.* TO "
                        + USER + "@'127.0.0.1'");
            }
        }
        return false;
    }

    /**
     * Only two users, who come with a password from this machine; ours has no right to files, users or other databases.
     */
    private static Path firstStatements(Path directory, String password, String rootPassword) throws IOException {
        return Files.writeString(directory.resolve("first.sql"), """
                DELETE FROM mysql.global_priv WHERE User <> 'mariadb.sys';
                FLUSH PRIVILEGES;
                CREATE USER root@'127.0.0.1' IDENTIFIED BY '%s';
                GRANT ALL PRIVILEGES ON *.* TO root@'127.0.0.1' WITH GRANT OPTION;
                CREATE USER %s@'127.0.0.1' IDENTIFIED BY '%s';
                GRANT ALL PRIVILEGES ON `vinekit\\_scratch\\_%%`.* TO %s@'127.0.0.1';
                """.formatted(rootPassword, USER, password, USER));
    }

    private static MariadbServer start() {
        try {
            ScratchFolder folder = ScratchFolder.ofServer("vinekit-mariadb-");
            Path directory = folder.path();
            String data = "--datadir=" + directory.resolve("data");
            String user = "--user=" + System.getProperty("user.name");
            Process install = run(directory, program("mariadb-install-db"), "--no-defaults", data, user,
                    "--auth-root-authentication-method=normal", "--skip-test-db");
            if (!install.waitFor(SECONDS, TimeUnit.SECONDS) || install.exitValue() != 0) {
                install.destroyForcibly();
                throw failure("It could not make its data directory", directory);
            }
            int port = FreePort.find();
            String password = ScratchFolder.password();
            String rootPassword = ScratchFolder.password();
            Process process = run(directory, program("mariadbd"), "--no-defaults", data, user, "--port=" + port,
                    "--init-file=" + firstStatements(directory, password, rootPassword), "--local-infile=0",
                    "--skip-symbolic-links",
                    "--secure-file-priv=" + Files.createDirectory(directory.resolve("nothing")),
                    "--bind-address=127.0.0.1", "--socket=" + directory.resolve("socket"),
                    "--pid-file=" + directory.resolve("pid"), "--skip-log-bin", "--skip-name-resolve",
                    "--character-set-server=utf8mb4", "--collation-server=utf8mb4_general_ci",
                    "--innodb-flush-log-at-trx-commit=0", "--innodb-fast-shutdown=2");
            MariadbServer server = new MariadbServer(folder, port, process, password, rootPassword);
            server.await(directory);
            return server;
        } catch (IOException e) {
            throw Fault.inWorld("The MariaDB server for scratch databases did not start: " + e.getMessage(),
                    "Check that the temporary directory may be written to.", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw Fault.inWorld("The MariaDB server for scratch databases did not start in time.", "Try again.", e);
        }
    }

    private static String program(String name) {
        return FOLDERS.stream().map(folder -> Path.of(folder, name)).filter(Files::isExecutable).findFirst()
                .orElseThrow(() -> Fault.inWorld(
                        "MariaDB needs an installed server for scratch databases, and there is no " + name + " here.",
                        Remedy.of(Remedy.Kind.USE_ANOTHER_SERVER, "Install one (on Debian and Ubuntu: apt-get install mariadb-server)"),
                        null))
                .toString();
    }

    /**
     * Its temporary files are in its own directory: a server that starts deletes those of all others in the directory
     * that they share, tables in use among them.
     */
    private static Process run(Path directory, String... command) throws IOException {
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(log(directory).toFile()));
        builder.environment().put("TMPDIR", directory.toString());
        return builder.start();
    }

    private static Path log(Path directory) {
        return directory.resolve("log");
    }

    private void await(Path directory) throws InterruptedException, IOException {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(SECONDS);
        while (System.nanoTime() < end && process.isAlive()) {
            try (Connection connection = DriverManager.getConnection(url(), USER, password)) {
                if (connection.isValid(SECONDS)) {
                    return;
                }
            } catch (SQLException notYet) {
                Thread.sleep(50);
            }
        }
        stop();
        throw failure("It does not answer", directory);
    }

    private static Fault failure(String what, Path directory) throws IOException {
        Path log = log(directory);
        String last = Files.exists(log) ? Files.readString(log).strip().replaceAll("(?s).*\\R", "") : "";
        return Fault.inWorld("The MariaDB server for scratch databases did not start. " + what + ": " + last,
                Remedy.of(Remedy.Kind.USE_ANOTHER_SERVER, "Check that mariadbd runs here"), null);
    }

    private void stop() {
        try {
            folder.close();
        } catch (IOException e) {
            throw new UncheckedIOException("removing " + folder.path(), e);
        }
    }
}
