package dev.vinekit.engine.mysqlfamily;

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
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * A server of our own on a temporary data directory, from a program that is installed or fetched. It starts when it is
 * first asked for, and goes with its data when the process ends. Scripts of others run on it, as a user who owns its
 * databases and may not touch files or reach other servers. Nobody gets in without the passwords, which are made for
 * this one run.
 */
public final class FamilyServer {
    private static final int SECONDS = 30;
    private static final Pattern CREATION =
            Pattern.compile("(?i)CREATE\\s+(?:DATABASE|SCHEMA)\\s+(?:IF\\s+NOT\\s+EXISTS\\s+)?`?([\\w$ -]+)`?");
    private static final Set<String> SYSTEM = Set.of("mysql", "sys", "information_schema", "performance_schema");
    private static final Map<ServerProgram, FamilyServer> RUNNING = new HashMap<>();

    /** Owns the scratch databases, and nothing else. */
    public static final String USER = "vinekit";

    private final ServerProgram program;
    private final ScratchFolder folder;
    private final int port;
    private final Process process;
    private final String password;
    private final String rootPassword;

    private FamilyServer(ServerProgram program, ScratchFolder folder, int port, Process process, String password,
            String rootPassword) {
        this.program = program;
        this.folder = folder;
        this.port = port;
        this.process = process;
        this.password = password;
        this.rootPassword = rootPassword;
    }

    /**
     * The server.
     *
     * @throws Fault if a program is missing, or it does not start
     */
    public static synchronized FamilyServer running(ServerProgram program) {
        return RUNNING.computeIfAbsent(program, FamilyServer::start);
    }

    /** The URL of the server, without a database. */
    public String url() {
        return program.url(port);
    }

    public String password() {
        return password;
    }

    /** The password of the user who may do everything, from this machine only. */
    public String rootPassword() {
        return rootPassword;
    }

    /**
     * Lets our user have a database that a definition of several makes; those of the server itself are not to be had.
     */
    public boolean allow(String statement) throws SQLException {
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
    private static String firstStatements(String password, String rootPassword) {
        return """
                CREATE USER root@'127.0.0.1' IDENTIFIED BY '%s';
                GRANT ALL PRIVILEGES ON *.* TO root@'127.0.0.1' WITH GRANT OPTION;
                CREATE USER %s@'127.0.0.1' IDENTIFIED BY '%s';
                GRANT ALL PRIVILEGES ON `vinekit\\_scratch\\_%%`.* TO %s@'127.0.0.1';
                """.formatted(rootPassword, USER, password, USER);
    }

    private static FamilyServer start(ServerProgram program) {
        try {
            ScratchFolder folder = ScratchFolder.ofServer("vinekit-" + program.name() + "-");
            Path directory = folder.path();
            List<String> common = List.of("--no-defaults", "--datadir=" + directory.resolve("data"),
                    "--user=" + System.getProperty("user.name"));
            Process install = run(directory, command(program.installation(), common));
            if (!install.waitFor(SECONDS, TimeUnit.SECONDS) || install.exitValue() != 0) {
                install.destroyForcibly();
                throw failure(program, "It could not make its data directory", directory);
            }
            int port = FreePort.find();
            String password = ScratchFolder.password();
            String rootPassword = ScratchFolder.password();
            Path first = Files.writeString(directory.resolve("first.sql"), program.withoutUsers()
                    + firstStatements(password, rootPassword));
            Process process = run(directory, command(program.start(directory), Stream.concat(common.stream(), Stream.of(
                    "--port=" + port, "--init-file=" + first, "--local-infile=0", "--skip-symbolic-links",
                    "--bind-address=127.0.0.1", "--socket=" + directory.resolve("socket"),
                    "--pid-file=" + directory.resolve("pid"), "--skip-log-bin", "--skip-name-resolve",
                    "--character-set-server=utf8mb4", "--collation-server=" + program.collation(),
                    "--innodb-flush-log-at-trx-commit=0", "--innodb-fast-shutdown=2")).toList()));
            FamilyServer server = new FamilyServer(program, folder, port, process, password, rootPassword);
            server.await(directory);
            return server;
        } catch (IOException e) {
            throw Fault.inWorld(program.subject() + " did not start: " + e.getMessage(),
                    "Check that the temporary directory may be written to.", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw Fault.inWorld(program.subject() + " did not start in time.", "Try again.", e);
        }
    }

    /** The options that servers read before all others come first. */
    private static List<String> command(List<String> program, List<String> options) {
        List<String> command = new ArrayList<>(program.subList(0, 1));
        command.addAll(options);
        command.addAll(program.subList(1, program.size()));
        return command;
    }

    /**
     * Its temporary files are in its own directory: a server that starts deletes those of all others in the directory
     * that they share, tables in use among them.
     */
    private static Process run(Path directory, List<String> command) throws IOException {
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
        throw failure(program, "It does not answer", directory);
    }

    private static Fault failure(ServerProgram program, String what, Path directory) throws IOException {
        Path log = log(directory);
        String last = Files.exists(log) ? Files.readString(log).strip().replaceAll("(?s).*\\R", "") : "";
        return Fault.inWorld(program.subject() + " did not start. " + what + ": " + last,
                Remedy.of(Remedy.Kind.USE_ANOTHER_SERVER, "Check that " + program.start(directory).get(0) + " runs here"), null);
    }

    private void stop() {
        try {
            folder.close();
        } catch (IOException e) {
            throw new UncheckedIOException("removing " + folder.path(), e);
        }
    }
}
