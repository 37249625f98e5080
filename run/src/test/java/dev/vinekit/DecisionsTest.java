package dev.vinekit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.vinekit.cellar.Cellar;
import dev.vinekit.engine.Engines;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.RunningService;
import dev.vinekit.run.TestOutcome;
import dev.vinekit.run.TestReport;
import dev.vinekit.schema.Schema;
import dev.vinekit.source.SourceFile;
import dev.vinekit.source.SourceTree;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What people decide in the mapping file is in the generated service. */
class DecisionsTest {
    private static final String MANY = """
            tables: { exclude: [label] }
            project:
              package: com.example.house
              layout: by-table
              interfaces: true
              json-names: as-in-database
              indentation: "2"
              file-header: |
                Copyright the Made-Up Winery.
                Odd: */ \\u002a/
            http: { base-path: /cellar/v1 }
            features: { page: false, cors: true, class-archive: true, container: true, systemd: true }
            entities:
              vessel_transfer:
                name: Transfer
                path: transfers
                operations: [create, read, list]
                filters: [moved_at, from]
                fields: { from: { name: sourceVessel, reference: source } }
                finders:
                  - { by: [moved_at], match: between }
                  - { by: [from], match: in, name: fromAnyOf }
                  - { by: [from, moved_at], match: less }
              parcel:
                finders:
                  - { by: [name], match: contains }
                  - { by: [name], match: starts-with }
                  - { by: [variety_code, slope_percent], match: greater }
                fields:
                  area_ha: { name: area, type: com.example.house.own.Size, converter: com.example.house.own.SizeConverter }
              wine_lot: { operations: [read, patch, create], fields: { vintage: { type: long } } }
              cellar_stock: { key: [code] }
              grape_variety: { operations: [list, read] }
            """;

    private static final String UUIDS = """
              press: { fields: { id: { type: UUID } } }
              press_part: { fields: { guid: { type: UUID } } }
            """;

    private static final String OWN_TYPE = """
            package com.example.house.own;

            import com.fasterxml.jackson.annotation.JsonCreator;
            import com.fasterxml.jackson.annotation.JsonValue;
            import java.math.BigDecimal;

            public record Size(@JsonValue BigDecimal hectares) {
                @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
                public Size {
                }
            }
            """;

    private static final String OWN_CONVERTER = """
            package com.example.house.own;

            import com.example.house.support.ColumnConverter;
            import java.math.BigDecimal;

            public final class SizeConverter implements ColumnConverter<BigDecimal, Size> {
                @Override
                public Size fromDatabase(BigDecimal stored) {
                    return new Size(stored);
                }

                @Override
                public BigDecimal toDatabase(Size size) {
                    return size.hectares();
                }
            }
            """;

    @TempDir
    private Path directory;

    static Stream<String> engines() {
        return Timebox.of(List.of("h2", "postgresql", "mariadb", "mysql", "sqlite"), "decisions", 20);
    }

    @Tag("thorough")
    @ParameterizedTest
    @MethodSource("engines")
    void manyDecisionsTogetherGiveAGreenService(String engine) throws IOException, SQLException {
        Project project;
        try (Cellar cellar = TestDatabases.cellar(engine)) {
            addPresses(cellar, engine);
            MappingFile file = MappingFile.parse("m", MANY + UUIDS, Map.of(), true);
            Schema schema = VineKit.read(cellar.database(),
                    new Scope(List.of(), List.of(), file.decisions().tables().exclude()));
            project = VineKit.write(VineKit.plan(VineKit.generate(VineKit.map(schema, file, Set.of())),
                    directory.resolve("p")));
        }
        Path own = Files.createDirectories(project.directory().resolve("src/main/java/com/example/house/own"));
        Files.writeString(own.resolve("Size.java"), OWN_TYPE);
        Files.writeString(own.resolve("SizeConverter.java"), OWN_CONVERTER);

        QuickCompiler.compile(project);
        TestReport report = Runner.test(project);

        assertThat(report.failures()).isEmpty();
        assertThat(report.cell("Transfer", "service")).hasSizeGreaterThan(5);
        assertThat(Files.readString(project.directory()
                .resolve("src/main/java/com/example/house/pressing/Pressing.java"))).contains("UUID pressId");
        assertThat(report.outcomes()).extracting(outcome -> outcome.name().replaceAll("\\(.*", "")).contains(
                "listWhereMovedAtIsBetweenFiltersTheList", "fromAnyOfReturnsTheRowsThatMatch",
                "listWhereNameContainsFiltersTheList",
                "includeTellsTheRowThatIsReferredTo", "listWhereSourceVesselIsAndMovedAtIsLessReturnsTheRowsThatMatch");
    }

