package dev.vinekit.change;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.ChangeFile;
import dev.vinekit.Programs;
import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.SchemaObject;
import dev.vinekit.schema.TableName;
import dev.vinekit.sql.ChangeScript;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Changes that once lost rows, and what a script says of them. */
class ChangeScriptCasesTest {
    private static final String CELLAR = """
            CREATE TABLE vessel (id INTEGER PRIMARY KEY AUTOINCREMENT, code TEXT, volume TEXT);
            CREATE TABLE filling (id INTEGER PRIMARY KEY, vessel_id INTEGER REFERENCES vessel (id) ON DELETE CASCADE);
            CREATE VIEW vessel_code AS SELECT code FROM vessel;
            CREATE TRIGGER filled AFTER INSERT ON filling BEGIN UPDATE vessel SET code = code || '!' WHERE id = new.vessel_id; END;
            CREATE TRIGGER made AFTER INSERT ON vessel BEGIN SELECT 1; END;
            """;
    private static final String ROWS = "INSERT INTO vessel VALUES (1, 'a', '10'), (2, 'a', '20'), (9, 'c', '30');"
            + "DELETE FROM vessel WHERE id = 9; INSERT INTO filling VALUES (1, 1), (2, 2);";

    @TempDir
    private Path folder;

    private String file() {
        return folder.resolve("cellar.db").toString();
    }

    /** Runs the program {@code sqlite3}, which goes on after errors, and returns what it prints. */
    private String sqlite3(String input, String... options) throws IOException, InterruptedException {
        Programs.require("sqlite3");
        List<String> command = new ArrayList<>(List.of("sqlite3"));
        command.addAll(List.of(options));
        command.add(file());
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        process.getOutputStream().write(input.getBytes(StandardCharsets.UTF_8));
        process.getOutputStream().close();
        String output = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        process.waitFor();
        return output;
    }

    private static ChangeScript script(String engine, String before, String after) throws SQLException {
        return VineKit.changes(SchemaDifference.of(schema(engine, before), schema(engine, after)));
    }

    private static Schema schema(String engine, String script) throws SQLException {
        try (TestDatabases database = TestDatabases.on(engine, script)) {
            return VineKit.read(database.database(), Scope.all());
        }
    }

