package dev.vinekit.cli;

import java.io.DataInputStream;
import java.io.DataOutputStream;
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
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;

/**
 * Runs the tool in a process of its own, as a person would. Commands with the same environment share one, for starting
 * it takes longer than most of what it does.
 */
final class Tool implements AutoCloseable {
    private static final List<String> JAVA = List.of(
            Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-XX:TieredStopAtLevel=1",
            "-XX:+UseSerialGC", "-Dvinekit.unicode=true", "-Dfile.encoding=UTF-8", "-cp");

    private static final int MINUTES = 3;

    private final Path directory;
    private final Map<Map<String, String>, Process> hosts = new HashMap<>();

    /** Runs in this directory. */
    Tool(Path directory) {
        this.directory = directory;
    }

    /** How a run ended. */
    record Result(int exit, String out, String err) {
    }

    Result run(String... arguments) throws IOException {
        return run(Map.of(), arguments);
    }

    /** Runs a command where these variables are set as well. */
    Result run(Map<String, String> environment, String... arguments) throws IOException {
        Process host = host(environment);
        DataOutputStream commands = new DataOutputStream(host.getOutputStream());
        commands.write(arguments.length);
        for (String argument : arguments) {
            commands.writeUTF(argument);
        }
        commands.flush();
        CompletableFuture<Process> late = host.onExit().orTimeout(MINUTES, TimeUnit.MINUTES);
        late.exceptionally(e -> e instanceof TimeoutException ? host.destroyForcibly() : host);
        Result result = ToolHost.read(new DataInputStream(host.getInputStream()));
        late.cancel(false);
        return result;
    }

    private Process host(Map<String, String> environment) throws IOException {
        Process host = hosts.get(environment);
        if (host == null) {
            ProcessBuilder builder = new ProcessBuilder(command(":" + Path.of("target/test-classes").toAbsolutePath(),
                    ToolHost.class.getName())).directory(directory.toFile())
                    .redirectError(ProcessBuilder.Redirect.INHERIT);
            builder.environment().putAll(environment);
            host = builder.start();
            hosts.put(environment, host);
        }
        return host;
    }

    /** Starts without waiting for the end. */
    Process start(Map<String, String> environment, Path out, Path err, String... arguments) throws IOException {
        List<String> command = command("", VineKitCommand.class.getName());
        command.addAll(List.of(arguments));
        ProcessBuilder builder = new ProcessBuilder(command).directory(directory.toFile())
                .redirectOutput(out.toFile()).redirectError(err.toFile());
        builder.environment().putAll(environment);
        return builder.start();
    }

    private static List<String> command(String more, String mainClass) throws IOException {
        List<String> command = new ArrayList<>(JAVA);
        command.add(Path.of("target/vinekit-cli-0.1.0-SNAPSHOT.jar").toAbsolutePath() + ":"
                + Files.readString(Path.of("target/classpath")).strip() + more);
        command.add(mainClass);
        return command;
    }

    /** Ends the processes that commands share. */
    @Override
    public void close() {
        hosts.values().forEach(Process::destroy);
    }

    /** Makes a database file and gives its URL. */
    String database(String script) throws SQLException {
        String url = "jdbc:h2:" + directory.resolve("orchard");
        try (Connection connection = DriverManager.getConnection(url, "sa", "pressed");
                Statement statement = connection.createStatement()) {
            statement.execute(script);
        }
        return url;
    }
}
