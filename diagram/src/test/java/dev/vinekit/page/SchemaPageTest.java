package dev.vinekit.page;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.cellar.Cellar;
import dev.vinekit.engine.Database;
import dev.vinekit.engine.SampleOfRows;
import dev.vinekit.engine.ScriptDatabase;
import dev.vinekit.mapping.Operation;
import dev.vinekit.project.ServiceDescription;
import dev.vinekit.project.ServiceDescription.RuleDescription;
import dev.vinekit.project.ServiceDescription.TableDescription;
import dev.vinekit.run.TestOutcome;
import dev.vinekit.run.TestReport;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.TableName;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SchemaPageTest {
    @TempDir
    private Path directory;

    private static Element section(Document page, String table) {
        return page.select("section").stream().filter(section -> section.selectFirst("h2").ownText().equals(table))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void everyTableIsThereInFull() {
        try (Cellar cellar = Cellar.open()) {
            Schema schema = VineKit.read(cellar.database(), Scope.all());
            Document page = Jsoup.parse(SchemaPage.of(schema)
                    .withCounts(VineKit.rowCounts(cellar.database(), schema, true))
                    .withService(VineKit.map(schema, "com.example.cellar")).html("the cellar"));

            assertThat(page.select("section")).hasSize(schema.tables().size());
            assertThat(page.select("nav li").eachText()).contains("BOTTLING24");
            Element bottling = section(page, "BOTTLING");
            assertThat(bottling.select("tr").eachText())
                    .contains("LITRES NUMERIC(12, 3) yes = (\"BOTTLES\" * \"BOTTLE_ML\") / 1000.0 "
                    + "Worked out by the database");
            assertThat(bottling.select("dd").eachText()).contains("BLEND_ID to BLEND (ID)",
                    "Bottling, /bottlings: list create read replace patch delete");
            assertThat(section(page, "VESSEL").text())
                    .contains("read by CELLAR_STOCK", "referred by VESSEL_TRANSFER (from)");
            assertThat(section(page, "CELLAR_LOG").text()).contains("to know");
            assertThat(page.select("td:contains(NULL)")).as("rows nobody asked for").isEmpty();
        }
    }

    @Test
    void linksAndTheDiagramLeadToTables() {
        try (Cellar cellar = Cellar.open()) {
            Document page = Jsoup.parse(SchemaPage.of(VineKit.read(cellar.database(), Scope.all())).html("the cellar"));

            assertThat(page.select("#diagram svg a")).hasSize(page.select("section").size());
            assertThat(page.select("a")).allSatisfy(link -> assertThat(page.select(link.attr("href"))).as(link.text())
                    .hasSize(1));
        }
    }

    @Test
    void proofsStandAtTheirTables() throws IOException {
        Schema schema = read("CREATE TABLE press (id INT PRIMARY KEY, bars INT NOT NULL);", Optional.empty()).schema();
        TestReport report = new TestReport(new ServiceDescription("h2", false, List.of(), false, List.of(),
                "com.example",
                List.of(new TableDescription("PRESS", "press", false, "Press", "presses",
                        EnumSet.of(Operation.LIST), List.of("A remark."), List.of(
                        new RuleDescription("not null", "BARS", "", List.of("barsMissing"), "", false),
                        new RuleDescription("check", "PRESS_C", "bars > 0", List.of(),
                                "No row is known that breaks it.", false),
                        new RuleDescription("type", "BARS", "", List.of(), "A check lists them.", true))))),
                List.of(new TestOutcome("Press", "rules", "PressControllerTest", "barsMissing", Duration.ZERO,
                        Optional.empty(), Optional.empty(), "")), Duration.ofSeconds(1), 1, List.of());

        Element press = section(Jsoup.parse(SchemaPage.of(schema).withProofs(report).html("presses")), "PRESS");

        assertThat(press.select("summary").text()).isEqualTo("1 of 2 rules proved by the tests");
        assertThat(press.select("details tr").eachText()).containsExactly("proved not null BARS",
                "not provable check PRESS_C No row is known that breaks it.",
                "unbreakable type of BARS A check lists them.");
        assertThat(press.text()).contains("Press, /presses: list", "A remark.");
    }

    @Test
    void nothingOfADatabaseIsMarkup() throws IOException {
        String hostile = "</script><img src=x onerror=alert(1)>'\\\"&amp;";
        Read read = read("""
                CREATE TABLE "%1$s" (id INT PRIMARY KEY, "%1$s" VARCHAR(200) DEFAULT '%2$s' CHECK ("%1$s" <> '%2$s'));
                COMMENT ON TABLE "%1$s" IS '%2$s';
                COMMENT ON COLUMN "%1$s"."%1$s" IS '%2$s';
                INSERT INTO "%1$s" VALUES (1, '<script>alert(2)</script>');
                """.formatted(hostile.replace("\"", "\"\""), hostile.replace("'", "''")), Optional.of(5));

        Document page = Jsoup.parse(SchemaPage.of(read.schema()).withSamples(read.samples())
                .withService(VineKit.map(read.schema(), "com.example")).html(hostile));

        assertThat(page.select("img, [onerror], a[href^=javascript]")).isEmpty();
        assertThat(page.select("script")).hasSize(1);
        assertThat(page.select("meta[http-equiv]").attr("content"))
                .contains("default-src 'none'", "script-src 'sha256-");
        assertThat(page.select("section td, section p, section dd, h1, svg text, svg title").eachText())
                .anyMatch(text -> text.contains("<img src=x onerror=alert(1)>"))
                .contains("<script>alert(2)</script>");
    }

    private record Read(Schema schema, Map<TableName, SampleOfRows> samples) {
    }

    private Read read(String script, Optional<Integer> rows) throws IOException {
        Path file = Files.writeString(directory.resolve("schema.sql"), script);
        try (ScriptDatabase loaded = VineKit.load("h2", file)) {
            Database database = loaded.database();
            Schema schema = VineKit.read(database, Scope.all());
            return new Read(schema, rows.map(limit -> Map.of(schema.tables().get(0).name(),
                    VineKit.sampleRows(database, schema, schema.tables().get(0), limit))).orElse(Map.of()));
        }
    }
}
