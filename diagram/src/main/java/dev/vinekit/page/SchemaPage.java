package dev.vinekit.page;

import dev.vinekit.diagram.SchemaDiagram;
import dev.vinekit.engine.RowCount;
import dev.vinekit.engine.SampleOfRows;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.report.HtmlTemplate;
import dev.vinekit.run.TestReport;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * A page about a schema that needs nothing else: no other file, no network. What the schema does not tell can be added.
 *
 * @param counts how many rows tables have
 * @param samples rows to show
 * @param mapping what a service makes of the tables
 * @param report what the tests of a service showed
 * @param diagram the tables as SVG; drawn when it is needed if empty
 */
public record SchemaPage(Schema schema, Map<TableName, RowCount> counts, Map<TableName, SampleOfRows> samples,
        Optional<Mapping> mapping, Optional<TestReport> report, Optional<String> diagram) {
    private static final String SCRIPT = "search.js";

    public SchemaPage {
        counts = Map.copyOf(counts);
        samples = Map.copyOf(samples);
    }

    /** A page of what the schema tells. */
    public static SchemaPage of(Schema schema) {
        return new SchemaPage(schema, Map.of(), Map.of(), Optional.empty(), Optional.empty(), Optional.empty());
    }

    /** This page, with the numbers of rows. */
    public SchemaPage withCounts(Map<TableName, RowCount> rows) {
        return new SchemaPage(schema, rows, samples, mapping, report, diagram);
    }

    /** This page, with rows of these tables. */
    public SchemaPage withSamples(Map<TableName, SampleOfRows> rows) {
        return new SchemaPage(schema, counts, rows, mapping, report, diagram);
    }

    /** This page, with the paths and operations that a service has for the tables, and what is to know of it. */
    public SchemaPage withService(Mapping decisions) {
        return new SchemaPage(schema, counts, samples, Optional.of(decisions), report, diagram);
    }

    /** This page, with what the tests of a service showed of the rules, and the paths and operations that it has. */
    public SchemaPage withProofs(TestReport tests) {
        return new SchemaPage(schema, counts, samples, mapping, Optional.of(tests), diagram);
    }

    /** This page, with its diagram, which takes longest, made now. */
    public SchemaPage drawn() {
        Map<TableName, String> anchors = anchors();
        return diagram.isPresent() ? this : new SchemaPage(schema, counts, samples, mapping, report,
                Optional.of(SchemaDiagram.svg(schema, Set.of(), table -> "#" + anchors.get(table))));
    }

    /**
     * The page as HTML.
     *
     * @param title what was read
     */
    public String html(String title) {
        String script = resource(SCRIPT);
        Map<TableName, String> anchors = anchors();
        Map<String, Object> model = new LinkedHashMap<>();
        model.put("title", title);
        model.put("engine", schema.engine());
        model.put("script", script);
        model.put("scriptHash", hash(script));
        model.put("diagram", drawn().diagram().orElseThrow());
        model.put("counted", !counts.isEmpty());
        model.put("estimated", counts.values().stream().anyMatch(count -> !count.exact()));
        model.put("tables", schema.tables().stream().map(table -> new TableSection(this, table, anchors)).toList());
        model.put("tableCount", schema.tables().stream().filter(table -> !table.isView()).count());
        model.put("viewCount", schema.tables().stream().filter(Table::isView).count());
        return HtmlTemplate.html(SchemaPage.class, "schema.html.ftl", model);
    }

    private Map<TableName, String> anchors() {
        return IntStream.range(0, schema.tables().size()).boxed()
                .collect(Collectors.toMap(i -> schema.tables().get(i).name(), i -> "table-" + (i + 1)));
    }

    /** The name of a table, with its schema where it is another than the usual. */
    String nameOf(TableName table) {
        return table.schema().equals(schema.defaultSchema()) ? table.name() : table.toString();
    }

    private static String resource(String name) {
        try (InputStream file = SchemaPage.class.getResourceAsStream(name)) {
            return new String(file.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** By which the page's policy knows its own script from one that came with the data. */
    private static String hash(String script) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(script.getBytes(StandardCharsets.UTF_8));
            return "sha256-" + Base64.getEncoder().encodeToString(digest);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }
}