    private static void addPresses(Cellar cellar, String engine) throws SQLException {
        String bytes = engine.equals("postgresql") ? "BYTEA" : "BINARY(16)";
        try (Connection connection = DriverManager.getConnection(cellar.database().url(), cellar.database().user(),
                cellar.database().password());
                Statement statement = connection.createStatement()) {
            statement.executeUpdate("CREATE TABLE press (id " + bytes
                    + " NOT NULL PRIMARY KEY CHECK (octet_length(id) = 16), name VARCHAR(40))");
            statement.executeUpdate("CREATE TABLE press_part (press_id " + bytes + " NOT NULL, guid " + bytes
                    + " NOT NULL CHECK (octet_length(guid) = 16), "
                    + "PRIMARY KEY (press_id, guid), FOREIGN KEY (press_id) REFERENCES press (id))");
            statement.executeUpdate("CREATE TABLE pressing (id INT NOT NULL PRIMARY KEY, press_id " + bytes
                    + ", FOREIGN KEY (press_id) REFERENCES press (id))");
        }
    }

    /**
     * What the service adds to its repository is proved without a database: a change of the service, and the test that
     * notices it.
     */
    @Test
    void testsOfServicesByThemselvesNotice() throws Exception {
        Map<List<String>, String> changes = Map.of(
                List.of("check(input, OnCreate.class).verify();", ""), "createOfAnInputThatBreaksARuleAsksNoDatabase",
                List.of("transactions.write(connection -> repository.insert(connection, input))",
                        "transactions.read(connection -> repository.insert(connection, input))"),
                                "createCommitsWhatTheRepositoryInserts",
                List.of("verifyState(connection, id, precondition);", ""), "deleteOfAnotherStateDeletesNothing",
                List.of("if (!deleted)", "if (deleted)"), "deleteOfAMissingRowIs404",
                List.of("find.row(connection, key).orElseThrow(() -> missing(key))",
                        "find.row(connection, key).orElse(null)"), "findOfAMissingRowIs404");
        try (TestDatabases database =
                TestDatabases.h2("CREATE TABLE cask (id INT PRIMARY KEY, wood VARCHAR(9) NOT NULL, litres INT)")) {
            MappingFile file = MappingFile.parse("m", "project: { package: com.example.made, interfaces: true }",
                    Map.of(), true);
            Project project = VineKit.write(VineKit.plan(VineKit.generate(VineKit.map(
                    VineKit.read(database.database(), Scope.all()), file, Set.of())), directory.resolve("p")));
            Path sources = project.directory().resolve("src/main/java/com/example/made");
            Path service = sources.resolve("service/TransactionalCaskService.java");
            Path steps = sources.resolve("support/RowService.java");
            String text = Files.readString(service);
            String shared = Files.readString(steps);
            for (Map.Entry<List<String>, String> change : changes.entrySet()) {
                String from = change.getKey().get(0);
                assertThat(text + shared).contains(from);
                Files.writeString(service, text.replace(from, change.getKey().get(1)));
                Files.writeString(steps, shared.replace(from, change.getKey().get(1)));

                TestReport report = Runner.test(project, QuickCompiler.compile(project));

                assertThat(report.failures()).filteredOn(outcome -> outcome.testClass().equals("CaskServiceTest"))
                        .extracting(TestOutcome::name).contains(change.getValue());
            }
        }
    }

