package dev.vinekit.cli;

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
import java.util.concurrent.TimeUnit;

/** Runs the tool as a process of its own, as a person would. */
final class Tool {
    private final Path directory;

    /** Runs in this directory. */
    Tool(Path directory) {
        this.directory = directory;
    }

    /** How a run ended. */
    record Result(int exit, String out, String err) {
    }

    Result run(String... arguments) throws IOException, InterruptedException {
        return run(Map.of(), arguments);
    }

    Result run(Map<String, String> environment, String... arguments) throws IOException, InterruptedException {
        Path out = Files.createTempFile("out", ".txt");
        Path err = Files.createTempFile("err", ".txt");
        Process process = start(environment, out, err, arguments);
        if (!process.waitFor(3, TimeUnit.MINUTES)) {
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
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-XX:TieredStopAtLevel=1",
                "-Dvinekit.unicode=true", "-Dfile.encoding=UTF-8",
                "-cp", Path.of("target/vinekit-cli-0.1.0-SNAPSHOT.jar").toAbsolutePath()
                        + ":" + Files.readString(Path.of("target/classpath")).strip(),
                "dev.vinekit.cli.VineKitCommand"));
        command.addAll(List.of(arguments));
        ProcessBuilder builder = new ProcessBuilder(command).directory(directory.toFile())
                .redirectOutput(out.toFile()).redirectError(err.toFile());
        builder.environment().putAll(environment);
        return builder.start();
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
