package dev.vinekit.distribution;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The way of the README with a database of one's own, as a person would type it. */
class FiveMinutesIT {
    private static final Path README = Path.of("../README.md");
    private static final Path SCRIPTS = Path.of("../examples/cellar-service/src/main/resources/db");
    private static final String PASSWORD = "corked";
    private static final Pattern ADDRESS = Pattern.compile("http://localhost:\\d+/api");

    @Test
    void wayOfTheReadmeEndsWithAServiceThatAnswers(@TempDir Path directory) throws Exception {
        makeCellar(directory);
        Path archive;
        try (Stream<Path> files = Files.list(Path.of("target"))) {
            archive = files.filter(file -> file.getFileName().toString().endsWith(".tar.gz")).findFirst().orElseThrow();
        }
        run(directory, "tar -xzf '" + archive.toAbsolutePath() + "' && ln -s vinekit-*/bin/vinekit vinekit");
        List<String> typed = commands();
        assertThat(typed).hasSizeGreaterThan(5).first().isEqualTo("export PW=...");
        String serve = typed.get(typed.size() - 1);
        assertThat(serve).contains("./vinekit serve");

        String path = String.join(" &&\n", typed.subList(0, typed.size() - 1)).replace("PW=...", "PW=" + PASSWORD);
        String told = run(directory, path);

        assertThat(told).contains("wine_lot", "Written: service/vinekit.yaml", "Next: vinekit test --dir service",
                " passed, 0 failed");
        Path out = directory.resolve("serving.txt");
        Process serving = new ProcessBuilder("sh", "-c", "export PW=" + PASSWORD + "; exec " + serve + " --port 0")
                .directory(directory.toFile()).redirectErrorStream(true).redirectOutput(out.toFile()).start();
        try {
            HttpResponse<String> lots = HttpClient.newHttpClient().send(
                    HttpRequest.newBuilder(URI.create(address(out, serving) + "/wine-lots")).build(),
                    HttpResponse.BodyHandlers.ofString());
            assertThat(lots.statusCode()).isEqualTo(200);
            assertThat(lots.body()).startsWith("[").contains("vintage");
        } finally {
            serving.destroy();
            assertThat(serving.waitFor(30, TimeUnit.SECONDS)).isTrue();
        }
    }

    /** The example's tables and rows where the README has its database. */
    private static void makeCellar(Path directory) throws Exception {
        String url = "jdbc:h2:" + Files.createDirectories(directory.resolve("data")).resolve("cellar");
        try (Connection connection = DriverManager.getConnection(url, "sa", PASSWORD);
                Statement statement = connection.createStatement()) {
            for (String script : List.of("schema.sql", "seed.sql")) {
                statement.execute("RUNSCRIPT FROM '" + SCRIPTS.resolve(script).toAbsolutePath() + "'");
            }
        }
    }

    /** The indented lines below the heading. */
    private static List<String> commands() throws IOException {
        return Files.readAllLines(README).stream().dropWhile(line -> !line.startsWith("## Five minutes"))
                .dropWhile(line -> !line.startsWith("    ")).takeWhile(line -> line.startsWith("    "))
                .map(String::strip).toList();
    }

    private static String run(Path directory, String script) throws Exception {
        Path out = directory.resolve("out.txt");
        Process process = new ProcessBuilder("sh", "-c", script).directory(directory.toFile()).redirectErrorStream(true)
                .redirectOutput(out.toFile()).start();
        assertThat(process.waitFor(5, TimeUnit.MINUTES)).isTrue();
        String told = Files.readString(out);
        assertThat(process.exitValue()).as(told).isZero();
        return told;
    }

    private static String address(Path out, Process serving) throws Exception {
        for (int i = 0; i < 600 && serving.isAlive(); i++) {
            Matcher address = ADDRESS.matcher(Files.readString(out));
            if (address.find()) {
                return address.group();
            }
            TimeUnit.MILLISECONDS.sleep(100);
        }
        throw new AssertionError("no address: " + Files.readString(out));
    }
}
