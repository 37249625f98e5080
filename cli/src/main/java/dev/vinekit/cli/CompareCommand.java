package dev.vinekit.cli;

import dev.vinekit.ChangeFile;
import dev.vinekit.VineKit;
import dev.vinekit.compare.ChangeWords;
import dev.vinekit.compare.Comparison;
import dev.vinekit.compare.Effect;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.Project;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.TableName;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Tells what has changed in the database since the last run. */
@Command(name = "compare",
        header =
                "Tells what has changed in the database since the last generate, and what that means for code and clients.",
        description = "What the mapping file lets clients see and do now, and did not then, is told too. Writes nothing. Exit code 1 if anything has changed, for a build to notice.")
final class CompareCommand extends ToolCommand {
    @Mixin
    private SourceOptions source;

    @Mixin
    private ProjectOptions project;

    @Mixin
    private ResultOptions result;

    @Option(names = "--sql", description = "Print the script that takes a database from the recorded schema to the present one, tried on a "
            + "scratch database. It stops at its start until you decide on the statements that lose data.")
    private boolean sql;

    @Override
    public Integer call() {
        Project existing = Project.existing(project.directory());
        MappingFile file = source.inDirectory(project.directory()).inPackage(project.defaultPackage());
        Steps steps = new Steps(output.stages());
        Schema schema;
        try (Source opened = source.open(output)) {
            schema = steps.read(opened.database(), source.scope());
        }
        Mapping mapping = steps.map(schema, file, project.directory());
        Comparison comparison = VineKit.compare(existing, mapping);
        if (!sql) {
            output.stages().end();
        }
        if (sql) {
            script(comparison);
        } else if (result.isJson()) {
            ResultOptions.print(Results.Compared.of(comparison));
        } else {
            text(comparison);
        }
        return comparison.isEmpty() ? 0 : VineKitCommand.ATTENTION;
    }

    private void script(Comparison comparison) {
        Optional<ChangeFile> file = output.stages().run("try", () -> ChangeFile.of(comparison.difference()),
                tried -> "the change script on a scratch database"
                        + tried.map(script -> script.decisions().isEmpty() ? "" : "; " + undecided(script.decisions()))
                                .orElse(""));
        output.stages().end();
        file.ifPresent(script -> System.out.print(script.text()));
    }

    private static String undecided(List<String> decisions) {
        return Steps.count(decisions.size(), "decision", "decisions") + " to make";
    }

    private void text(Comparison comparison) {
        Style style = output.style();
        if (comparison.isEmpty()) {
            System.out.println("Nothing has changed since the last run.");
            return;
        }
        Map<TableName, List<ChangeWords>> changes = comparison.difference().changes().stream().map(ChangeWords::of)
                .collect(Collectors.groupingBy(ChangeWords::table, TreeMap::new, Collectors.toList()));
        Map<TableName, List<Effect>> effects = comparison.effects().stream()
                .collect(Collectors.groupingBy(Effect::table));
        changes.forEach((table, about) -> {
            System.out.println(style.strong(style.table(table.name(), 60)));
            about.forEach(change -> System.out.println("  " + line(style, change)));
            effects.getOrDefault(table, List.of()).forEach(effect -> System.out.println("  " + line(style, effect)));
            effects.remove(table);
        });
        effects.forEach((table, about) -> {
            String way = comparison.difference().isEmpty() ? "by the mapping file"
                    : "by way of other tables, or by the mapping file";
            System.out.println(style.strong(style.table(table.name(), 60)) + style.faint(" (" + way + ")"));
            about.forEach(effect -> System.out.println("  " + line(style, effect)));
        });
        long breaking = comparison.effects().stream().filter(Effect::breaking).count();
        System.out.println();
        System.out.println((comparison.difference().isEmpty() ? "No change of the schema"
                : Steps.count(comparison.difference().changes().size(), "change", "changes"))
                + (breaking == 0 ? ", and nothing that breaks clients." : "; "
                        + style.bad(Steps.count(breaking, "thing", "things")
                        + " that may break clients") + "."));
        long opening = comparison.effects().stream().filter(Effect::opens).count();
        if (opening > 0) {
            System.out.println(style.warning(Steps.count(opening, "thing", "things")
                    + " that somebody is shown, or may do, and was not or might not before."));
        }
        System.out.println("Next: vinekit generate --dry-run" + project.option() + (comparison.difference().isEmpty() ? ""
                : ", or vinekit compare --sql" + project.option()));
    }

    private static String line(Style style, ChangeWords change) {
        String shown = String.format(Locale.ROOT, "%-8s %s", change.change(), change.what()
                + (change.name().isEmpty() || change.name().equals(change.table().name()) ? "" : " "
                        + style.table(change.name(), 60))
                + (change.detail().isEmpty() ? "" : ": " + change.detail()));
        return style.cell(shown, style.width() - 2);
    }

    private static String line(Style style, Effect effect) {
        String label = effect.on() == Effect.On.API ? "API" : "code";
        String shown = style.cell(String.format(Locale.ROOT, "%-8s %s", label, effect.text()), style.width() - 24);
        return shown + (effect.breaking() ? "  " + style.bad("breaks clients") : "")
                + (effect.opens() ? "  " + style.warning("opens") : "");
    }
}
