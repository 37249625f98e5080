package dev.vinekit.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.QuickCompiler;
import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.cellar.Cellar;
import dev.vinekit.fault.Fault;
import dev.vinekit.judge.DumpComparison;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.TestReport;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.TableName;
import dev.vinekit.source.SourceTree;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Proxy;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What every engine must do. */
class EnginesTest {
    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void definitionOfTheCellarReadsBackEqual(String engine) throws Exception {
        try (Cellar cellar = TestDatabases.cellar(engine)) {
            assertReadsBackEqual(VineKit.read(cellar.database(), Scope.all()));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void definitionOfEveryClauseReadsBackEqual(String engine) throws Exception {
        try (TestDatabases clauses = TestDatabases.clauses(engine)) {
            assertReadsBackEqual(VineKit.read(clauses.database(), Scope.all()));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void definitionOfEveryClauseMakesADatabaseOfTheSameDump(String engine) throws Exception {
        try (TestDatabases clauses = TestDatabases.administered(engine, TestDatabases.clausesScript(engine))) {
            Assumptions.assumeTrue(DumpComparison.isPossible(engine), "The engine's program for dumps is not here.");

            assertThat(DumpComparison.of(clauses.database(), VineKit.read(clauses.database(), Scope.all()))
                    .unexplained()).isEmpty();
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "h2         | CREATE SCHEMA \"Far\"   | \"Far\" | PUBLIC,Far",
        "postgresql | CREATE SCHEMA \"Far\"   | \"Far\" | public,Far",
        "mariadb    | CREATE DATABASE `Far` | `Far` | DEFAULT,Far",
        "mysql      | CREATE DATABASE `Far` | `Far` | DEFAULT,Far"})
    void definitionOverTwoSchemasReadsBackEqual(String engine, String creation, String schema, String names)
            throws Exception {
        String script = creation + "; CREATE TABLE " + schema + ".tree (id INT NOT NULL, part INT NOT NULL, "
                + "PRIMARY KEY (id, part)); CREATE TABLE apple (id INT PRIMARY KEY, tree_id INT, tree_part INT, "
                + "CONSTRAINT grown FOREIGN KEY (tree_id, tree_part) REFERENCES " + schema + ".tree (id, part) "
                + "ON DELETE CASCADE);";
        Schema read = readBoth(engine, script, names);
        assertThat(read.tables()).hasSize(2);
        assertThat(read.tables().stream().flatMap(table -> table.foreignKeys().stream()).toList())
                .singleElement().satisfies(key -> assertThat(key.target()).isEqualTo(new TableName("Far", "tree".equals(
                        key.target().name()) ? "tree" : "TREE")));

        assertThat(readBoth(engine, Engines.named(engine).dialect(read).definition(read), names)).isEqualTo(read);
    }

    /** On MariaDB and MySQL a schema is a database of its own, which does not go with the scratch database. */
    private static Schema readBoth(String engine, String script, String names) throws SQLException {
        try (TestDatabases database = TestDatabases.on(engine, script)) {
            try (Connection connection = database.database().connect()) {
                List<String> schemas = Arrays.stream(names.split(","))
                        .map(name -> name.equals("DEFAULT") ? catalog(connection) : name).toList();
                return VineKit.read(database.database(), new Scope(schemas, List.of()));
            } finally {
                if (names.startsWith("DEFAULT")) {
                    try (Connection connection = database.database().connect();
                            Statement statement = connection.createStatement()) {
                        statement.execute("SET foreign_key_checks = 0");
                        statement.execute("DROP DATABASE `Far`");
                    }
                }
            }
        }
    }

    private static String catalog(Connection connection) {
        try {
            return connection.getCatalog();
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void cellarMeansTheSameOnEveryEngine(String engine) {
        try (Cellar cellar = TestDatabases.cellar(engine); Cellar model = Cellar.open("h2")) {
            assertThat(meaning(cellar)).containsExactlyInAnyOrderElementsOf(meaning(model));
        }
    }

    @Tag("thorough")
    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void readingTakesAsManyStatementsForManyTablesAsForFew(String engine) throws Exception {
        int few = statementsToRead(engine, 10);

        assertThat(few).isBetween(1, 15);
        assertThat(statementsToRead(engine, 100)).isEqualTo(few);
    }

    @ParameterizedTest
    @CsvSource({"h2, PUBLIC, CELLAR", "postgresql, public, cellar"})
    void onlySchemaWithTablesIsReadAndSeveralAreNamed(String engine, String empty, String full) throws SQLException {
        try (TestDatabases database =
                TestDatabases.on(engine, "CREATE SCHEMA cellar; CREATE TABLE cellar.cask (id INT PRIMARY KEY)")) {
            assertThat(VineKit.read(database.database(), Scope.all()).otherThanDefault()).contains(full);

            database.run("CREATE SCHEMA press; CREATE TABLE press.screw (id INT PRIMARY KEY)");
            assertThatThrownBy(() -> VineKit.read(database.database(), Scope.all()))
                    .isInstanceOfSatisfying(Fault.class, fault -> {
                assertThat(fault).hasMessageContaining("There are no tables in schema " + empty);
                assertThat(fault.fix()).startsWith("There are some in " + full + ", ");
            });
        }
    }

    /** On the other engines the demo does the same. */
    @Tag("thorough")
    @Test
    void cellarGoesAllTheWayToAGreenMatrixOnMysql(@TempDir Path directory) {
        try (Cellar cellar = TestDatabases.cellar("mysql")) {
            Mapping mapping = VineKit.map(VineKit.read(cellar.database(), Scope.all()), "com.example.cellar");

            TestReport report = tested(VineKit.generate(mapping, Cellar.seed("mysql")), directory);

            assertThat(report.failures()).isEmpty();
            assertThat(report.isGreen()).isTrue();
            assertThat(report.outcomes()).hasSizeGreaterThan(260);
        }
    }

    private static TestReport tested(SourceTree sources, Path directory) {
        Project project = VineKit.write(VineKit.plan(sources, directory));
        QuickCompiler.compile(project);
        return Runner.test(project);
    }

    private static void assertReadsBackEqual(Schema schema) throws SQLException {
        String definition = Engines.named(schema.engine()).dialect(schema).definition(schema);
        try (TestDatabases copy = TestDatabases.on(schema.engine(), definition)) {
            Schema again = VineKit.read(copy.database(), Scope.all());
            assertThat(again.tables()).zipSatisfy(schema.tables(), (actual, expected) ->
                    assertThat(actual).isEqualTo(expected));
            assertThat(again).isEqualTo(schema);
        }
    }

    /** Names and operations, without what an engine spells in its own way or has no place for. */
    private static List<String> meaning(Cellar cellar) {
        Mapping mapping = VineKit.map(VineKit.read(cellar.database(), Scope.all()), "com.example.cellar");
        return mapping.entities().stream().map(EnginesTest::meaning).toList();
    }

    private static String meaning(Entity entity) {
        String fields = entity.fields().stream()
                .map(field -> field.name() + " " + kind(entity, field.type()) + " " + field.input() + " "
                        + field.requiredOnCreate())
                .collect(Collectors.joining("\n"));
        return entity.name() + " " + entity.path() + " " + entity.operations() + " " + entity.rowRules().size()
                + " " + entity.relations().size() + "\n" + fields;
    }

    /** SQLite has one size of whole numbers and one of broken ones; in views enumerations show where they are types. */
    private static JavaType kind(Entity entity, JavaType type) {
        return switch (type) {
            case ENUM -> entity.table().isView() ? JavaType.STRING : type;
            case INTEGER -> JavaType.LONG;
            case FLOAT -> JavaType.DOUBLE;
            default -> type;
        };
    }

    private static int statementsToRead(String engineName, int tables) throws SQLException {
        String script = IntStream.range(0, tables)
                .mapToObj(i -> "CREATE TABLE t" + i + " (id INT PRIMARY KEY, n INT UNIQUE CHECK (n > 0))")
                .collect(Collectors.joining(";\n"));
        try (TestDatabases database = TestDatabases.on(engineName, script);
                Connection connection = database.database().connect()) {
            AtomicInteger statements = new AtomicInteger();
            Schema schema = database.database().engine().read(counting(connection, statements), List.of());
            assertThat(schema.tables()).hasSize(tables);
            return statements.get();
        }
    }

    /** A connection that counts the statements that are made on it. */
    private static Connection counting(Connection connection, AtomicInteger statements) {
        return (Connection) Proxy.newProxyInstance(EnginesTest.class.getClassLoader(),
                new Class<?>[] {Connection.class},
                (proxy, method, arguments) -> {
                    if (method.getName().equals("prepareStatement") || method.getName().equals("createStatement")) {
                        statements.incrementAndGet();
                    }
                    try {
                        return method.invoke(connection, arguments);
                    } catch (InvocationTargetException e) {
                        throw e.getCause();
                    }
                });
    }
}
