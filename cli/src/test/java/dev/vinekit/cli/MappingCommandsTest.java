package dev.vinekit.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The way of a mapping: proposed, edited, generated, and brought up to date when the schema has changed. */
class MappingCommandsTest {
    private static final String SCRIPT = """
            CREATE TABLE vat (id INT PRIMARY KEY, code VARCHAR(9) NOT NULL, litres INT);
            CREATE TABLE tapping (id INT PRIMARY KEY, vat_id INT NOT NULL REFERENCES vat (id), "class" VARCHAR(9));
            CREATE TABLE note (line VARCHAR(20));
            """;
    private static final String ENTITY = "service/src/main/java/com/example/orchard/entity/Vat.java";

    @TempDir
    private Path directory;

    private Tool tool;

    @AfterEach
    void end() {
        tool.close();
    }

    @BeforeEach
    void writeScript() throws Exception {
        tool = new Tool(directory);
        Files.writeString(directory.resolve("schema.sql"), SCRIPT);
    }

    @Test
    void mapProposesAndRefreshesWhatGenerateThenFollows() throws Exception {
        Tool.Result made = tool.run("map", "--script", "schema.sql", "--engine", "h2", "--package",
                "com.example.orchard");

        assertThat(made.exit()).as(made.err()).isZero();
        assertThat(made.out()).contains("tapping: The field of column class is not named class: it is a Java keyword.",
                "Written: vinekit.yaml, with 2 entries to look at: note, tapping.",
                "Next: edit it, then vinekit generate");
        assertThat(directory.resolve(".vinekit/mapping.schema.json")).exists();
        Path file = directory.resolve("vinekit.yaml");
        String edited = Files.readString(file).replace("  tapping:\n", "  # ours\n  tapping:\n    path: taps\n");
        Files.writeString(file, edited);
        assertThat(tool.run("map").out()).contains("Nothing to add to vinekit.yaml.");
        assertThat(file).hasContent(edited);

        Tool.Result generated = tool.run("generate");

        assertThat(generated.exit()).as(generated.err()).isZero();
        assertThat(generated.out()).contains("No access control").containsPattern("tapping +Tapping +/taps ")
                .containsPattern("new +not there before\\s+\\d+ of the service as a whole, 3 controllers, 3 inputs,")
                .contains("Each table and file: ", "Next: vinekit test");
        assertThat(directory.resolve("target/vinekit/generate.txt")).content()
                .contains("Vat.java, VatController.java,");
        assertThat(tool.run("generate", "--verbose").out()).contains("VatController.java,");
        assertThat(tool.run("generate").out()).contains("Nothing to write: the project is up to date.");
        Files.writeString(file, edited.replace("path: taps", "pth: taps\n    filters: [idd]"));
        Tool.Result refused = tool.run("generate");
        assertThat(refused.exit()).isEqualTo(2);
        assertThat(refused.err()).contains("2 mistakes", "There is no key \"pth\"; the nearest is \"path\".",
                "There is no column \"idd\"; the nearest is \"ID\".");
    }

    @Test
    void schemaChangeIsComparedShownAsADiffPatchedAndMerged() throws Exception {
        generate();
        assertThat(generate("compare").exit()).isZero();
        edit("public record Vat(", "// ours\npublic record Vat(");
        Files.writeString(directory.resolve("schema.sql"), SCRIPT
                + "ALTER TABLE vat ADD COLUMN toast VARCHAR(8) NOT NULL;"
                + "ALTER TABLE tapping DROP COLUMN \"class\";");

        Tool.Result drift = generate("compare");
        assertThat(drift.exit()).isEqualTo(1);
        assertThat(drift.out()).contains("added    column toast: VARCHAR(8), not null",
                "API      toast is new in answers, and must be sent to create a row  breaks clients",
                "2 changes; 2 things");
        JsonNode json = new ObjectMapper().readTree(generate("compare", "--format", "json").out());
        assertThat(json.path("drift").booleanValue()).isTrue();
        assertThat(json.path("effects").findValuesAsText("effect")).contains("Vat.toast is new: String");
        assertThat(json.path("decisions").get(0).textValue()).isEqualTo("Loses the values of class.");
        assertThat(generate("compare", "--sql").out()).contains("ALTER TABLE vat ADD COLUMN toast VARCHAR(8);",
                "-- Statements that wait for your decision: 1.",
                "-- ALTER TABLE tapping DROP COLUMN \"class\";");

        Tool.Result shown = generate("generate", "--dry-run", "--diff");
        assertThat(shown.out()).containsPattern("merged +edited by hand too")
                .contains("+        String toast) {", "Would be written");
        Tool.Result patched = generate("generate", "--patch", "changes.patch");
        assertThat(patched.out()).contains("Next: git apply changes.patch");
        assertThat(directory.resolve(ENTITY)).content().doesNotContain("toast");
        assertThat(directory.resolve("changes.patch")).content()
                .contains("--- a/" + ENTITY.substring("service/".length()), "src/main/resources/db/changes/0001-");

        Tool.Result merged = generate("generate");
        assertThat(merged.exit()).as(merged.err()).isEqualTo(1);
        assertThat(merged.out()).contains("does nothing until you decide on 1 statement", "Loses the values of class.");
        assertThat(directory.resolve(ENTITY)).content().contains("// ours", "String toast)");
    }

