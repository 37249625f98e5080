package dev.vinekit.junit;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.engine.ScriptDatabase;
import dev.vinekit.project.Project;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javax.sql.DataSource;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.junit.platform.engine.discovery.DiscoverySelectors;
import org.junit.platform.testkit.engine.EngineExecutionResults;
import org.junit.platform.testkit.engine.EngineTestKit;
import org.junit.platform.testkit.engine.Event;

/** What tests are given, and that none sees what another has done. */
class SeededTest {
    private static final String CHANGES = "src/test/resources/changes";
    private static final Set<String> URLS = ConcurrentHashMap.newKeySet();

    /** Tests that do what they like to the rows; they run one after another on one database. */
    @Seeded(script = CHANGES, engine = "h2")
    static class Careless {
        private final int atFirst;

        Careless(Connection connection) throws SQLException {
            atFirst = count(connection, "parcel");
        }

        @BeforeEach
        void addOne(Connection connection) throws SQLException {
            execute(connection, "INSERT INTO parcel (name, soil_code, hectares) VALUES ('One more', 'CL', 1)");
        }

        @RepeatedTest(3)
        void takesAllRows(TestDatabase database) throws SQLException {
            URLS.add(database.url());
            assertThat(atFirst).isEqualTo(5);
            try (Connection connection = database.connect()) {
                assertThat(count(connection, "parcel")).isEqualTo(6);
                assertThat(count(connection, "soil")).isEqualTo(2);
                assertThat(count(connection, "harvest")).isEqualTo(5);
                execute(connection, "DELETE FROM parcel");
            }
        }

        @ParameterizedTest
        @ValueSource(ints = {1, 2})
        void leavesATransactionOpen(int number, DataSource source, TestDatabase same) throws SQLException {
            URLS.add(same.url());
            Connection connection = source.getConnection();
            assertThat(count(connection, "parcel")).isEqualTo(6);
            connection.setAutoCommit(false);
            execute(connection, "UPDATE parcel SET name = name || '" + number + "'");
        }

        @AfterEach
        void databaseIsStillThere(TestDatabase database) throws SQLException {
            assertThat(count(database.connect(), "harvest")).isBetween(0, 5);
        }

        @Nested
        class Inside {
            @Test
            void hasTheDatabaseOfTheOuterClass(Connection connection, @Seeded DataSource other) throws SQLException {
                assertThat(count(connection, "parcel")).isEqualTo(6);
                assertThat(count(other.getConnection(), "parcel")).isEqualTo(6);
            }
        }
    }

    @Test
    void eachTestHasAllRowsAndNoOtherOnesDeeds() {
        URLS.clear();

        assertThat(run(Careless.class).testEvents().succeeded().count()).isEqualTo(6);
        assertThat(URLS).hasSize(1);
    }

    @Seeded(script = CHANGES, engine = "h2")
    static class ChangesTables {
        @RepeatedTest(2)
        void dropsATable(TestDatabase database) throws SQLException {
            URLS.add(database.url());
            try (Connection connection = database.connect()) {
                assertThat(count(connection, "harvest")).isEqualTo(5);
                execute(connection, "DROP TABLE harvest");
            }
        }
    }

    @Test
    void databaseWhoseTablesHaveChangedIsMadeAnew() {
        URLS.clear();

        assertThat(run(ChangesTables.class).testEvents().succeeded().count()).isEqualTo(2);
        assertThat(URLS).hasSize(2);
    }

    @Seeded(script = CHANGES, engine = "postgresql")
    static class SideBySide {
        private static volatile CountDownLatch both;
        private static volatile boolean met;

        @RepeatedTest(2)
        void waitsForTheOther(TestDatabase database) throws Exception {
            URLS.add(database.url());
            both.countDown();
            met &= both.await(5, TimeUnit.SECONDS);
            try (Connection connection = database.connect()) {
                execute(connection, "UPDATE parcel SET hectares = hectares + 1");
            }
        }
    }

