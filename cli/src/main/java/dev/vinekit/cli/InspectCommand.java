package dev.vinekit.cli;

import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engine;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import java.util.List;
import java.util.Map;
import java.util.Set;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

/** Shows what is in a database. */
@Command(name = "inspect", description = {
    "Shows what is in a database: its tables, or with --tables each of those in full.",
    "Reads only."})
final class InspectCommand extends ToolCommand {
    private static final int SAMPLE = 5;

    @Mixin
    private SourceOptions source;

    @Override
    public Integer call() {
        Database database = source.database();
        Engine.Login login = VineKit.login(database);
        Schema schema = VineKit.read(database, new Scope(source.scope().schemas(), List.of()));
        Set<TableName> chosen = source.scope().chosen(schema);
        Schema shown = chosen.isEmpty() ? schema : schema.withTables(
                schema.tables().stream().filter(table -> chosen.contains(table.name())).toList());
        Map<TableName, Long> counts = VineKit.countRows(database, shown);
        SchemaView view = new SchemaView(schema, output.style(), System.out);
        view.login(login);
        if (chosen.isEmpty()) {
            view.overview(counts);
        }
        for (Table table : chosen.isEmpty() ? List.<Table>of() : shown.tables()) {
            view.table(table, counts.get(table.name()), VineKit.sampleRows(database, schema, table, SAMPLE));
        }
        return 0;
    }
}