    @Test
    void conflictExitsWithOneAndSaysWhere() throws Exception {
        generate();
        edit("Integer litres)", "Number litres)");
        Files.writeString(directory.resolve("schema.sql"), SCRIPT + "ALTER TABLE vat ADD COLUMN toast VARCHAR(8);");

        Tool.Result result = generate("generate");

        assertThat(result.exit()).isEqualTo(1);
        assertThat(result.out()).containsPattern("conflict +edited by hand in the same lines")
                .contains(ENTITY.substring("service/".length()));
        assertThat(directory.resolve(ENTITY)).content()
                .contains("<<<<<<< edited", "Number litres)", ">>>>>>> generated now");
    }

    @Test
    void mappingFileMayTakeTheDatabaseFromTheEnvironment() throws Exception {
        String url = tool.database(SCRIPT);
        Files.writeString(directory.resolve("vinekit.yaml"),
                "source:\n  url: ${ORCHARD}\n  user: sa\n  password: ${SECRET:-pressed}\n");

        Tool.Result missing = tool.run("inspect");
        Tool.Result found = tool.run(Map.of("ORCHARD", url), "inspect");

        assertThat(missing.exit()).isEqualTo(2);
        assertThat(missing.err()).contains("vinekit.yaml, line 2, column 3", "ORCHARD is not set");
        assertThat(found.exit()).as(found.err()).isZero();
        assertThat(found.out()).contains("VAT").doesNotContain("pressed");
    }

    @Test
    void rolesAreEnforcedAndTokenMakesOneToTryThemOut() throws Exception {
        Files.writeString(directory.resolve("vinekit.yaml"), """
                source: {}
                entities:
                  vat:
                    access: {read: [cooper], create: [cooper, master]}
                """);
        Tool.Result generated = tool.run("generate", "--script", "schema.sql", "--engine", "h2", "--dir", ".");
        assertThat(generated.exit()).as(generated.err()).isZero();
        assertThat(generated.out()).contains("Access by bearer tokens, with roles for 1 of 3 tables and views.",
                "Closed to everybody, for nothing is said of them: NOTE, TAPPING.");

        Tool.Result token = tool.run("token", "--role", "cooper");
        Tool.Result again = tool.run("token", "--role", "cooper", "--subject", "someone");
        Tool.Result unknown = tool.run("token", "--role", "coper");
        Tool.Result claiming = tool.run("token", "--claim", "hand=7", "--claim", "estate=North");
        Tool.Result twice = tool.run("token", "--claim", "exp=7");

        assertThat(token.out()).matches("[\\w-]+\\.[\\w-]+\\.[\\w-]+\n");
        assertThat(claims(token).path("roles")).hasSize(1).first().isEqualTo(new ObjectMapper().valueToTree("cooper"));
        assertThat(claims(again).path("sub").asText()).isEqualTo("someone");
        assertThat(token.err()).contains("Roles: cooper; valid for 60 minutes");
        assertThat(directory.resolve("target/development-secret")).isRegularFile();
        assertThat(unknown.exit()).isEqualTo(2);
        assertThat(unknown.err()).contains("does not know the role coper", "cooper, master");
        assertThat(claims(claiming).path("hand").isInt()).isTrue();
        assertThat(claims(claiming).path("estate").asText()).isEqualTo("North");
        assertThat(twice.exit()).isEqualTo(2);
        assertThat(twice.err()).contains("Every token says exp already.");
        assertThat(tool.run("token", "--minutes", "0").exit()).isEqualTo(2);
    }

