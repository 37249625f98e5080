package dev.vinekit.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.cellar.Cellar;
import dev.vinekit.fault.Fault;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLTimeoutException;
import java.sql.Statement;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Scripts as people have them: dumps of databases with owners, roles, triggers and rows. */
class ScriptDatabaseTest {
    @TempDir
    private Path directory;

    @ParameterizedTest
    @CsvSource({"postgresql, 39", "mariadb, 3", "sqlite, 0"})
    void dumpMakesTheDatabaseThatItWasTakenFrom(String engine, int skipped) throws Exception {
        TestDatabases.require(engine);
        Path dump = Path.of(ScriptDatabaseTest.class.getResource("/dev/vinekit/dumps/" + engine + ".sql").toURI());

        try (ScriptDatabase loaded = VineKit.load(engine, dump); Cellar cellar = TestDatabases.cellar(engine)) {
            assertThat(loaded.skipped()).hasSize(skipped);
            Schema schema = VineKit.read(loaded.database(), Scope.all());
            assertThat(schema.tables()).zipSatisfy(VineKit.read(cellar.database(), Scope.all()).tables(),
                    (actual, expected) -> assertThat(plain(actual)).isEqualTo(plain(expected)));
            assertThat(rows(loaded.database())).containsAllEntriesOf(rows(cellar.database()));
        }
    }

    /** Without what a dump has on top of the cellar. */
    private static String plain(Table table) {
        return table.name() + " " + table.columns() + table.primaryKey() + table.uniqueKeys() + table.foreignKeys()
                + table.checks() + table.indexes() + table.comment();
    }

    private static Map<TableName, Long> rows(Database database) {
        Map<TableName, Long> rows = new HashMap<>();
        VineKit.rowCounts(database, VineKit.read(database, Scope.all()), true).forEach((table, count) -> {
            if (!table.name().equals("cellar_log")) {
                rows.put(table, count.rows());
            }
        });
        return rows;
    }

    /** Change scripts build on each other: 9 comes before 10, whatever the letters. */
    @Test
    void scriptsOfAFolderAreLoadedInTheirOrder() throws Exception {
        Files.writeString(directory.resolve("V9__vats.sql"), "CREATE TABLE vat (id INT PRIMARY KEY);");
        Files.writeString(directory.resolve("V10__litres.SQL"), "ALTER TABLE vat ADD COLUMN litres INT;");
        Files.writeString(directory.resolve("V10.1__more.sql"), "ALTER TABLE vat ADD COLUMN colour VARCHAR(9);");
        Files.writeString(directory.resolve("V10.1__more.txt"), "no script");
        Files.createDirectory(directory.resolve("V1.sql"));

        try (ScriptDatabase loaded = VineKit.load("h2", directory)) {
            assertThat(VineKit.read(loaded.database(), Scope.all()).tables().get(0).columns())
                    .extracting(Column::name).containsExactly("ID", "LITRES", "COLOUR");
        }

        Files.writeString(directory.resolve("V11__wrong.sql"), "\nALTER TABLE vat DROP COLUMN age;");
        assertThatThrownBy(() -> VineKit.load("h2", directory)).isInstanceOf(Fault.class)
                .hasMessageContaining("V11__wrong.sql, line 2");
        assertThatThrownBy(() -> VineKit.load("h2", directory.resolve("V1.sql"))).isInstanceOf(Fault.class)
                .hasMessageContaining("has no file whose name ends with .sql");
    }

    @Test
    void rowsOfACopyBlockArriveAsTheyWere() throws Exception {
        Path dump = Path.of(ScriptDatabaseTest.class.getResource("/dev/vinekit/dumps/postgresql.sql").toURI());

        try (ScriptDatabase loaded = VineKit.load("postgresql", dump)) {
            assertThat(strings(loaded.database(), "SELECT entry FROM cellar_log WHERE entry LIKE 'Two lines%'"))
                    .containsExactly("Two lines:\nand a tab\t; then \\.");
        }
    }