    /** Services of keys that are equal in other letters too, and of rows that are inserted many at once. */
    @ParameterizedTest
    @ValueSource(strings = {"mariadb", "mysql"})
    void testsOfServicesByThemselvesAreGreen(String engine) throws Exception {
        try (TestDatabases database = TestDatabases.on(engine, "CREATE TABLE yeast (code VARCHAR(9) PRIMARY KEY, "
                + "note TEXT); CREATE TABLE cask (id INT AUTO_INCREMENT PRIMARY KEY, litres INT NOT NULL, note TEXT)")) {
            MappingFile file = MappingFile.parse("m", "project: { package: com.example.made, interfaces: true }",
                    Map.of(), true);
            Project project = VineKit.write(VineKit.plan(VineKit.generate(VineKit.map(
                    VineKit.read(database.database(), Scope.all()), file, Set.of())), directory.resolve("p")));

            TestReport report = Runner.test(project, QuickCompiler.compile(project));

            assertThat(report.failures()).isEmpty();
            assertThat(report.outcomes()).filteredOn(outcome -> outcome.testClass().endsWith("ServiceTest"))
                    .extracting(TestOutcome::name)
                    .contains("createAllInsertsEachInOneTransaction", "replaceGivesTheRowAsStored");
        }
    }

    @Test
    void codeIsLaidOutAsDecided() throws Exception {
        Map<String, String> files = generate(MANY);

        String repository = files.get("src/main/java/com/example/house/transfer/JdbcTransferRepository.java");
        assertThat(repository)
                .startsWith(
                        "/*\n * Copyright the Made-Up Winery.\n * Odd: * / \\ u002a/\n */\npackage com.example.house.transfer;")
                .contains("\n  @Override\n  public PageResult<Transfer> listWhereMovedAtIsBetween(")
                .doesNotContain("\n    @Override");
        assertThat(files.get("src/main/java/com/example/house/transfer/TransferRepository.java"))
                .contains("public interface TransferRepository {")
                .contains("/** The rows of a page whose movedAt lies between");
        assertThat(files.get("src/main/java/com/example/house/transfer/Transfer.java"))
                .contains("@JsonProperty(\"moved_at\")");
        assertThat(files.get("src/main/java/com/example/house/transfer/TransferController.java"))
                .contains("@Path(\"transfers\")").doesNotContain("@PUT", "@DELETE", "@PATCH");
        assertThat(files.get("src/main/java/com/example/house/support/Settings.java")).contains("\"/cellar/v1\"");
        assertThat(files).doesNotContainKey("src/main/java/com/example/house/label/Label.java");
        assertThat(files.keySet()).as("no page")
                .noneMatch(file -> file.contains("resources/page/") || file.endsWith("PageFiles.java"));
        assertThat(files.get("pom.xml")).doesNotContain("lit-html");
    }

    /** However many rows there are, each reference that is included takes one statement more. */
    @Test
    void includeTakesOneStatementForEachReference() throws Exception {
        Project project;
        try (Cellar cellar = Cellar.open("h2")) {
            Mapping mapping = VineKit.map(VineKit.read(cellar.database(), Scope.all()), "com.example.cellar");
            project = VineKit.write(VineKit.plan(VineKit.generate(mapping, Cellar.seed("h2")), directory.resolve("p")));
        }
        QuickCompiler.compileService(project);
        try (ScratchDatabase database = TestDatabases.administered(Engines.named("h2"));
                RunningService service = Runner.serve(project,
                        Map.of("DB_URL", database.url(), "DB_USER", database.user(),
                        "DB_PASSWORD", database.password(), "HTTP_PORT", "0"));
                Statement statement = database.anchor().createStatement()) {
            database.execute(Files.readString(project.directory().resolve("src/main/resources/db/schema.sql")));
            database.execute(Cellar.seed("h2"));
            for (int limit : List.of(1, 10, 400)) {
                assertThat(statements(statement, service, "/vessel-transfers?limit=" + limit)).isEqualTo(1);
                assertThat(statements(statement, service, "/vessel-transfers?include=fromVessel&limit=" + limit))
                        .isEqualTo(2);
                assertThat(statements(statement, service,
                        "/vessel-transfers?include=fromVessel,toVessel,cellarHand&limit=" + limit))
                        .isEqualTo(4);
            }
            JsonNode rows = get(service, "/vessel-transfers?include=fromVessel,toVessel&limit=400");
            assertThat(rows).isNotEmpty().allSatisfy(row -> {
                assertThat(row.path("fromVessel").path("id")).isEqualTo(row.get("from"));
                assertThat(row.path("toVessel").path("id")).isEqualTo(row.get("to"));
            });
            assertThat(get(service, "/vessel-transfers?include=nothing").path("detail").textValue())
                    .contains("nothing", "fromVessel", "toVessel");
        }
    }

