package dev.vinekit;

import dev.vinekit.project.ScriptPlace;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaChange;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.scratch.ChangeTrial;
import dev.vinekit.source.SourceFile;
import dev.vinekit.sql.ChangeScript;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * The file with which other databases follow a change of the schema: a script that has been tried, with what to know
 * before it is applied at its head.
 *
 * @param text of the file
 * @param decisions what the user has to decide before the script does anything, a sentence each
 */
public record ChangeFile(SchemaDifference difference, String text, List<String> decisions) {
    private static final int MOST_NAMES = 3;
    private static final int LONGEST = 120;

    public ChangeFile {
        decisions = List.copyOf(decisions);
    }

    /** The file; nothing if nothing has changed that a statement could change. */
    public static Optional<ChangeFile> of(Schema before, Schema after) {
        return of(SchemaDifference.of(before, after.withoutAccess()));
    }

    /** The file for a difference; nothing if it has nothing that a statement could change. */
    public static Optional<ChangeFile> of(SchemaDifference difference) {
        ChangeScript script = VineKit.changes(difference);
        if (script.isEmpty()) {
            return Optional.empty();
        }
        ChangeTrial.Result trial = VineKit.trial(difference, script);
        List<String> decisions = new ArrayList<>(script.decisions());
        if (trial.verdict() == ChangeTrial.Verdict.FAILED) {
            decisions.add(0, "The script failed its trial: " + trial.reason() + ".");
        }
        String text = trial.verdict() == ChangeTrial.Verdict.FAILED
                ? "THIS_SCRIPT_FAILED_ITS_TRIAL_AND_MUST_BE_CORRECTED;\n" + script.text().lines()
                        .map(line -> line.isEmpty() ? "--" : "-- " + line).collect(Collectors.joining("\n", "", "\n"))
                : script.text();
        return Optional.of(new ChangeFile(difference, head(script, trial) + text, decisions));
    }

    /** The file at its place in a project. */
    SourceFile source(ScriptPlace place) {
        return new SourceFile(place.path(about(difference)), text, "change script", Optional.empty());
    }

    private static String head(ChangeScript script, ChangeTrial.Result trial) {
        List<String> lines = new ArrayList<>();
        lines.add("Takes a database from the schema of the last generation to the present one.");
        lines.add(switch (trial.verdict()) {
            case PASSED -> trial.reason().isEmpty() ? "Tried on a scratch database with " + trial.rows() + " rows."
                    : "Tried on scratch databases. It refuses rows such as the made-up ones, and then changes nothing: "
                            + trial.reason();
            case FAILED -> "NOT READY. Its trial on a scratch database failed: " + trial.reason();
            case NOT_TRIED -> "NOT TRIED: " + trial.reason();
        });
        lines.add("Statements that wait for your decision: " + script.decisions().size() + (script.decisions().isEmpty()
                ? "." : ". Until then the script changes nothing. Search for DECIDE."));
        lines.addAll(script.warnings());
        return lines.stream().map(line -> "-- " + line.replaceAll("\\p{Cntrl}+", " ") + "\n")
                .collect(Collectors.joining("", "", "\n"));
    }

    private static String about(SchemaDifference difference) {
        List<String> names = difference.changes().stream().map(SchemaChange::table).distinct()
                .map(table -> table.name().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-")
                        .replaceAll("^-|-$", ""))
                .filter(name -> !name.isEmpty()).toList();
        String about = String.join("-and-", names);
        return names.isEmpty() || names.size() > MOST_NAMES || about.length() > LONGEST ? "schema" : about;
    }
}