    /** JUnit may run two tests side by side, and need not: so it is asked until it does. */
    @Test
    void testsSideBySideHaveADatabaseEach() {
        for (int attempt = 1; attempt == 1 || !SideBySide.met; attempt++) {
            assertThat(attempt).as("attempts to have two tests run side by side").isLessThan(10);
            URLS.clear();
            SideBySide.both = new CountDownLatch(2);
            SideBySide.met = true;

            EngineExecutionResults results = EngineTestKit.engine("junit-jupiter")
                    .selectors(DiscoverySelectors.selectClass(SideBySide.class))
                    .configurationParameter("junit.jupiter.execution.parallel.enabled", "true")
                    .configurationParameter("junit.jupiter.execution.parallel.mode.default", "concurrent")
                    .configurationParameter("junit.jupiter.execution.parallel.config.strategy", "fixed")
                    .configurationParameter("junit.jupiter.execution.parallel.config.fixed.parallelism", "2").execute();

            assertThat(results.testEvents().succeeded().count()).isEqualTo(2);
        }
        assertThat(URLS).hasSize(2);
    }

    @Test
    void rowsOfOnesOwnStayAndOthersAreMadeUp(
            @Seeded(script = CHANGES, engine = "h2", seed = "src/test/resources/own.sql") Connection own,
            @Seeded(script = CHANGES, engine = "h2", rows = 12) Connection many,
            @Seeded(script = CHANGES, engine = "h2", rows = 0) Connection none,
            @Seeded(script = CHANGES, engine = "h2", number = 2) Connection others,
            @Seeded(script = CHANGES, engine = "h2") Connection usual) throws SQLException {
        assertThat(count(own, "parcel")).isEqualTo(1);
        assertThat(count(own, "harvest")).isPositive();
        assertThat(count(many, "parcel")).isEqualTo(12);
        assertThat(count(many, "harvest")).isEqualTo(12);
        assertThat(count(none, "parcel")).isZero();
        assertThat(count(none, "soil")).isEqualTo(2);
        assertThat(text(others, "SELECT LISTAGG(name) FROM parcel"))
                .isNotEqualTo(text(usual, "SELECT LISTAGG(name) FROM parcel"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "sqlite"})
    void tablesOfALiveDatabaseAreTakenWithoutItsRows(String engine, @TempDir Path directory) throws Exception {
        Path script = Files.writeString(directory.resolve("live.sql"),
                "CREATE TABLE vessel (id INT PRIMARY KEY, name VARCHAR(20)); INSERT INTO vessel VALUES (77, 'Old oak');");
        try (ScriptDatabase live = VineKit.load(engine, script)) {
            System.setProperty("live.url", live.database().url());
            System.setProperty("live.user", live.database().user());
            System.setProperty("live.password", live.database().password());

            assertThat(run(Live.class).testEvents().succeeded().count()).isEqualTo(1);

            try (Connection connection = live.database().connect()) {
                assertThat(text(connection, "SELECT name FROM vessel")).isEqualTo("Old oak");
            }
        }
    }

    @Seeded(url = "${live.url}", user = "${live.user}", password = "${live.password}", rows = 3)
    static class Live {
        @Test
        void hasOtherRows(Connection connection) throws SQLException {
            assertThat(count(connection, "vessel")).isEqualTo(3);
            assertThat(text(connection, "SELECT count(*) FROM vessel WHERE name = 'Old oak'")).isEqualTo("0");
        }
    }

    @Seeded(project = "target/project")
    static class OfProject {
        @Test
        void hasTheSeedRowsOfTheProject(Connection connection) throws SQLException {
            assertThat(text(connection, "SELECT name FROM soil")).isEqualTo("Chalk");
            assertThat(count(connection, "harvest")).isEqualTo(5);
        }
    }

    @Test
    void tablesAndRowsOfAGeneratedProjectAreTaken() {
        try (ScriptDatabase database = VineKit.load("h2", Path.of(CHANGES))) {
            Project project = VineKit.write(VineKit.plan(VineKit.generate(VineKit.map(
                    VineKit.read(database.database(), Scope.all()), "com.example.tested"),
                    "INSERT INTO soil VALUES ('CH', 'Chalk');"), Path.of("target/project")));
            assertThat(project.service().engine()).isEqualTo("h2");
        }

        assertThat(run(OfProject.class).testEvents().succeeded().count()).isEqualTo(1);
    }

    @Seeded(script = CHANGES, engine = "h2", rows = 7)
    @Retention(RetentionPolicy.RUNTIME)
    @interface InTheCellar {
    }

    @InTheCellar
    static class ByAnnotationOfOnesOwn {
        @Test
        void hasRows(Connection connection, @InTheCellar DataSource same) throws SQLException {
            assertThat(count(connection, "parcel")).isEqualTo(7);
            try (Connection other = same.getConnection()) {
                assertThat(count(other, "parcel")).isEqualTo(7);
            }
        }
    }

    @Test
    void annotationsOfOnesOwnStandForIt() {
        assertThat(run(ByAnnotationOfOnesOwn.class).testEvents().succeeded().count()).isEqualTo(1);
    }

    @Seeded(script = CHANGES)
    static class NoEngine {
        @Test
        void test(Connection connection) {
            assertThat(connection).isNotNull();
        }
    }

    @Seeded(script = "no/such.sql", engine = "h2")
    static class NoScript extends NoEngine {
    }

    @Seeded(script = CHANGES, engine = "h3")
    static class OtherEngine extends NoEngine {
    }

    @Seeded(script = CHANGES, engine = "h2", url = "jdbc:h2:mem:x")
    static class TwoPlaces extends NoEngine {
    }

    @Seeded(script = CHANGES, engine = "h2", rows = -1)
    static class FewRows extends NoEngine {
    }

    @Seeded(script = CHANGES, engine = "h2", seed = "src/test/resources/changes/2-harvests.sql")
    static class WrongSeed extends NoEngine {
    }

    @Seeded(script = CHANGES, engine = "h2", seed = "no/such.sql")
    static class NoSeed extends NoEngine {
    }

    @Seeded(url = "${no.such.url}")
    static class NoVariable extends NoEngine {
    }

    @Seeded(project = "src/test")
    static class NoProject extends NoEngine {
    }

    static class Nowhere {
        @Test
        void test(@Seeded Connection connection) {
            assertThat(connection).isNotNull();
        }
    }

    @Seeded(script = CHANGES, engine = "h2")
    static class ForAll extends NoEngine {
        @BeforeAll
        static void prepare(Connection connection) {
            assertThat(connection).isNotNull();
        }
    }

    @Seeded(script = CHANGES, engine = "h2")
    @TestInstance(TestInstance.Lifecycle.PER_CLASS)
    static class OneInstance extends NoEngine {
        OneInstance(Connection connection) {
            assertThat(connection).isNotNull();
        }
    }

    @ParameterizedTest
    @ValueSource(classes = {NoEngine.class, NoScript.class, OtherEngine.class, TwoPlaces.class, FewRows.class,
        WrongSeed.class, NoSeed.class, NoVariable.class, NoProject.class, Nowhere.class, ForAll.class,
        OneInstance.class})
    void mistakesAreTold(Class<?> tests) {
        String told = run(tests).allEvents().failed().stream().findFirst().flatMap(Event::getPayload)
                .map(Object::toString).orElse("");

        assertThat(told).contains(switch (tests.getSimpleName()) {
            case "NoEngine" -> "does not say which engine src/test/resources/changes is written for. Give it an engine: h2, ";
            case "NoScript" -> "There is no file no/such.sql. Check the path.";
            case "OtherEngine" -> "There is no engine named h3. Use one of: h2, ";
            case "TwoPlaces" -> "Leave one of script, project and url.";
            case "FewRows" -> "Give a number from 0.";
            case "WrongSeed" -> "2-harvests.sql, line 1: refused: Table \"HARVEST\" already exists";
            case "NoSeed" -> "The seed script no/such.sql cannot be read: NoSuchFileException.";
            case "NoVariable" -> "needs no.such.url, which is neither a system property nor a variable";
            case "NoProject" -> "src/test";
            case "Nowhere" -> "does not say where the tables come from";
            default -> "would be one database for all tests of the class";
        });
    }

    private static EngineExecutionResults run(Class<?> tests) {
        return EngineTestKit.engine("junit-jupiter").selectors(DiscoverySelectors.selectClass(tests)).execute();
    }

    private static void execute(Connection connection, String sql) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }

    private static int count(Connection connection, String table) throws SQLException {
        return Integer.parseInt(text(connection, "SELECT count(*) FROM " + table));
    }

    private static String text(Connection connection, String query) throws SQLException {
        try (Statement statement = connection.createStatement(); ResultSet row = statement.executeQuery(query)) {
            row.next();
            return row.getString(1);
        }
    }
}
