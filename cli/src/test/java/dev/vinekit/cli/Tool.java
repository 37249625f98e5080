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
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;

/**
 * Runs the tool in a process of its own, as a person would. Commands with the usual environment share one, for starting
 * it takes longer than most of what it does.
 */
final class Tool implements AutoCloseable {
    private static final List<String> JAVA = List.of(
            Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-XX:TieredStopAtLevel=1",
            "-XX:+UseSerialGC", "-Dvinekit.unicode=true", "-Dfile.encoding=UTF-8", "-cp");

    private static final int MINUTES = 3;

    private final Path directory;
    private Process host;

    /** Runs in this directory. */
    Tool(Path directory) {
        this.directory = directory;
    }

    /** How a run ended. */
    record Result(int exit, String out, String err) {
    }

    Result run(String... arguments) throws IOException, InterruptedException {
        if (host == null) {
            host = new ProcessBuilder(command(":" + Path.of("target/test-classes").toAbsolutePath(),
                    ToolHost.class.getName())).directory(directory.toFile())
                    .redirectError(ProcessBuilder.Redirect.INHERIT).start();
        }
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

    Result run(Map<String, String> environment, String... arguments) throws IOException, InterruptedException {
        Path out = Files.createTempFile("out", ".txt");
        Path err = Files.createTempFile("err", ".txt");
        Process process = start(environment, out, err, arguments);
        if (!process.waitFor(MINUTES, TimeUnit.MINUTES)) {
            process.destroyForcibly();
            throw new IllegalStateException("did not end: " + String.join(" ", arguments));
        }
        Result result = new Result(process.exitValue(), Files.readString(out), Files.readString(err));
        Files.delete(out);
        Files.delete(err);
        return result;
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

    /** Ends the process that commands share. */
    @Override
    public void close() {
        if (host != null) {
            host.destroy();
        }
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