    private static int statements(Statement statement, RunningService service, String path) throws Exception {
        statement.execute("SET QUERY_STATISTICS FALSE");
        statement.execute("SET QUERY_STATISTICS TRUE");
        get(service, path);
        try (ResultSet row = statement.executeQuery(
                "SELECT SUM(execution_count) FROM information_schema.query_statistics "
                + "WHERE sql_statement LIKE 'SELECT%FROM vessel%' OR sql_statement LIKE 'SELECT%FROM cellar_hand%'")) {
            row.next();
            return row.getInt(1);
        }
    }

    private static JsonNode get(RunningService service, String path) throws Exception {
        return new ObjectMapper().readTree(HttpClient.newHttpClient().send(
                HttpRequest.newBuilder(URI.create(service.url() + path)).build(), HttpResponse.BodyHandlers.ofString())
                .body());
    }

    @Test
    void keyThatIsAUuidIsMadeByTheService() throws Exception {
        Map<String, String> files = generateFor("CREATE TABLE crate (id UUID PRIMARY KEY, note VARCHAR(9))", "");

        assertThat(files.get("src/main/java/com/example/made/repository/CrateRepository.java"))
                .contains(".set(\"id\", input.id() == null ? UUID.randomUUID() : input.id())");
        assertThat(files.get("src/main/java/com/example/made/dto/CrateInput.java")).doesNotContain("@NotNull");
    }

    /** A column may be called like a parameter of paging, or like a variable of ours. */
    @Test
    void columnsWithNamesOfOursAreFoundByAllTheSame() throws Exception {
        Project project = VineKit.write(VineKit.plan(tree(
                "CREATE TABLE gauge (id INT PRIMARY KEY, \"limit\" INT, page INT, condition VARCHAR(9), \"connection\" INT)",
                "entities: {gauge: {finders: [{by: [limit]}, {by: [page, condition], match: contains}, {by: [connection], match: in}]}}",
                Optional.empty()), directory.resolve("p")));

        QuickCompiler.compile(project);

        assertThat(Runner.test(project).failures()).isEmpty();
    }

    @Test
    void referringNumberHasTheTypeOfTheKey() throws Exception {
        Map<String, String> files = generateFor("""
                CREATE TABLE vat (id BIGINT PRIMARY KEY, note VARCHAR(9));
                CREATE TABLE tap (id INT PRIMARY KEY, vat_id INT NOT NULL REFERENCES vat (id), old_id INT REFERENCES vat (id));
                """, "");

        assertThat(files.get("src/main/java/com/example/made/entity/Tap.java")).contains("long vatId", "Long oldId");
        assertThat(files.get("src/main/java/com/example/made/repository/TapRepository.java"))
                .contains("row.getLong(2)", "Sql.nullable(row, row.getLong(3))",
                        "listWhereVatIdIs(Connection connection, long vatId");
    }

    @Test
    void newTableDoesNotTakeTheNameOfOneThatWasThere() throws Exception {
        try (TestDatabases before = TestDatabases.h2("CREATE TABLE vats (id INT PRIMARY KEY)");
                TestDatabases after =
                        TestDatabases.h2(
                                "CREATE TABLE vats (id INT PRIMARY KEY); CREATE TABLE vat (id INT PRIMARY KEY)")) {
            MappingFile file = MappingFile.NONE.inPackage("a.b");

            assertThat(names(VineKit.map(VineKit.read(before.database(), Scope.all()), file, Set.of())))
                    .containsEntry("VATS", "Vat /vats");
            assertThat(names(VineKit.map(VineKit.read(after.database(), Scope.all()), file, Set.of("VATS"))))
                    .containsEntry("VATS", "Vat /vats").containsEntry("VAT", "VatRow /vats-2");
        }
    }

    private static Map<String, String> names(Mapping mapping) {
        return mapping.entities().stream().collect(Collectors.toMap(
                entity -> entity.table().name().name(), entity -> entity.name() + " /" + entity.path()));
    }