    @Test
    void sqliteRowsSurviveANewRequiredColumn() throws Exception {
        ChangeScript script = script("sqlite", CELLAR, CELLAR.replace("volume TEXT", "volume TEXT, cooper TEXT NOT NULL"));
        sqlite3(CELLAR + ROWS);

        assertThat(sqlite3(script.text())).isEmpty();

        assertThat(sqlite3("SELECT * FROM vessel; SELECT * FROM filling; SELECT * FROM sqlite_sequence; "
                + "SELECT name FROM sqlite_schema ORDER BY name;")).isEqualTo("""
                1|a!|10|
                2|a!|20|
                1|1
                2|2
                vessel|9
                filled
                filling
                made
                sqlite_sequence
                vessel
                vessel_code
                """);
        assertThat(script.warnings()).containsExactly("Present rows of vessel get the value '' for cooper.");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "-bail"})
    void sqliteRefusesAUniqueKeyThatRowsBreakAndNamesThem(String option) throws Exception {
        ChangeScript script = script("sqlite", CELLAR, CELLAR.replace("code TEXT", "code TEXT UNIQUE"));
        sqlite3(CELLAR + ROWS.replace("filling VALUES (1, 1), (2, 2)", "filling VALUES (1, NULL)"));
        String before = sqlite3(".dump");

        String output = option.isEmpty() ? sqlite3(script.text()) : sqlite3(script.text(), option);

        assertThat(output).contains("vessel: not unique by code|code='a'");
        assertThat(sqlite3(".dump")).isEqualTo(before);
        sqlite3("UPDATE vessel SET code = 'b' WHERE id = 2;");
        assertThat(sqlite3(script.text())).isEmpty();
        assertThat(sqlite3("SELECT code FROM vessel; PRAGMA foreign_keys;")).isEqualTo("a\nb\n0\n");
    }

    @Test
    void sqliteTypeChangeInATransactionWithForeignKeysOnIsRefused() throws Exception {
        ChangeScript script = script("sqlite", CELLAR, CELLAR.replace("volume TEXT", "volume INTEGER"));
        sqlite3(CELLAR + ROWS);
        String before = sqlite3(".dump");

        String output = sqlite3("PRAGMA foreign_keys = ON; BEGIN;" + script.text() + "COMMIT;");

        assertThat(output).contains("run PRAGMA foreign_keys = OFF before");
        assertThat(sqlite3(".dump")).isEqualTo(before);
        assertThat(sqlite3("BEGIN;" + script.text() + "COMMIT;")).isEmpty();
        assertThat(sqlite3("SELECT volume, typeof(volume) FROM vessel; SELECT count(*) FROM filling;"))
                .isEqualTo("10|integer\n20|integer\n2\n");
    }

    @Test
    void sqliteTypeThatChangesAValueIsRolledBack() throws Exception {
        ChangeScript script = script("sqlite", CELLAR, CELLAR.replace("volume TEXT", "volume INTEGER"));
        sqlite3(CELLAR + ROWS.replace("'20'", "'007'"));
        String before = sqlite3(".dump");

        assertThat(sqlite3(script.text())).contains("everything is rolled back");

        assertThat(sqlite3(".dump")).isEqualTo(before);
    }

    /** A full disk ends the transaction, and the program goes on without one. */
    @Test
    void sqliteRowsSurviveATransactionThatEndsByItself() throws Exception {
        ChangeScript script = script("sqlite", CELLAR, CELLAR.replace("volume TEXT", "volume INTEGER"));
        sqlite3(CELLAR + ROWS);
        String ended = script.text().replace("INSERT INTO vessel (", "ROLLBACK;\nINSERT INTO no_such_table VALUES (1);\nINSERT INTO vessel (");

        sqlite3(ended);

        String left = sqlite3("SELECT count(*) FROM vessel; SELECT count(*) FROM vessel_before;");
        assertThat(left.lines().filter(line -> line.equals("2")).count()).as(left).isEqualTo(1);
    }

    /** Servers of this family fill a required column with an empty value of their own choice. */
    @ParameterizedTest
    @ValueSource(strings = {"mariadb", "mysql"})
    void requiredColumnWithoutAFittingValueNeedsAnEmptyTable(String engine) throws Exception {
        String before = "CREATE TABLE vessel (id INT PRIMARY KEY)";
        ChangeScript script = script(engine, before, "CREATE TABLE vessel (id INT PRIMARY KEY, mark BINARY(4) NOT NULL)");
        try (TestDatabases database = TestDatabases.on(engine, before + "; INSERT INTO vessel VALUES (1)")) {
            assertThatThrownBy(() -> database.run(script.text())).hasMessageContaining("the new column mark needs a value")
                    .hasMessageContaining("id=1");
            assertThat(VineKit.read(database.database(), Scope.all()).tables().get(0).columns()).hasSize(1);
        }
    }

    @ParameterizedTest
    @CsvSource({"postgresql, timestamp", "mariadb, datetime", "mysql, datetime"})
    void dateBecomesATimestampWithoutADecision(String engine, String type) throws Exception {
        String before = "CREATE TABLE vessel (id INT PRIMARY KEY, poured DATE)";
        ChangeScript script = script(engine, before, before.replace("DATE", type));
        try (TestDatabases database = TestDatabases.on(engine, before + "; INSERT INTO vessel VALUES (1, '2024-05-06')")) {
            assertThat(script.decisions()).isEmpty();
            database.run(script.text());
            assertThat(text(database, "SELECT poured FROM vessel")).startsWith("2024-05-06 00:00:00");
        }
    }

    @Test
    void postgresqlViewKeepsItsGrants() throws Exception {
        String before = "CREATE TABLE vessel (id INT PRIMARY KEY, code VARCHAR(9)); CREATE VIEW codes AS SELECT code FROM vessel";
        ChangeScript script = script("postgresql", before, before.replace("VARCHAR(9)", "TEXT"));
        try (TestDatabases database = TestDatabases.administered("postgresql", before)) {
            String reader = "reader_" + UUID.randomUUID().toString().replace("-", "");
            database.run("CREATE ROLE " + reader + "; GRANT SELECT ON codes TO " + reader
                    + " WITH GRANT OPTION; GRANT UPDATE (code) ON codes TO PUBLIC");
            String rights = "SELECT c.relacl::text || a.attacl::text FROM pg_class c JOIN pg_attribute a ON a.attrelid = c.oid "
                    + "WHERE relname = 'codes' AND attname = 'code'";
            String granted = text(database, rights);
            try {
                database.run(script.text());

                assertThat(text(database, rights)).isEqualTo(granted);
                assertThat(text(database, "SELECT data_type FROM information_schema.columns WHERE table_name = 'codes'"))
                        .isEqualTo("text");
            } finally {
                database.run("DROP OWNED BY " + reader + "; DROP ROLE " + reader);
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void scriptThatWaitsForADecisionDoesNothingUntilItIsMade(String engine) throws Exception {
        String before = "CREATE TABLE vessel (id INT PRIMARY KEY, code VARCHAR(9), note VARCHAR(9))";
        ChangeFile file = ChangeFile.of(schema(engine, before), schema(engine,
                "CREATE TABLE vessel (id INT PRIMARY KEY, code VARCHAR(9), cooper VARCHAR(30), made DATE)")).orElseThrow();
        assertThat(file.decisions()).hasSize(1);
        assertThat(file.text()).contains("-- Tried on a scratch database with 5 rows.",
                "-- Statements that wait for your decision: 1.");
        try (TestDatabases database = TestDatabases.on(engine, before)) {
            Contents was = Contents.of(database.scratch().anchor());
            for (Client client : Client.values()) {
                client.apply(database, file.text());
                assertThat(Contents.of(database.scratch().anchor())).as("%s", client).isEqualTo(was);
            }

            String decided = file.text().lines().filter(line -> !line.contains("then delete this line"))
                    .map(line -> line.replaceFirst("^( *)-- (?=ALTER)", "$1")).reduce("", (a, b) -> a + b + "\n");
            Client.STOPS.apply(database, decided);

            assertThat(Contents.of(database.scratch().anchor()).columns()).noneMatch(column -> column.contains(".note "))
                    .anyMatch(column -> column.contains(".cooper "));
        }
    }

    /** What a scratch server lacks is no reason to have no script. */
    @Test
    void scriptThatCannotBeTriedSaysSo() throws Exception {
        Schema before = lacking(schema("postgresql", "CREATE TABLE cask (id INT PRIMARY KEY)"));
        Schema after = lacking(schema("postgresql", "CREATE TABLE cask (id INT PRIMARY KEY, toast TEXT)"));

        ChangeFile file = ChangeFile.of(before, after).orElseThrow();

        assertThat(file.text()).contains("-- NOT TRIED: ", "no_such_extension", "ALTER TABLE cask ADD COLUMN toast text;");
    }

    private static Schema lacking(Schema schema) {
        return new Schema(schema.engine(), schema.defaultSchema(), schema.tables(), schema.domains(),
                schema.sequences(), List.of(new SchemaObject(SchemaObject.Kind.EXTENSION, new TableName("", "no_such_extension"),
                        Optional.empty(), "CREATE EXTENSION no_such_extension", List.of())));
    }

    /** A constraint that its engine writes as more than a list of columns. */
    @Test
    void postgresqlUniqueConstraintWithDistinctNullsIsDropped() throws Exception {
        String before = "CREATE TABLE crop (id INT PRIMARY KEY, name TEXT, latin TEXT, UNIQUE NULLS NOT DISTINCT (name, latin))";
        String after = "CREATE TABLE crop (id INT PRIMARY KEY, name TEXT, latin TEXT, UNIQUE (name))";
        ChangeScript script = script("postgresql", before, after);
        try (TestDatabases database = TestDatabases.on("postgresql", before)) {
            database.run(script.text());

            assertThat(SchemaDifference.of(VineKit.read(database.database(), Scope.all()), schema("postgresql", after))
                    .changes()).isEmpty();
        }
    }

    private static String text(TestDatabases database, String query) throws SQLException {
        try (Connection connection = database.scratch().connect(); Statement statement = connection.createStatement();
                ResultSet result = statement.executeQuery(query)) {
            assertThat(result.next()).isTrue();
            return result.getString(1);
        }
    }

}