    /** Who may do what is shown, and what a change of the schema opens is marked. */
    @Test
    void accessIsAMatrixAndCompareMarksWhatOpens() throws Exception {
        Files.writeString(directory.resolve("schema.sql"), """
                CREATE TABLE lot (id INT PRIMARY KEY, hand VARCHAR(20) NOT NULL, pin_hash VARCHAR(60), deleted_at TIMESTAMP);
                CREATE TABLE reading (id INT PRIMARY KEY, lot_id INT REFERENCES lot (id));
                """);
        Files.writeString(directory.resolve("vinekit.yaml"), """
                own-rows: {column: hand, claim: sub, all-for: [winemaker]}
                stamps: {deleted-at: deleted_at}
                http: {other-tables: [winemaker]}
                entities:
                  lot:
                    access: {read: [hand], create: [hand], delete: [winemaker], restore: [winemaker]}
                """);

        String generated = here("generate").out();

        assertThat(generated).containsPattern("table +hand +winemaker +rows +fields")
                .containsPattern("lot +all but delete restore +delete restore +own \\(hand\\); all: winemaker +not told: pinHash")
                .containsPattern("reading +[-\u2013] +everything +all +all");
        Files.writeString(directory.resolve("schema.sql"), """
                CREATE TABLE lot (id INT PRIMARY KEY, keeper VARCHAR(20) NOT NULL, pin VARCHAR(60), deleted_at TIMESTAMP);
                CREATE TABLE reading (id INT PRIMARY KEY, lot_id INT REFERENCES lot (id));
                CREATE TABLE note (id INT PRIMARY KEY);
                """);
        Files.writeString(directory.resolve("vinekit.yaml"), Files.readString(directory.resolve("vinekit.yaml"))
                .replace("column: hand,", "column: deleted_by,"));
        assertThat(here("compare").err()).contains("No table has the column \"deleted_by\".");
        Files.writeString(directory.resolve("vinekit.yaml"), """
                own-rows: {column: hand, claim: sub, all-for: [winemaker]}
                http: {other-tables: [winemaker]}
                entities: {lot: {access: {read: [hand]}}, note: {own-rows: {column: ""}}}
                """);
        Files.writeString(directory.resolve("schema.sql"), Files.readString(directory.resolve("schema.sql"))
                .replace("note (id INT PRIMARY KEY)", "note (id INT PRIMARY KEY, hand VARCHAR(9))"));

        Tool.Result drift = here("compare");

        assertThat(drift.out()).containsPattern("rows no longer belong to anybody.* opens")
                .containsPattern("/notes is new.* opens").containsPattern("pin is told in answers.* opens")
                .contains("that somebody is shown, or may do, and was not or might not before.");
        assertThat(new ObjectMapper().readTree(here("compare", "--format", "json").out()).path("opens").asBoolean()).isTrue();

        here("generate");
        assertThat(here("compare").exit()).isZero();
        Files.writeString(directory.resolve("vinekit.yaml"), Files.readString(directory.resolve("vinekit.yaml"))
                .replace("read: [hand]", "read: [hand, guest]"));

        Tool.Result opened = here("compare");

        assertThat(opened.exit()).isEqualTo(1);
        assertThat(opened.out()).containsPattern("lot.* \\(by the mapping file\\)")
                .containsPattern("list is possible for guest +opens").containsPattern("read is possible for guest +opens")
                .contains("No change of the schema, and nothing that breaks clients.", "2 things that somebody is shown");
    }

    private Tool.Result here(String... arguments) throws Exception {
        List<String> all = new ArrayList<>(List.of(arguments));
        all.addAll(List.of("--script", "schema.sql", "--engine", "h2", "--dir", "."));
        return tool.run(all.toArray(String[]::new));
    }

    private static JsonNode claims(Tool.Result token) throws Exception {
        return new ObjectMapper().readTree(Base64.getUrlDecoder().decode(token.out().split("\\.")[1]));
    }

    private void generate() throws Exception {
        assertThat(generate("generate", "--package", "com.example.orchard").exit()).isZero();
    }

    private Tool.Result generate(String... arguments) throws Exception {
        String[] all = Arrays.copyOf(arguments, arguments.length + 6);
        System.arraycopy(new String[] {"--script", "schema.sql", "--engine", "h2", "--dir", "service"}, 0, all,
                arguments.length, 6);
        return tool.run(all);
    }

    private void edit(String from, String to) throws Exception {
        Path file = directory.resolve(ENTITY);
        Files.writeString(file, Files.readString(file).replace(from, to));
    }
}
