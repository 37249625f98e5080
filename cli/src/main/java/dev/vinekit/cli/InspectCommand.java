package dev.vinekit.cli;

import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.diagram.SchemaDiagram;
import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engine;
import dev.vinekit.engine.RowCount;
import dev.vinekit.engine.SampleOfRows;
import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.page.SchemaPage;
import dev.vinekit.schema.Access;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Shows what is in a database. */
@Command(name = "inspect",
        header = "Shows what is in a database: its tables, or with --tables each of those in full.",
        description = "Reads only.")
final class InspectCommand extends ToolCommand {
    private static final int SAMPLE = 5;

    /** What a service would be made of the tables is shown without its package. */
    private static final String ANY_PACKAGE = "service";

    @Mixin
    private SourceOptions source;

    @Option(names = "--format", paramLabel = "FORM", defaultValue = "text",
            description =
                    "text; json, the whole reading for other programs; sql, the statements that make the tables; svg, a picture of them; "
                    + "or html, a page with all of it.")
    private Format format;

    @Option(names = "--rows", description = "With html: some rows of each table too.")
    private boolean rows;

    @Option(names = "--count", description = "Count the rows of large tables too, and do not estimate them.")
    private boolean count;

    /** Forms of the output, as the option spells them. */
    enum Format { text, json, sql, svg, html }

    @Override
    public Integer call() {
        if (rows && format != Format.html) {
            throw Fault.inCall("--rows goes with --format html only.", format == Format.text
                    ? "Of a table that --tables names its first rows are shown anyway."
                    : "Leave it out, or take the format html.");
        }
        MappingFile file = source.inDirectory(Path.of("")).inPackage(ANY_PACKAGE);
        try (Source opened = source.open(output)) {
            Database database = opened.database();
            Engine.Login login = VineKit.login(database);
            Schema schema = VineKit.read(database, new Scope(source.scope().schemas(), List.of()));
            Set<TableName> chosen = source.scope().chosen(schema);
            Schema shown = chosen.isEmpty() ? schema : schema.withTables(
                    schema.tables().stream().filter(table -> chosen.contains(table.name())).toList());
            switch (format) {
                case json -> System.out.print(VineKit.snapshot(shown));
                case sql -> System.out.print(VineKit.definition(shown));
                case svg -> System.out.print(SchemaDiagram.svg(schema, chosen));
                case html -> System.out.print(page(database, schema, shown, file));
                case text -> text(opened, login, schema, shown, chosen.isEmpty());
            }
            return 0;
        }
    }

    private String page(Database database, Schema schema, Schema shown, MappingFile file) {
        SchemaPage page = SchemaPage.of(shown).withCounts(VineKit.rowCounts(database, shown, count))
                .withService(VineKit.map(schema, file, Set.of()));
        Map<TableName, SampleOfRows> samples = new HashMap<>();
        shown.tables().stream().filter(table -> rows && table.access().rights().contains(Access.Right.SELECT))
                .forEach(table -> samples.put(table.name(), VineKit.sampleRows(database, shown, table, SAMPLE)));
        return page.withSamples(samples).html(shown.defaultSchema().isEmpty() ? shown.engine() : shown.defaultSchema());
    }

    private void text(Source opened, Engine.Login login, Schema schema, Schema shown, boolean all) {
        Database database = opened.database();
        Map<TableName, RowCount> counts = VineKit.rowCounts(database, shown, count);
        SchemaView view = new SchemaView(schema, output.style(), System.out);
        view.login(login, opened.scratch());
        if (all) {
            view.overview(counts);
            return;
        }
        for (Table table : shown.tables()) {
            Optional<SampleOfRows> sample = table.access().rights().contains(Access.Right.SELECT)
                    ? Optional.of(VineKit.sampleRows(database, schema, table, SAMPLE)) : Optional.empty();
            view.table(table, Optional.ofNullable(counts.get(table.name())), sample);
        }
    }
}
