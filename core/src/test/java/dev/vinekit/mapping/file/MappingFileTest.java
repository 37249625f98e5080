package dev.vinekit.mapping.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.Conventions;
import dev.vinekit.mapping.Decisions;
import dev.vinekit.mapping.Finder;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import dev.vinekit.mapping.Remark;
import dev.vinekit.schema.Schema;
import dev.vinekit.source.SourceFile;
import java.io.IOException;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Tag("fast")
class MappingFileTest {
    private static final String SCHEMA = """
            CREATE TABLE vessel (id INT PRIMARY KEY, code VARCHAR(9) NOT NULL UNIQUE, litres INT, photo JSON);
            CREATE TABLE transfer (id INT PRIMARY KEY, vessel_id INT NOT NULL REFERENCES vessel (id), moved_on DATE);
            CREATE TABLE note (line VARCHAR(20));
            CREATE VIEW full_vessel AS SELECT code, litres FROM vessel;
            """;

    @Test
    void everySectionIsRead() {
        Decisions decisions = parse("""
                source: { url: "jdbc:h2:./cellar", user: sa, schemas: [public] }
                tables: { include: [a, b], exclude: [tmp_*], drop-prefix: wc_ }
                project: { package: com.example.a, layout: by-table, interfaces: true, json-names: as-in-database,
                           indentation: tab, file-header: Ours, templates: ours }
                http: { base-path: /cellar/v1 }
                entities:
                  vessel:
                    name: Barrel
                    path: barrels
                    operations: [list, create]
                    key: [code]
                    filters: [litres]
                    finders: [{ by: [code, litres], match: starts-with, name: findSome, roles: [taster] }]
                    fields: { litres: { name: volume, type: long, visibility: read-only } }
                    access: { list: [winemaker] }
                    own-rows: { column: code, claim: sub }
                    stamps: { created-at: "" }
                """).decisions();

        assertThat(decisions.source().url()).contains("jdbc:h2:./cellar");
        assertThat(decisions.tables()).isEqualTo(new Decisions.Tables(
                List.of("a", "b"), List.of("tmp_*"), Optional.of("wc_")));
        assertThat(decisions.project().layout()).contains(Conventions.Layout.BY_TABLE);
        assertThat(decisions.project().jsonNames()).contains(Conventions.JsonNames.AS_IN_DATABASE);
        assertThat(decisions.project().interfaces()).contains(true);
        assertThat(decisions.http().basePath()).contains("/cellar/v1");
        Decisions.OfEntity vessel = decisions.entities().get("vessel");
        assertThat(vessel.operations()).contains(Set.of(Operation.LIST, Operation.CREATE));
        assertThat(vessel.finders().get(0).match()).contains(Finder.Match.STARTS_WITH);
        assertThat(vessel.fields().get("litres").type()).contains("long");
        assertThat(vessel.finders().get(0).roles()).containsExactly("taster");
        assertThat(vessel.access()).isEqualTo(Map.of("list", List.of("winemaker")));
        assertThat(MappingFile.recorded(MappingFile.record(decisions))).isEqualTo(decisions.withoutSource());
        assertThat(MappingFile.record(decisions).toString()).doesNotContain("jdbc:");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', nullValues = "-", value = {
        "${HOST}           | db1",
        "${PORT:-5432}     | 5432",
        "a${HOST}b${HOST}c | adb1bdb1c",
        "$${HOST}          | ${HOST}",
        "${EMPTY:-}x       | x"})
    void variablesOfTheEnvironmentAreFilledIn(String text, String value) {
        MappingFile file = MappingFile.parse("m", "source: {user: \"" + text + "\"}", Map.of("HOST", "db1"), true);

        assertThat(file.decisions().source().user()).contains(value);
    }

    @Test
    void connectionsHaveNamesAndNeedTheirVariablesOnlyWhenTheyAreChosen() {
        MappingFile file = MappingFile.parse("m.yaml", """
                connections:
                  test: {url: "jdbc:h2:./${FOLDER:-data}/cellar", user: sa, password: "${TEST_PASSWORD}", schemas: [wine]}
                  local: {url: "jdbc:h2:mem:${NAME}"}
                  empty: {user: sa}
                """, Map.of("NAME", "cellar"), true);

        file.verify(List.of());
        assertThat(file.connection("local").url()).contains("jdbc:h2:mem:cellar");
        assertThat(file.decisions().connections().get("test").url()).contains("jdbc:h2:./data/cellar");
        assertThatThrownBy(() -> file.connection("test")).isInstanceOf(Fault.class).hasMessage("The environment variable "
                + "TEST_PASSWORD, which the connection test in m.yaml names, is not set.");
        assertThatThrownBy(() -> file.connection("empty")).hasMessage("The connection empty in m.yaml has no url.");
        assertThatThrownBy(() -> file.connection("live")).isInstanceOfSatisfying(Fault.class, fault -> assertThat(
                fault.getMessage() + fault.fix()).isEqualTo("m.yaml has no connection \"live\".Name one of: test, local, empty."));
        assertThatThrownBy(() -> MappingFile.NONE.connection("live")).isInstanceOf(Fault.class);
        assertThat(MappingFile.record(file.decisions()).toString()).doesNotContain("jdbc:");
    }

    @Test
    void missingVariableIsAMistakeOnlyWhereItsValueIsWanted() {
        String text = "source:\n  password: ${NOT_SET}\n";

        assertThatThrownBy(() -> MappingFile.parse("m.yaml", text, Map.of(), true).verifySource())
                .isInstanceOf(Fault.class).hasMessageContaining("m.yaml, line 2, column 3")
                .hasMessageContaining("NOT_SET");
        MappingFile.parse("m.yaml", text, Map.of(), false).verify(List.of());
    }

    /** One line of YAML each, and what is said about it. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "entities: {vesel: {}}                                        | line 1, column 12: There is no table or view \"vesel\"; the nearest is \"VESSEL\".",
        "entites: {}                                                  | line 1, column 1: There is no key \"entites\"; the nearest is \"entities\".",
        "entities: {vessel: {nam: X}}                                 | There is no key \"nam\"; the nearest is \"name\".",
        "entities: {vessel: {name: class}}                            | it is not a Java name",
        "entities: {vessel: {name: T}, transfer: {name: T}}           | another table gives a class of that name",
        "entities: {vessel: {path: x}, transfer: {path: x}}           | Another table has the path \"x\".",
        "entities: {vessel: {path: Ä}}                                | does not fit",
        "entities: {vessel: {operations: [create, raed]}}             | \"raed\" is not one of list, create, read",
        "entities: {note: {operations: [delete]}}                     | \"delete\" is not possible on this table; possible are list, create.",
        "entities: {vessel: {filters: [litre]}}                       | There is no column \"litre\"; the nearest is \"LITRES\".",
        "entities: {vessel: {filters: [photo]}}                       | whose values are not compared",
        "entities: {vessel: {key: [code]}}                            | The table has a primary key",
        "entities: {vessel: {finders: [{match: equal}]}}              | The key \"by\" is missing.",
        "entities: {vessel: {finders: [{by: [litres], match: contains}]}} | which contains does not fit",
        "entities: {vessel: {finders: [{by: [litres]}, {by: [litres]}]}}  | another finder has it",
        "entities: {vessel: {fields: {litres: {name: x}, id: {name: x}}}} | or another field has it",
        "entities: {vessel: {fields: {litres: {name: hashCode}}}}     | no name for a record component",
        "entities: {vessel: {fields: {litres: {type: LocalDate}}}}    | fitting are int, long, BigDecimal",
        "entities: {vessel: {fields: {litres: {converter: a.B}}}}     | A converter needs a type",
        "entities: {transfer: {fields: {vessel_id: {type: long}}}}    | its type is that of the key",
        "entities: {vessel: {fields: {litres: {reference: x}}}}       | The column does not refer to another table.",
        "entities: {vessel: {fields: {id: {visibility: hidden}}}}    | tells rows apart or refers to others: clients need it",
        "entities: {vessel: {fields: {litres: {visibility: secret}}}} | \"secret\" is not one of shown, read-only, write-only, hidden",
        "entities: {vessel: {filters: [litres], fields: {litres: {visibility: hidden}}}} | could find them out",
        "entities: {vessel: {finders: [{by: [litres]}], fields: {litres: {visibility: write-only}}}} | could find them out",
        "own-rows: {column: litres}                                   | This takes a column, and the claim of the token",
        "own-rows: {column: id, claim: sub}                           | Name the roles to which all rows are shown",
        "own-rows: {column: owner, claim: sub, all-for: [a]}          | No table has the column \"owner\".",
        "own-rows: {through: id}                                      | A reference is one table's: say it under entities.",
        "entities: {vessel: {own-rows: {column: id, claim: sub, all-for: [a]}}} | say by access who may do what",
        "own-rows: {column: id, claim: sub, all-for: [a], setting: app.me} | no settings of one's own that end with a transaction",
        "own-rows: {column: id, claim: sub, all-for: [a], setting: me} | \"me\" does not fit",
        "own-rows: {column: id, claim: sub, all-for: [a]}            | say by access who may do what",
        "entities: {vessel: {own-rows: {claim: sub}}}                 | This takes a column and a claim, or the reference",
        "entities: {vessel: {own-rows: {column: id}}}                 | Name the claim of the token",
        "entities: {vessel: {own-rows: {column: owner, claim: sub, all-for: [a]}}} | There is no column \"owner\"",
        "{http: {other-tables: [b]}, entities: {full_vessel: {key: [code]}, note: {own-rows: {column: line, claim: a, all-for: [a]}, fields: {line: {type: b.C, converter: b.D}}}}} | cannot be compared with a claim",
        "entities: {transfer: {own-rows: {through: id}}}              | The column does not refer to another table.",
        "entities: {transfer: {own-rows: {through: vessel_id}}}       | belong to nobody either; say whose they are",
        "entities: {vessel: {stamps: {created-at: litres}}}           | The service cannot fill the column LITRES: it needs a column of dates",
        "entities: {vessel: {stamps: {created-by: id}}}               | known by tokens: say by access who may do what",
        "stamps: {changed-by: x}                                      | known by tokens: say by access who may do what",
        "entities: {vessel: {access: {reed: [a]}}}                    | There is no key \"reed\"; the nearest is \"read\".",
        "entities: {note: {access: {read: [a]}}}                      | The table does not have this operation",
        "entities: [vessel]                                           | Keys with values belong here",
        "entities: {vessel: {operations: create}}                     | A list belongs here",
        "entities: {vessel: {name: [a]}}                              | A single text belongs here.",
        "project: {interfaces: perhaps}                               | true or false belongs here.",
        "seed: {rows: 0}                                              | 0 does not fit; it must be at least 1 and at most 1000000.",
        "seed: {rows: many}                                           | A whole number belongs here.",
        "seed: {number: 0x10}                                         | write it with digits alone",
        "entities: {vessel: {fields: {litres: {name: getLitres}}}}    | no name for a record component",
        "project: {package: com.example.class}                        | is not a Java package name",
        "http: {base-path: api/}                                      | does not fit",
        "http: {base-path: /page/x}                                   | The files of the service's page are at /page",
        "http: {}\\nhttp: {}                                          | The key \"http\" is there twice",
    })
    void mistakesAreSaidWithTheirPlaceAndWhatWouldBeRight(String yaml, String message) throws SQLException {
        Schema schema = schema();
        MappingFile file = parse(yaml.replace("\\n", "\n")).inPackage("com.example.a");

        assertThatThrownBy(() -> VineKit.map(schema, file, Set.of()))
                .isInstanceOfSatisfying(Fault.class, fault -> assertThat(fault.kind()).isEqualTo(Fault.Kind.CALL))
                .hasMessageContaining("vinekit.yaml, line ").hasMessageContaining(message);
    }

    @Test
    void allMistakesAreSaidAtOnceInTheirOrder() throws SQLException {
        Schema schema = schema();
        MappingFile file = parse("entities:\n  vesel:\n    name: A\n  note:\n    nam: B\nproject: {layout: no}\n")
                .inPackage("a.b");

        assertThatThrownBy(() -> VineKit.map(schema, file, Set.of())).hasMessageContaining("3 mistakes")
                .hasMessageMatching("(?s).*line 2, .*line 5, .*line 6, .*");
    }

    @ParameterizedTest
    @CsvSource({"'a: [', 'this is not YAML'", "'\ta: 1', 'this is not YAML'", "'a: &x [*x]', 'There is no key'"})
    void whatIsNotYamlIsRefusedWithItsPlace(String text, String message) {
        assertThatThrownBy(() -> parse(text).verify(List.of())).isInstanceOf(Fault.class)
                .hasMessageContaining("vinekit.yaml, line 1").hasMessageContaining(message);
    }

    @Test
    void proposalOfANewFileChangesNothing() throws SQLException, IOException {
        try (TestDatabases clauses = TestDatabases.clauses("h2")) {
            Schema schema = VineKit.read(clauses.database(), Scope.all());
            Mapping byRule = VineKit.map(schema, "com.example.made");

            Proposal proposal = Proposal.fresh(byRule, Map.of("url", "jdbc:h2:./data: odd #1"));

            MappingFile file = parse(proposal.text());
            Mapping byFile = VineKit.map(schema, file, Set.of());
            assertThat(file.decisions().source().url()).contains("jdbc:h2:./data: odd #1");
            Map<String, String> expected = java(byRule);
            assertThat(java(byFile)).containsOnlyKeys(expected.keySet())
                    .allSatisfy((path, text) -> assertThat(text).isEqualTo(expected.get(path)));
            assertThat(Proposal.refreshed("m", proposal.text(), byFile).text()).isEqualTo(proposal.text());
        }
    }

    @Test
    void offersWaitInCommentsUntilSomebodyTakesThemUp() throws SQLException {
        try (TestDatabases database = TestDatabases.h2(
                "CREATE TABLE cask (uuid BINARY(16) PRIMARY KEY, litres INT, version INT DEFAULT 1 NOT NULL)")) {
            Schema schema = VineKit.read(database.database(), Scope.all());
            String text = Proposal.fresh(VineKit.map(schema, "com.example.a"), Map.of()).text();

            Mapping offered = VineKit.map(schema, parse(text), Set.of());
            Mapping taken = VineKit.map(schema, parse(
                    text.replaceAll("(?m)^    # (version:|fields:|  UUID:)", "    $1")), Set.of());

            assertThat(offered.entities().get(0).version()).isEmpty();
            assertThat(offered.entities().get(0).field("UUID").type()).isEqualTo(JavaType.BINARY);
            assertThat(taken.entities().get(0).version()).contains(taken.entities().get(0).field("VERSION"));
            assertThat(taken.entities().get(0).field("UUID").type()).isEqualTo(JavaType.UUID);
            assertThat(taken.remarks()).noneMatch(Remark::offered);
        }
    }

    @Test
    void refreshKeepsCommentsOrderAndEntriesToTheLetter() throws SQLException {
        String text = """
                # ours
                http:   {base-path: /x}   # odd spacing
                entities:
                    transfer:      # four spaces here
                        path:  moves
                        # at the end of transfer

                # the end
                project: {package: a.b}
                """;

        Proposal proposal = Proposal.refreshed("m", text, map(text));

        assertThat(proposal.added()).containsExactly("full_vessel", "note");
        assertThat(proposal.text()).isEqualTo(text.replace("        # at the end of transfer\n", """
                        # at the end of transfer
                    full_vessel:
                        # A view: it can be listed, nothing else; with a key, its rows can be read one by one.
                        # key: [columns, that, tell, rows, apart]
                    note:
                        # No primary key, and no unique one without NULL: rows can be listed and created, but not
                        # read, changed or deleted one by one.
                        # key: [columns, that, tell, rows, apart]
                """));
    }

    @ParameterizedTest
    @CsvSource({"''", "'entities:\n'", "'project: {package: a.b}'",
            "'entities:\n  # nothing yet\nhttp: {base-path: /a}\n'"})
    void refreshFindsAPlaceInAnyFile(String text) throws SQLException {
        Proposal proposal = Proposal.refreshed("m", text, map(text));

        assertThat(YamlLines.keys(YamlLines.child(MappingFile.compose("m", proposal.text()).orElseThrow(), "entities")
                .orElseThrow())).containsExactly("full_vessel", "note");
        assertThat(proposal.text().lines()).containsAll(text.lines().toList());
        assertThat(Proposal.refreshed("m", proposal.text(), map(proposal.text())).added()).isEmpty();
    }

    @Test
    void entriesInBracesAreLeftToThePerson() throws SQLException {
        String text = "entities: {transfer: {path: moves}}\n";

        Proposal proposal = Proposal.refreshed("m", text, map(text));

        assertThat(proposal.text()).isEqualTo(text);
        assertThat(proposal.byHand()).hasSize(2).anySatisfy(line -> assertThat(line).contains("note:"));
    }

    @Test
    void schemaForEditorsIsJsonAndExplainsEveryKey() throws IOException {
        JsonNode schema = new ObjectMapper().readTree(MappingFile.schema());

        assertThat(schema.path("$schema").textValue()).endsWith("2020-12/schema");
        assertThat(schema.path("properties").fieldNames()).toIterable()
                .containsExactly("source", "connections", "tables", "project", "seed", "http", "features",
                        "own-rows", "stamps", "entities");
        schema.path("$defs").path("entity").path("properties").properties().forEach(property ->
                assertThat(property.getValue().has("description") || property.getValue().has("$ref"))
                        .as(property.getKey()).isTrue());
    }

    /** What is proposed can be read again, also where two things are proposed for a column. */
    @Test
    void stampsAndSecretsAreProposed() throws SQLException {
        String script = """
                CREATE TABLE login (id INT PRIMARY KEY, "class_password" VARCHAR(9), "new" VARCHAR(9), "token" VARCHAR(9),
                    created_at TIMESTAMP, created_by VARCHAR(9), updated_at DATE, deleted_at TIMESTAMP, row_version INT DEFAULT 1 NOT NULL);
                """;
        try (TestDatabases database = TestDatabases.h2(script)) {
            Schema read = VineKit.read(database.database(), Scope.all());
            String proposed = Proposal.fresh(VineKit.map(read, "com.example.cellar"), Map.of()).text();

            assertThat(proposed).contains("visibility: write-only");
            assertThat(proposed.lines().map(String::strip)).contains("# stamps:", "#   created-at: CREATED_AT",
                    "#   created-by: CREATED_BY", "#   changed-at: UPDATED_AT", "#   deleted-at: DELETED_AT");
            String taken = proposed.replaceAll("(?m)^# (stamps:|  (?:created-at|changed-at|deleted-at):.*)$", "$1");
            Mapping mapping = VineKit.map(read, parse(taken).inPackage("com.example.cellar"), Set.of());
            assertThat(mapping.entities().get(0).fields()).filteredOn(field -> !field.told()).hasSize(2);
            assertThat(mapping.entities().get(0).deletion()).isPresent();
        }
    }

    private static Map<String, String> java(Mapping mapping) {
        return VineKit.generate(mapping).files().stream().filter(file -> file.path().endsWith(".java"))
                .collect(Collectors.toMap(SourceFile::path, SourceFile::text, (a, b) -> a, TreeMap::new));
    }

    private static MappingFile parse(String text) {
        return MappingFile.parse("vinekit.yaml", text, Map.of(), true);
    }

    private static Schema schema() throws SQLException {
        try (TestDatabases database = TestDatabases.h2(SCHEMA)) {
            return VineKit.read(database.database(), Scope.all());
        }
    }

    private static Mapping map(String yaml) throws SQLException {
        return VineKit.map(schema(), parse(yaml).inPackage("com.example.a"), Set.of());
    }

    @Test
    void listInPlaceOfTheSectionsIsNamed() {
        MappingFile file = MappingFile.parse("vinekit.yaml", "- vessel", Map.of(), true);

        assertThatThrownBy(file::verifySource).isInstanceOf(Fault.class)
                .hasMessageContaining("vinekit.yaml, line 1, column 1: Keys with values belong here");
    }
}
