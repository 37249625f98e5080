package dev.vinekit.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;

/** Commands in an empty directory, and a small database with an orchard in it. */
abstract class OrchardCommands {
    static final Map<String, String> PASSWORD = Map.of("ORCHARD_PASSWORD", "pressed");
    private static final String SCRIPT = """
            CREATE TABLE tree (
                id INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                label VARCHAR(20) NOT NULL UNIQUE,
                planted_on DATE
            );
            CREATE TABLE picking (
                id INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                tree_id INT NOT NULL REFERENCES tree (id),
                kilos NUMERIC(6, 2) NOT NULL CHECK (kilos > 0)
            );
            CREATE TABLE note (text VARCHAR(200));
            INSERT INTO tree (label, planted_on) VALUES ('Old \u001b[31mred', DATE '1999-04-01');
            COMMENT ON TABLE tree IS 'An apple tree';
            """;

    @TempDir
    static Path directory;

    /** One for all, for starting it takes longer than most commands. */
    static Tool tool;

    String url;

    @BeforeAll
    static void open() {
        tool = new Tool(directory);
    }

    @AfterAll
    static void end() {
        tool.close();
    }

    @BeforeEach
    void makeDatabase() throws Exception {
        url = tool.database(SCRIPT);
    }

    @AfterEach
    void sweep() throws IOException {
        try (Stream<Path> files = Files.walk(directory)) {
            for (Path file : files.sorted(Comparator.reverseOrder()).filter(file -> !file.equals(directory)).toList()) {
                Files.delete(file);
            }
        }
    }

    /** A command on the database. */
    final String[] source(String command, String... more) {
        return Stream.concat(
                Stream.of(command, "--url", url, "--user", "sa", "--password-env", "ORCHARD_PASSWORD"),
                Stream.of(more)).toArray(String[]::new);
    }
}