    @Test
    void textWithBackslashesArrivesAsItWas() throws Exception {
        TestDatabases.require("mariadb");
        Path dump = Path.of(ScriptDatabaseTest.class.getResource("/dev/vinekit/dumps/mariadb.sql").toURI());

        try (ScriptDatabase loaded = VineKit.load("mariadb", dump)) {
            assertThat(strings(loaded.database(), "SELECT entry FROM cellar_log WHERE entry LIKE 'It%'"))
                    .containsExactly("It's two lines:\nand \\ a \"quote\"; -- no comment");
            assertThat(strings(loaded.database(), "SELECT COUNT(*) FROM cellar_stock")).containsExactly("15");
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void firstStatementThatFailsIsNamedWithItsLine(String engine) throws Exception {
        TestDatabases.require(engine);
        Path script = script("-- one\nCREATE TABLE press (id INT PRIMARY KEY);\n\nINSERT INTO press\n  VALUES (1);\n"
                + "INSERT INTO pres VALUES (2);\nINSERT INTO press VALUES (1);\n");

        assertThatThrownBy(() -> VineKit.load(engine, script)).isInstanceOf(Fault.class)
                .hasMessageContaining("line 6").hasMessageContaining("INSERT INTO pres VALUES (2)");
    }

    @Test
    void statementsAboutRolesAreSkippedAndSaid() throws Exception {
        Path script = script("""
                CREATE TABLE press (id INT PRIMARY KEY);
                ALTER TABLE public.press OWNER TO "somebody else";
                GRANT SELECT ON press TO nobody_here;
                CREATE SCHEMA other AUTHORIZATION nobody_here;
                CREATE EXTENSION IF NOT EXISTS no_such_extension;
                """);

        try (ScriptDatabase loaded = VineKit.load("postgresql", script)) {
            assertThat(loaded.skipped()).extracting(ScratchDatabase.Skipped::line).containsExactly(2, 3, 5);
            assertThat(loaded.skipped().get(2).reason()).contains("no_such_extension");
            assertThat(strings(loaded.database(), "SELECT nspname FROM pg_namespace WHERE nspname = 'other'"))
                    .hasSize(1);
        }
    }

    @Test
    void collationsOfMysqlBecomeSuchAsMariadbHas() throws Exception {
        Path script = script("CREATE TABLE `press` (`id` int NOT NULL, `name` varchar(20) COLLATE utf8mb4_0900_as_cs, "
                + "`maker` varchar(9)) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_0900_ai_ci;");
        TestDatabases.require("mariadb");

        try (ScriptDatabase loaded = VineKit.load("mariadb", script)) {
            Table press = VineKit.read(loaded.database(), Scope.all()).tables().get(0);
            assertThat(press.options()).isEqualTo("COLLATE=utf8mb4_unicode_520_ci");
            assertThat(press.column("name").collation()).contains("utf8mb4_bin");
        }
    }

    @Test
    void severalMegabytesAreLoaded() throws Exception {
        StringBuilder text = new StringBuilder("CREATE TABLE note (id INT PRIMARY KEY, body TEXT);\n");
        for (int i = 0; i < 20_000; i++) {
            text.append("INSERT INTO note VALUES (").append(i).append(", 'It''s a note; number ").append(i)
                    .append(" of many; ").append("wine ".repeat(40)).append("');\n");
        }

        try (ScriptDatabase loaded = VineKit.load("sqlite", script(text.toString()))) {
            assertThat(text.length()).isGreaterThan(4_000_000);
            assertThat(strings(loaded.database(), "SELECT COUNT(*) FROM note")).containsExactly("20000");
        }
    }

    @Test
    void whatIsNoTextIsRefused() throws Exception {
        Path archive = directory.resolve("dump.gz");
        Files.write(archive, new byte[] {0x1f, (byte) 0x8b, 8, 0, (byte) 0xff});

        assertThatThrownBy(() -> VineKit.load("postgresql", archive)).isInstanceOf(Fault.class)
                .hasMessageContaining("not a text in UTF-8");
        assertThatThrownBy(() -> VineKit.load("postgresql", directory.resolve("none.sql"))).isInstanceOf(Fault.class)
                .hasMessageContaining("There is no file");
    }

    private Path script(String text) throws Exception {
        return Files.writeString(directory.resolve("script.sql"), text);
    }

    private static List<String> strings(Database database, String sql) throws Exception {
        List<String> found = new ArrayList<>();
        try (Connection connection = database.connect(); Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery(sql)) {
            while (row.next()) {
                found.add(row.getString(1));
            }
        }
        return found;
    }

    /** A script may never end. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "h2         | SELECT COUNT(*) FROM SYSTEM_RANGE(1, 1000000) a, SYSTEM_RANGE(1, 1000000) b",
        "postgresql | SELECT pg_sleep(600)",
        "mariadb    | SELECT SLEEP(600)",
        "mysql      | SELECT BENCHMARK(100000000000, SHA2(1, 512))",
        "sqlite     | WITH RECURSIVE c(n) AS (SELECT 1 UNION ALL SELECT n + 1 FROM c) SELECT sum(n) FROM c"})
    void statementThatDoesNotEndIsCancelled(String engine, String sql) throws Exception {
        try (TestDatabases database = TestDatabases.on(engine, "CREATE TABLE cask (id INT PRIMARY KEY)");
                Connection connection = database.scratch().connect();
                Statement statement = connection.createStatement()) {
            long begin = System.nanoTime();

            assertThatThrownBy(() -> StatementLimit.execute(statement, sql, 1)).isInstanceOf(SQLTimeoutException.class)
                    .hasMessageContaining("did not end within 1 seconds").hasMessageContaining(StatementLimit.VARIABLE);

            assertThat(Duration.ofNanos(System.nanoTime() - begin)).isLessThan(Duration.ofSeconds(30));
            StatementLimit.execute(statement, "DELETE FROM cask", 30);
        }
    }

    @Test
    void deviceThatNeverEndsIsRefused() {
        assertThatThrownBy(() -> ScriptDatabase.of("h2", Path.of("/dev/zero"))).isInstanceOf(Fault.class)
                .hasMessageContaining("/dev/zero has more than 256 MiB");
    }
}
