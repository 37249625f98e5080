package dev.vinekit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.vinekit.engine.Database;
import dev.vinekit.fault.Fault;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.RunningService;
import dev.vinekit.run.SeededDatabase;
import dev.vinekit.run.TestOutcome;
import dev.vinekit.run.TestReport;
import dev.vinekit.schema.Schema;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class WholeWayTest {
    private static final String PRESSES = """
            CREATE TABLE press (
                id INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                name VARCHAR(20) NOT NULL UNIQUE,
                least_bar INT NOT NULL,
                most_bar INT NOT NULL,
                CONSTRAINT press_bars CHECK (least_bar < most_bar),
                CONSTRAINT press_sum CHECK (least_bar + most_bar < 500)
            )
            """;

    /** How many there are in the script of an engine's clauses. */
    private static final Map<String, Integer> TABLES =
            Map.of("h2", 50, "postgresql", 44, "mariadb", 45, "mysql", 49, "sqlite", 37);

    @TempDir
    private Path directory;

    static Stream<String> clauses() {
        return Timebox.of(TABLES.keySet(), "clauses", 40);
    }

    @Tag("thorough")
    @ParameterizedTest
    @MethodSource("clauses")
    void everyClauseGoesAllTheWayToAGreenMatrix(String engine) throws Exception {
        try (TestDatabases clauses = TestDatabases.clauses(engine)) {
            TestReport report = Runner.test(generated(clauses.database()));

            assertThat(report.failures()).isEmpty();
            assertThat(report.changedTables()).isEmpty();
            assertThat(report.outcomes()).hasSizeGreaterThan(900);
            assertThat(report.service().tables()).hasSize(TABLES.get(engine)).allSatisfy(table ->
                    assertThat(report.cell(table.entity(), "list")).as(table.table()).isNotEmpty());
        }
    }

    @Test
    void tablesOfTwoSchemasAreToldApart() throws Exception {
        try (TestDatabases farm = TestDatabases.h2("""
                CREATE SCHEMA orchard;
                CREATE TABLE orchard.tree (id INT PRIMARY KEY, name VARCHAR(20) NOT NULL UNIQUE);
                CREATE TABLE tree (id INT PRIMARY KEY, orchard_tree INT NOT NULL REFERENCES orchard.tree (id));
                """)) {
            Scope scope = new Scope(List.of("PUBLIC", "ORCHARD"), List.of());

            TestReport report = Runner.test(generated(farm.database(), scope));

            assertThat(report.failures()).isEmpty();
            assertThat(report.service().tables()).extracting(table -> table.sqlTable())
                    .containsExactly("orchard.tree", "tree");
        }
    }

    /** Of {@code row} comes a RowRepository, which the service has already. */
    @Tag("thorough")
    @Test
    void tablesOfWhichClassesComeThatTheServiceHasAlreadyCompile(@TempDir Path first) throws Exception {
        Set<String> names = new TreeSet<>();
        try (TestDatabases presses = TestDatabases.h2(PRESSES);
                Stream<Path> files = Files.walk(generated(presses.database(), Scope.all(), first).directory())) {
            files.filter(file -> file.toString().endsWith(".java") && file.getParent().endsWith("support"))
                    .map(file -> file.getFileName().toString().replace(".java", ""))
                    .forEach(name -> names.addAll(
                            List.of(name, name.replaceFirst("(?<=.)(Repository|Service|Registration|Input)$", ""))));
        }
        assertThat(names).contains("Row", "Server", "Sql");
        StringBuilder script = new StringBuilder();
        String reference = "";
        for (String name : names) {
            script.append("CREATE TABLE \"").append(name).append("\" (id INT PRIMARY KEY, kind VARCHAR(5) CHECK (kind IN")
                    .append(" ('a', 'b')), other INT").append(reference).append(");\n");
            reference = " REFERENCES \"" + name + "\"";
        }

        try (TestDatabases tables = TestDatabases.h2(script.toString())) {
            assertThat(generated(tables.database()).service().tables()).hasSameSizeAs(names);
        }
    }

    /** The last name ends in a quotation mark, as the text block around it does; another has a word of errors in it. */
    @Test
    void columnsThatNeedSeveralLinesAndQuotesGoAllTheWay() throws Exception {
        try (TestDatabases presses = TestDatabases.h2("""
                CREATE TABLE "Press" ("Id" INT PRIMARY KEY, "Bought from whom" VARCHAR(20), "Bought on which day" DATE,
                    "Greatest pressure in bar" INT, "Ignored Exceptions" VARCHAR(20) NOT NULL,
                    "Made of" VARCHAR(20));
                """)) {
            assertThat(Runner.test(generated(presses.database())).failures()).isEmpty();
        }
    }

    @Test
    void brokenStatementTurnsTheMatrixRed() throws Exception {
        try (TestDatabases presses = TestDatabases.h2(PRESSES)) {
            Project project = generated(presses.database());
            Path repository = project.directory().resolve(
                    "src/main/java/com/example/made/repository/PressRepository.java");
            Files.writeString(repository,
                    Files.readString(repository).replace(".set(\"name\", \"name\", input.name())",
                            ".set(\"name\", \"name\", input.name().toUpperCase())"));
            QuickCompiler.compile(project);

            TestReport report = Runner.test(project);

            assertThat(report.isGreen()).isFalse();
            assertThat(report.failures()).extracting(TestOutcome::aspect).contains("repository", "replace");
        }
    }

    /** SQLite takes such rows where a script turns its checks off, and says nothing. */
    @Test
    void seedRowsThatReferToNothingAreRefused() throws Exception {
        try (TestDatabases presses = TestDatabases.on("sqlite",
                "CREATE TABLE press (id INTEGER PRIMARY KEY, bought_with INTEGER REFERENCES press);\n")) {
            Project project = generated(presses.database());
            Path seed = project.directory().resolve("src/main/resources/db/seed.sql");
            Files.writeString(seed,
                    "PRAGMA foreign_keys = OFF;\nINSERT INTO press VALUES (1, 77);\nPRAGMA foreign_keys = ON;\n");
            QuickCompiler.compile(project);

            assertThatThrownBy(() -> Runner.test(project)).isInstanceOf(Fault.class)
                    .hasMessageContaining("from press to press");
        }
    }

    @Test
    void codeThatDoesNotCompileIsShownWithItsLine() throws Exception {
        try (TestDatabases presses = TestDatabases.h2(PRESSES)) {
            Project project = generated(presses.database());
            Path entity = project.directory().resolve("src/main/java/com/example/made/entity/Press.java");
            Files.writeString(entity, Files.readString(entity).replace("String name", "Sting name"));

            assertThatThrownBy(() -> QuickCompiler.compile(project)).isInstanceOf(Fault.class)
                    .hasMessageContaining("Press.java:").hasMessageContaining("Sting");
        }
    }

    @Test
    void testsTellWhenTheSchemaHasMovedOn() throws Exception {
        try (TestDatabases presses = TestDatabases.h2(PRESSES);
                TestDatabases later = TestDatabases.h2(PRESSES.replace("VARCHAR(20)", "VARCHAR(5)"))) {
            Project project = generated(presses.database());
            Schema moved = VineKit.read(later.database(), Scope.all());

            assertThatThrownBy(() -> Runner.test(project, moved, Scope.all())).isInstanceOf(Fault.class)
                    .hasMessageContaining("seed rows").hasMessageContaining("NAME");
        }
    }

    @Test
    void testsPassInAnyOrder() throws Exception {
        try (TestDatabases presses = TestDatabases.h2(PRESSES
                + "; CREATE TABLE pressing (id INT GENERATED ALWAYS AS IDENTITY PRIMARY KEY, "
                + "press_id INT NOT NULL REFERENCES press (id), above_id INT REFERENCES pressing (id) ON DELETE CASCADE, litres INT)")) {
            Project project = generated(presses.database());
            for (int seed = 1; seed <= 3; seed++) {
                Map<String, String> order = Map.of("junit.jupiter.testmethod.order.default",
                        "org.junit.jupiter.api.MethodOrderer$Random",
                        "junit.jupiter.testclass.order.default", "org.junit.jupiter.api.ClassOrderer$Random",
                        "junit.jupiter.execution.order.random.seed", String.valueOf(seed));
                order.forEach(System::setProperty);
                try {
                    assertThat(Runner.test(project).failures()).as("seed %d", seed).isEmpty();
                } finally {
                    order.keySet().forEach(System::clearProperty);
                }
            }
        }
    }

    @Test
    void serviceAnswersOverHttp() throws Exception {
        try (TestDatabases presses = TestDatabases.h2(PRESSES)) {
            Project project = generated(presses.database());
            try (SeededDatabase scratch = SeededDatabase.of(project);
                    RunningService service = Runner.serve(project, settings(scratch, "0"))) {
                assertThat(service.endpoints()).contains("/api/presses/{key}  GET PUT PATCH DELETE");

                assertThat(post(service, "{\"name\":\"Big\",\"leastBar\":1,\"mostBar\":6}").statusCode())
                        .isEqualTo(201);

                HttpResponse<String> unordered = post(service, "{\"name\":\"Odd\",\"leastBar\":6,\"mostBar\":6}");
                assertThat(unordered.statusCode()).isEqualTo(400);
                assertThat(violation(unordered, "field")).isEqualTo("leastBar");

                HttpResponse<String> known = post(service, "{\"name\":\"Sum\",\"leastBar\":6,\"mostBar\":600}");
                assertThat(known.statusCode()).isEqualTo(400);
                assertThat(violation(known, "rule")).isEqualTo("PRESS_SUM");

                HttpResponse<String> wrong = post(service, "{\"name\":7,\"leastBar\":\"6\",\"mostBar\":1.5,\"x\":1}");
                assertThat(new ObjectMapper().readTree(wrong.body()).path("violations")).hasSize(4);
                assertThat(wrong.body()).doesNotContain("java.", "SELECT", "Jdbc");
            }
        }
    }

    @Test
    void portInUseIsNamedWithTheWayOut() throws Exception {
        try (TestDatabases presses = TestDatabases.h2(PRESSES); ServerSocket taken = new ServerSocket(0)) {
            Project project = generated(presses.database());
            String port = String.valueOf(taken.getLocalPort());
            try (SeededDatabase scratch = SeededDatabase.of(project)) {
                assertThatThrownBy(() -> Runner.serve(project, settings(scratch, port)).close())
                        .isInstanceOfSatisfying(Fault.class, fault -> {
                            assertThat(fault).hasMessageContaining(port).hasMessageContaining("in use");
                            assertThat(fault.fix()).contains("HTTP_PORT");
                        });
            }
        }
    }

    private Project generated(Database database) {
        return generated(database, Scope.all());
    }

    private Project generated(Database database, Scope scope) {
        return generated(database, scope, directory);
    }

    private static Project generated(Database database, Scope scope, Path directory) {
        Project project = VineKit.write(VineKit.plan(
                VineKit.generate(VineKit.map(VineKit.read(database, scope), "com.example.made")), directory));
        assertThat(QuickCompiler.compile(project).warnings()).isEmpty();
        return project;
    }

    private static Map<String, String> settings(SeededDatabase scratch, String port) {
        return Map.of("DB_URL", scratch.url(), "DB_USER", scratch.user(), "DB_PASSWORD", scratch.password(),
                "HTTP_PORT", port);
    }

    private static HttpResponse<String> post(RunningService service, String body) throws Exception {
        return HttpClient.newHttpClient().send(HttpRequest.newBuilder(URI.create(service.url() + "/presses"))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(body)).build(), HttpResponse.BodyHandlers.ofString());
    }

    private static String violation(HttpResponse<String> answer, String property) throws Exception {
        JsonNode violations = new ObjectMapper().readTree(answer.body()).path("violations");
        return violations.path(0).path(property).asText();
    }
}
