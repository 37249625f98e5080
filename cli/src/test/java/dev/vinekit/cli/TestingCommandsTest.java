package dev.vinekit.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What {@code test} leaves behind, and how it goes on. */
class TestingCommandsTest {
    @TempDir
    private Path directory;

    private Tool tool;

    @AfterEach
    void end() {
        tool.close();
    }

    @BeforeEach
    void open() {
        tool = new Tool(directory);
    }

    private void generate() throws Exception {
        Path script = Files.writeString(directory.resolve("presses.sql"), """
                CREATE TABLE press (id INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY, name VARCHAR(20) NOT NULL UNIQUE);
                CREATE TABLE pressing (id INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY, press_id INT NOT NULL REFERENCES press (id));
                """);
        assertThat(tool.run("generate", "--script", script.toString(), "--engine", "h2", "--dir", "made").exit())
                .isZero();
    }

    @Test
    void reportAndKeptDatabaseAreThereToLookAt() throws Exception {
        generate();
        Tool.Result result = tool.run("test", "--dir", "made", "--keep-database");

        assertThat(result.exit()).as(result.err()).isZero();
        assertThat(directory.resolve("made/target/vinekit/report/index.html")).content()
                .contains("passed, 0 failed", "press");
        assertThat(directory.resolve("made/target/vinekit/report/TEST-PressControllerTest.xml")).exists();
        Matcher kept = Pattern.compile("The database is kept: (jdbc:h2:\\S+),").matcher(result.out());
        assertThat(kept.find()).as(result.out()).isTrue();
        try (Connection connection = DriverManager.getConnection(kept.group(1), "sa", "");
                Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery("SELECT COUNT(*) FROM pressing")) {
            row.next();
            assertThat(row.getInt(1)).isEqualTo(5);
        }
        assertThat(tool.run("test", "--dir", "made").err()).contains("none changed");
    }

    @Test
    void changesAreWatchedAndWhatTheyTouchIsTestedAgain() throws Exception {
        generate();
        Path out = directory.resolve("out");
        Process watching = tool.start(Map.of(), out, directory.resolve("err"), "test", "--dir", "made", "--watch");
        try {
            await(out, "Watching src and vinekit.yaml in made");
            int before = Files.readString(out).length();
            Path repository =
                    directory.resolve("made/src/main/java/com/example/made/repository/PressingRepository.java");
            String text = Files.readString(repository);
            assertThat(text).contains("deleteWhere(connection, BY_KEY, id)");
            Files.writeString(repository, text.replace("deleteWhere(connection, BY_KEY, id)", "deleteWhere(connection, BY_KEY, -id)"));
            await(out, "PressingRepositoryTest.deleteRemovesTheRowAndNoOther");
            assertThat(Files.readString(out).substring(before)).doesNotContain("the service as a whole: \u2713");

            int broken = Files.readString(out).length();
            Files.writeString(repository, text);
            await(out, broken, " passed, 0 failed");

            int green = Files.readString(out).length();
            Path seed = directory.resolve("made/src/main/resources/db/seed.sql");
            Files.writeString(seed, Files.readString(seed) + "INSERT INTO press (name) VALUES ('By hand');\n");
            await(out, green, "held its 11 seed rows again");
        } finally {
            watching.destroyForcibly().waitFor();
        }
    }

    @Test
    void optionsThatDoNotGoTogetherAreNamed() throws Exception {
        Tool.Result result = tool.run("test", "--dir", "made", "--watch", "--on", "jdbc:h2:mem:any");

        assertThat(result.exit()).isEqualTo(2);
        assertThat(result.err()).contains("--watch", "--on", "do not go together");
    }

    private static void await(Path out, String text) throws Exception {
        await(out, 0, text);
    }

    private static void await(Path out, int from, String text) throws Exception {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(90);
        while (!Files.readString(out).substring(from).contains(text)) {
            assertThat(System.nanoTime()).as(Files.readString(out)).isLessThan(end);
            Thread.sleep(100);
        }
    }
}
