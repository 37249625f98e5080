package dev.vinekit.engine;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.cellar.Cellar;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.project.Project;
import dev.vinekit.run.TestReport;
import dev.vinekit.schema.Schema;
import dev.vinekit.source.SourceTree;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Proxy;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What every engine must do. */
class EnginesTest {
    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "sqlite"})
    void definitionOfTheCellarReadsBackEqual(String engine) throws Exception {
        try (Cellar cellar = TestDatabases.cellar(engine)) {
            assertReadsBackEqual(VineKit.read(cellar.database(), Scope.all()));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "sqlite"})
    void definitionOfAHostileSchemaReadsBackEqual(String engine) throws Exception {
        try (TestDatabases hostile = TestDatabases.hostile(engine)) {
            assertReadsBackEqual(VineKit.read(hostile.database(), Scope.all()));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "sqlite"})
    void cellarMeansTheSameOnEveryEngine(String engine) {
        try (Cellar cellar = TestDatabases.cellar(engine); Cellar model = Cellar.open("h2")) {
            assertThat(meaning(cellar)).containsExactlyInAnyOrderElementsOf(meaning(model));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "sqlite"})
    void readingTakesAsManyStatementsForManyTablesAsForFew(String engine) throws Exception {
        int few = statementsToRead(engine, 2);

        assertThat(few).isBetween(1, 15);
        assertThat(statementsToRead(engine, 200)).isEqualTo(few);
    }

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "sqlite"})
    void cellarGoesAllTheWayToAGreenMatrix(String engine, @TempDir Path directory) {
        try (Cellar cellar = TestDatabases.cellar(engine)) {
            Mapping mapping = VineKit.map(VineKit.read(cellar.database(), Scope.all()), "com.example.cellar");

            TestReport report = tested(VineKit.generate(mapping, Cellar.seed(engine)), directory);

            assertThat(report.failures()).isEmpty();
            assertThat(report.isGreen()).isTrue();
            assertThat(report.outcomes()).hasSizeGreaterThan(260);
        }
    }

    private static TestReport tested(SourceTree sources, Path directory) {
        Project project = VineKit.write(VineKit.plan(sources, directory));
        VineKit.compile(project);
        return VineKit.test(project);
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
                .map(field -> field.name() + " " + kind(entity, field.type()) + " " + field.input() + " " + field.requiredOnCreate())
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
        return (Connection) Proxy.newProxyInstance(EnginesTest.class.getClassLoader(), new Class<?>[] {Connection.class},
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
