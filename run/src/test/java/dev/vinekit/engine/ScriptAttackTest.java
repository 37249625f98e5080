package dev.vinekit.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.QuickCompiler;
import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.fault.Fault;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** A script that somebody hands us reads and writes no files, runs no programs and reaches no other server. */
class ScriptAttackTest {
    private static final String SECRET = "the cellar's key is under the third barrel";

    /** What the server takes: it leaves the directory out, and runs no events. */
    private static final Pattern IGNORED = Pattern.compile(" DATA DIRECTORY=|^CREATE EVENT sly");

    @TempDir
    private Path directory;

    /** As somebody's script, and as a script of a project's own that somebody has edited. */
    @ParameterizedTest
    @CsvSource({"postgresql, 30", "mariadb, 22", "h2, 23", "sqlite, 12"})
    void noStatementReachesTheMachine(String engineName, int least) throws Exception {
        TestDatabases.require(engineName);
        Engine engine = Engines.named(engineName);
        Path out = directory.resolve("out");
        Path secret = Files.writeString(directory.resolve("secret"), SECRET);
        List<String> attacks = attacks(engineName);
        assertThat(attacks).hasSizeGreaterThanOrEqualTo(least);
        for (String attack : attacks) {
            String script = "CREATE TABLE loot (t TEXT);\n" + attack.replace("{out}", out.toString())
                    .replace("{secret}", secret.toString()).replace("{folder}", directory.toString())
                    .replace(" ;; ", ";\n") + ";\n";
            for (boolean own : List.of(true, false)) {
                try (ScratchDatabase scratch = engine.scratch()) {
                    List<String> told = run(scratch, script, own);

                    assertThat(out).as(attack).doesNotExist();
                    assertThat(loot(scratch)).as(attack)
                            .noneMatch(text -> text.contains("barrel") || text.contains("secret"));
                    assertThat(directory).as(attack).isDirectoryNotContaining(file -> !file.equals(secret));
                    assertThat(told.isEmpty()).as(attack + " is said to be refused or left out")
                            .isEqualTo(IGNORED.matcher(attack).find());
                }
            }
        }
    }

    /** What is refused or left out, with its line. */
    private static List<String> run(ScratchDatabase scratch, String script, boolean own) throws SQLException {
        try {
            if (own) {
                scratch.execute(script);
                return loot(scratch).contains("null") ? List.of("NULL instead of a file") : List.of();
            }
            List<String> told = new ArrayList<>(scratch.load(script).stream()
                    .map(skipped -> skipped.line() + " " + skipped.reason()).toList());
            told.addAll(loot(scratch).stream().map(String::valueOf).toList());
            return told;
        } catch (ScriptError e) {
            return List.of(e.line() + " " + e.getMessage());
        }
    }

    private static List<String> loot(ScratchDatabase scratch) throws SQLException {
        List<String> loot = new ArrayList<>();
        try (Statement statement = scratch.anchor().createStatement();
                ResultSet row = statement.executeQuery("SELECT t FROM loot")) {
            while (row.next()) {
                loot.add(String.valueOf(row.getString(1)));
            }
        }
        return loot;
    }

    private static List<String> attacks(String engine) throws IOException {
        try (InputStream file = ScriptAttackTest.class.getResourceAsStream("attacks.txt")) {
            return new String(file.readAllBytes(), StandardCharsets.UTF_8).lines()
                    .filter(line -> line.startsWith(engine + " | ")).map(line -> line.substring(engine.length() + 3))
                    .toList();
        }
    }

    /** A default of a live schema acts when rows are made, by the login of the scratch database. */
    @Test
    void defaultOfALiveSchemaWritesNoFileWhenItsTestsRun() throws Exception {
        Path out = directory.resolve("out");
        try (TestDatabases live = TestDatabases.administered("h2",
                "CREATE TABLE press (id INT PRIMARY KEY, name VARCHAR(20), "
                + "size BIGINT DEFAULT FILE_WRITE('x', '" + out + "'))")) {
            Project project = VineKit.write(VineKit.plan(VineKit.generate(
                    VineKit.map(VineKit.read(live.database(), Scope.all()), "com.example.made")),
                            directory.resolve("made")));

            assertThat(out).doesNotExist();
            QuickCompiler.compile(project);
            assertThat(Runner.test(project).failures()).allSatisfy(failure ->
                    assertThat(failure.failure()).hasValueSatisfying(text -> assertThat(text).isNotEmpty()));
            assertThat(out).doesNotExist();
        }
    }

    /** The seed that a person names, and the one in the project. */
    @Test
    void seedRowsWriteNoFile() throws Exception {
        Path out = directory.resolve("out");
        try (TestDatabases live = TestDatabases.h2("CREATE TABLE press (id INT PRIMARY KEY)")) {
            Project project = VineKit.write(VineKit.plan(VineKit.generate(
                    VineKit.map(VineKit.read(live.database(), Scope.all()), "com.example.made"),
                    "CALL FILE_WRITE('x', '" + out + "');\n"), directory.resolve("made")));
            QuickCompiler.compile(project);

            assertThatThrownBy(() -> Runner.test(project)).isInstanceOf(Fault.class)
                    .hasMessageContaining("Admin rights");
            assertThat(out).doesNotExist();
        }
    }

    /** Nobody else on the machine gets in, or finds anything to change. */
    @ParameterizedTest
    @ValueSource(strings = {"postgresql", "mariadb", "mysql"})
    void serversOfOurOwnTakeNobodyWithoutAPassword(String engineName) throws Exception {
        TestDatabases.require(engineName);
        try (ScratchDatabase scratch = Engines.named(engineName).scratch()) {
            for (String user : List.of("postgres", "root", "vinekit", "")) {
                for (String password : List.of("", "postgres", "root", user)) {
                    assertThatThrownBy(() -> DriverManager.getConnection(scratch.url(), user, password).close())
                            .as(user + " " + password).isInstanceOf(SQLException.class);
                }
            }
            try (Connection connection = scratch.connect()) {
                assertThat(connection.isValid(5)).isTrue();
            }
        }
    }

    @Test
    void unpackedProgramsAreTheUsersOwn() throws Exception {
        Path cache = UserCache.folder("postgresql");

        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(cache))).isEqualTo("rwx------");
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(cache.getParent())))
                .isEqualTo("rwx------");
    }
}
