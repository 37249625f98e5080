package dev.vinekit;

import dev.vinekit.project.ScriptPlace;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaChange;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.source.SourceFile;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** The script with which other databases follow a change of the schema. */
final class ChangeScript {
    private static final int MOST_NAMES = 3;
    private static final String HEAD = """
            -- Takes a database from the schema of the generation before to that of this one.
            -- Statements that lose data are commented out: decide on each of them.

            """;

    private ChangeScript() {
    }

    /** The script; nothing if nothing has changed that a statement could change. */
    static Optional<SourceFile> of(Schema before, Schema after, ScriptPlace place) {
        SchemaDifference difference = SchemaDifference.of(before, after.withoutAccess());
        String statements = VineKit.changes(difference);
        return statements.isEmpty() ? Optional.empty() : Optional.of(
                new SourceFile(place.path(about(difference)), HEAD + statements, "change script", Optional.empty()));
    }

    private static String about(SchemaDifference difference) {
        List<String> names = difference.changes().stream().map(SchemaChange::table).distinct()
                .map(table -> table.name().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-")
                        .replaceAll("^-|-$", ""))
                .filter(name -> !name.isEmpty()).toList();
        return names.isEmpty() || names.size() > MOST_NAMES ? "schema" : String.join("-and-", names);
    }
}
