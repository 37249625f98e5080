package dev.vinekit.cli;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.engine.Engine;
import dev.vinekit.engine.Engines;
import dev.vinekit.engine.ScratchDatabase;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Whatever happens to a run of the tests, the database that was inspected stays as it is, and nothing is left lying
 * about.
 */
@Tag("thorough")
class WrongDatabaseTest {
    private static final String SCRIPT = """
            CREATE TABLE press (id INTEGER PRIMARY KEY, name VARCHAR(20) NOT NULL UNIQUE);
            CREATE TABLE pressing (
                id INTEGER PRIMARY KEY, press_id INTEGER NOT NULL REFERENCES press (id), litres INTEGER CHECK (litres > 0));
            INSERT INTO press (id, name) VALUES (1, 'Basket'), (2, 'Screw');
            INSERT INTO pressing (id, press_id, litres) VALUES (1, 1, 300), (2, 2, NULL), (3, 2, 120);
            """;

    @TempDir
    private Path directory;

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "sqlite"})
    void inspectedDatabaseStaysAsItIsAndScratchDatabasesGo(String engineName) throws Exception {
        Assumptions.assumeTrue(!engineName.equals("mariadb") || System.getProperty("os.name").startsWith("Linux"),
                "There is no MariaDB server to be fetched here.");
        Engine engine = Engines.named(engineName);
        Path temporary = Files.createDirectory(directory.resolve("temporary"));
        try (ScratchDatabase inspected = engineName.equals("h2")
                ? new ScratchDatabase(engine, "jdbc:h2:" + directory.resolve("presses") + ";AUTO_SERVER=TRUE", "sa",
                        "", () -> { })
                : engine.scratch()) {
            inspected.execute(SCRIPT);
            List<String> before = rows(inspected);
            Tool tool = new Tool(directory);
            Map<String, String> environment = Map.of("PRESS_PASSWORD", inspected.password(),
                    "JAVA_TOOL_OPTIONS", "-Djava.io.tmpdir=" + temporary);
            String[] test = {"test", "--dir", "presses-service", "--url", inspected.url(), "--user", inspected.user(),
                "--password-env", "PRESS_PASSWORD"};
            Tool.Result generated = tool.run(environment, "generate", "--dir", "presses-service", "--url",
                    inspected.url(),
                    "--user", inspected.user(), "--password-env", "PRESS_PASSWORD");
            assertThat(generated.exit()).as(generated.err()).isZero();

            halfWay(tool, environment, engineName, temporary, test).destroyForcibly().waitFor();
            assertThat(rows(inspected)).isEqualTo(before);

            Path out = directory.resolve("out");
            Path err = directory.resolve("err");
            int exit = tool.start(environment, out, err, test).waitFor();

            assertThat(exit).as(Files.readString(err)).isZero();
            assertThat(out).content().contains(" passed, 0 failed");
            assertThat(rows(inspected)).isEqualTo(before);
            assertThat(left(temporary)).isEmpty();

            Process interrupted = halfWay(tool, environment, engineName, temporary, test);
            interrupted.destroy();
            interrupted.waitFor();

            assertThat(rows(inspected)).isEqualTo(before);
            assertThat(left(temporary)).isEmpty();
            assertThat(ProcessHandle.allProcesses().filter(process ->
                    process.info().commandLine().filter(line -> line.contains(temporary.toString())).isPresent()))
                    .isEmpty();
        }
    }

    /** The tool, while it tests. */
    private Process halfWay(Tool tool, Map<String, String> environment, String engineName, Path temporary,
            String... test)
            throws IOException, InterruptedException {
        Path progress = directory.resolve("progress");
        Files.deleteIfExists(progress);
        Process process = tool.start(environment, directory.resolve("out"), progress, test);
        await(() -> Files.exists(progress) && Files.readString(progress).contains("compile"));
        await(() -> engineName.equals("h2") || !left(temporary).isEmpty());
        Thread.sleep(700);
        return process;
    }

    @FunctionalInterface
    private interface Condition {
        boolean holds() throws IOException;
    }

    private static void await(Condition condition) throws IOException, InterruptedException {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(60);
        while (!condition.holds()) {
            assertThat(System.nanoTime()).isLessThan(end);
            Thread.sleep(20);
        }
    }

    /** The folders of scratch databases and of their servers. */
    private static List<Path> left(Path temporary) throws IOException {
        try (Stream<Path> files = Files.list(temporary)) {
            return files.filter(file -> file.getFileName().toString().startsWith("vinekit-")).toList();
        }
    }

    private static List<String> rows(ScratchDatabase database) throws SQLException {
        List<String> rows = new ArrayList<>();
        try (Connection connection = database.connect(); Statement statement = connection.createStatement()) {
            for (String table : List.of("press", "pressing")) {
                try (ResultSet row = statement.executeQuery("SELECT * FROM " + table + " ORDER BY id")) {
                    while (row.next()) {
                        rows.add(table + " " + row.getObject(1) + " " + row.getObject(2)
                                + (row.getMetaData().getColumnCount() > 2 ? " " + row.getObject(3) : ""));
                    }
                }
            }
        }
        return rows;
    }
}
