package dev.vinekit.engine.mysqlfamily;

import dev.vinekit.engine.FreePort;
import dev.vinekit.engine.RunningServer;
import dev.vinekit.engine.ScratchFolder;
import dev.vinekit.engine.ServerTemplate;
import dev.vinekit.engine.StartLimit;
import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import java.io.IOException;
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
    /** For a look whether a connection is alive. */
    private static final int SECONDS = 5;
    private static final int LOOK_MILLIS = 20;
    private static final Pattern CREATION =
            Pattern.compile("(?i)CREATE\\s+(?:DATABASE|SCHEMA)\\s+(?:IF\\s+NOT\\s+EXISTS\\s+)?`?([\\w$ -]+)`?");
    private static final Set<String> SYSTEM = Set.of("mysql", "sys", "information_schema", "performance_schema");
    private static final Map<ServerProgram, FamilyServer> RUNNING = new HashMap<>();

    /** Owns the scratch databases, and nothing else. */
    public static final String USER = "vinekit";

    private final ServerProgram program;
    private final RunningServer server;

    private FamilyServer(ServerProgram program, RunningServer server) {
        this.program = program;
        this.server = server;
    }

    /**
     * The server.
     *
     * @throws Fault if a program is missing, or it does not start
     */
    public static synchronized FamilyServer running(ServerProgram program) {
        return RUNNING.computeIfAbsent(program, key -> new FamilyServer(key,
                RunningServer.lent(key.name()).orElseGet(() -> start(key))));
    }

    /** A server of this process, even where there is one to be lent. */
    public static FamilyServer own(ServerProgram program) {
        return new FamilyServer(program, start(program));
    }

    /** The URL of the server, without a database. */
    public String url() {
        return program.url(server.port());
    }

    public String password() {
        return server.password();
    }

    /** Where it runs, with its passwords: that of root, who may do everything, is its administrator's. */
    public RunningServer server() {
        return server;
    }

    /**
     * Lets our user have a database that a definition of several makes; those of the server itself are not to be had.
     */
    public boolean allow(String statement) throws SQLException {
        Matcher creation = CREATION.matcher(statement);
        if (creation.lookingAt() && !SYSTEM.contains(creation.group(1).toLowerCase(Locale.ROOT))) {
            try (Connection connection = DriverManager.getConnection(url(), "root", server.administratorPassword());
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

    private static RunningServer start(ServerProgram program) {
        try {
            ServerTemplate template = new ServerTemplate(program.name(), program.version() + program.installation());
            try {
                return start(program, template);
            } catch (Fault e) {
                template.discard();
                return start(program, template);
            }
        } catch (IOException e) {
            throw Fault.inWorld(program.subject() + " did not start: " + e.getMessage() + ".",
                    "Check that the temporary directory and the user's cache folder may be written to.", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw Fault.inWorld(program.subject() + " did not start: it was interrupted.", "Try again.", e);
        }
    }

    private static RunningServer start(ServerProgram program, ServerTemplate template)
            throws IOException, InterruptedException {
        ScratchFolder folder = ScratchFolder.ofServer("vinekit-" + program.name() + "-");
        Path directory = folder.path();
        Path data = directory.resolve("data");
        template.copy(data, made -> initialise(program, directory, made));
        RunningServer server = new RunningServer(FreePort.find(), ScratchFolder.password(), ScratchFolder.password());
        Path first = Files.writeString(directory.resolve("first.sql"), program.withoutUsers()
                + firstStatements(server.password(), server.administratorPassword()));
        List<String> options = Stream.concat(common(data).stream(), Stream.of(
                "--port=" + server.port(), "--init-file=" + first, "--local-infile=0", "--skip-symbolic-links",
                "--bind-address=127.0.0.1", "--socket=" + directory.resolve("socket"),
                "--pid-file=" + directory.resolve("pid"), "--skip-log-bin", "--skip-name-resolve",
                "--character-set-server=utf8mb4", "--collation-server=" + program.collation(),
                "--max-connections=1000", "--innodb-flush-log-at-trx-commit=0", "--innodb-fast-shutdown=2")).toList();
        Process process = run(directory, command(program.start(directory), options));
        if (!answers(program, server, new StartLimit(process, log(directory)))) {
            String reason = StartLimit.reason(process, log(directory));
            folder.close();
            throw failure(program, reason);
        }
        return server;
    }

    private static List<String> common(Path data) {
        return List.of("--no-defaults", "--datadir=" + data, "--user=" + System.getProperty("user.name"));
    }

    private static void initialise(ServerProgram program, Path directory, Path data) throws IOException {
        Process install = run(directory, command(program.installation(), common(data)));
        StartLimit limit = new StartLimit(install, log(directory));
        try {
            while (limit.lasts()) {
                Thread.sleep(LOOK_MILLIS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        if (install.isAlive() || install.exitValue() != 0) {
            String reason = StartLimit.reason(install, log(directory));
            install.destroyForcibly();
            throw failure(program, reason);
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

    private static boolean answers(ServerProgram program, RunningServer server, StartLimit limit)
            throws InterruptedException, IOException {
        while (limit.lasts()) {
            try (Connection connection =
                    DriverManager.getConnection(program.url(server.port()), USER, server.password())) {
                if (connection.isValid(SECONDS)) {
                    return true;
                }
            } catch (SQLException notYet) {
                Thread.sleep(LOOK_MILLIS);
            }
        }
        return false;
    }

    private static Fault failure(ServerProgram program, String reason) {
        return Fault.inWorld(program.subject() + " did not start. " + reason,
                Remedy.of(Remedy.Kind.USE_ANOTHER_SERVER,
                        "Check that " + program.installation().get(0) + " runs here"), null);
    }
}