    /** What the house puts in the place of ours, and what a template may not do. */
    @Test
    void templatesOfTheHouseReplaceOurs() throws Exception {
        Path templates = Files.createDirectories(directory.resolve("t/project"));
        Files.writeString(templates.resolve("README.md.ftl"), "# ${s.artifact} of the house\n");

        SourceTree tree = tree("CREATE TABLE vat (id INT PRIMARY KEY)", "", Optional.of(directory.resolve("t")));

        assertThat(tree.ownTemplates()).containsExactly("project/README.md.ftl");
        assertThat(tree.files()).filteredOn(file -> file.path().equals("README.md"))
                .extracting(SourceFile::text).containsExactly("# made-service of the house\n");
    }

    @ParameterizedTest
    @ValueSource(strings = {
        "one\n${s.nothing.more}", "one\n<#assign x = \"java.lang.ProcessBuilder\"?new(\"id\")>",
                "one\n${s.class.classLoader}",
        "one\n<#include \"../../../etc/passwd\">", "one\n${s?api.hashCode()}",
        "one\n<#if", "one\n${s.getClass().getName()}",
        "one\n<#include \"/../secret.ftl\">"})
    void templateReadsItsModelAndNothingElseAndMistakesHaveTheirLine(String text) throws Exception {
        Path templates = Files.createDirectories(directory.resolve("t/project"));
        Files.writeString(directory.resolve("secret.ftl"), "secret");
        Files.writeString(templates.resolve("README.md.ftl"), text);

        assertThatThrownBy(() -> tree("CREATE TABLE vat (id INT PRIMARY KEY)", "", Optional.of(directory.resolve("t"))))
                .isInstanceOf(Fault.class).hasMessageContaining("README.md.ftl, line 2");
    }

    @Test
    void templateThatReplacesNothingIsRefused() throws Exception {
        Files.createDirectories(directory.resolve("t/table"));
        Files.writeString(directory.resolve("t/table/entty.ftl"), "x");

        assertThatThrownBy(() -> tree("CREATE TABLE vat (id INT PRIMARY KEY)", "", Optional.of(directory.resolve("t"))))
                .isInstanceOfSatisfying(Fault.class, fault -> assertThat(fault.fix()).contains("table/entity.ftl"));
    }

    /** The generated code of the cellar reads as if a person had written it. */
    @Test
    void generatedCodeIsTidy() throws Exception {
        try (Cellar cellar = Cellar.open("h2")) {
            Mapping mapping = VineKit.map(VineKit.read(cellar.database(), Scope.all()), "com.example.cellar");
            for (SourceFile file : VineKit.generate(mapping).files()) {
                if (!file.path().endsWith(".java")) {
                    continue;
                }
                String code = file.text().replaceAll("(?m)^import .*$", "");
                Matcher imported = Pattern.compile("(?m)^import (?:static )?[\\w.]+\\.(\\w+);$").matcher(file.text());
                while (imported.find()) {
                    assertThat(code).as(file.path()).containsPattern("\\b" + imported.group(1) + "\\b");
                }
                assertThat(file.text().lines()).as(file.path())
                        .allMatch(line -> line.length() <= 120 && !line.endsWith(" "));
                assertThat(file.text()).as(file.path()).doesNotContain("\n\n\n", "{\n\n", "\n\n}", "\t")
                        .endsWith("}\n");
            }
        }
    }

    private Map<String, String> generate(String yaml) throws Exception {
        try (Cellar cellar = Cellar.open("h2")) {
            MappingFile file = MappingFile.parse("m", yaml, Map.of(), true);
            Schema schema = VineKit.read(cellar.database(),
                    new Scope(List.of(), List.of(), file.decisions().tables().exclude()));
            return texts(VineKit.generate(VineKit.map(schema, file, Set.of())));
        }
    }

    private Map<String, String> generateFor(String script, String yaml) throws Exception {
        return texts(tree(script, yaml, Optional.empty()));
    }

    private static SourceTree tree(String script, String yaml, Optional<Path> templates) throws Exception {
        try (TestDatabases database = TestDatabases.h2(script)) {
            MappingFile file = MappingFile.parse("m", yaml, Map.of(), true).inPackage("com.example.made");
            return VineKit.generate(VineKit.map(VineKit.read(database.database(), Scope.all()), file, Set.of()),
                    templates);
        }
    }

    private static Map<String, String> texts(SourceTree tree) {
        return tree.files().stream().collect(Collectors.toMap(SourceFile::path, SourceFile::text));
    }
}
