package dev.vinekit.cli;

import dev.vinekit.VineKit;
import dev.vinekit.engine.Engines;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Remark;
import dev.vinekit.project.ChangeSet;
import dev.vinekit.project.FileChange;
import dev.vinekit.project.Project;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.TableName;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Generates a project, or brings it up to date. */
@Command(name = "generate", description = {
    "Generates the service for a database, or brings it up to date.",
    "What people have written in the project is kept."})
final class GenerateCommand extends ToolCommand {
    @Mixin
    private SourceOptions source;

    @Mixin
    private ProjectOptions project;

    @Option(names = "--package", paramLabel = "NAME",
            description = "Java package of the service (default: as before, or com.example and the directory's name).")
    private String basePackage;

    @Option(names = "--dry-run", description = "Show what would be written, and write nothing.")
    private boolean dryRun;

    @Override
    public Integer call() {
        Stages stages = output.stages();
        Steps steps = new Steps(stages);
        Path directory = project.directory();
        Schema schema;
        try (Source opened = source.open(output)) {
            schema = steps.read(opened.database(), source.scope());
        }
        Mapping mapping = steps.map(schema, basePackage == null ? packageFor(directory) : basePackage);
        ChangeSet changes = steps.plan(VineKit.generate(mapping), directory);
        if (!dryRun) {
            steps.write(changes);
        }
        stages.end();
        report(mapping, changes);
        return changes.ofKind(FileChange.Kind.CONFLICT).isEmpty() ? 0 : VineKitCommand.ATTENTION;
    }

    private void report(Mapping mapping, ChangeSet changes) {
        Style style = output.style();
        Set<TableName> chosen = source.scope().chosen(mapping.schema());
        TextTable lines = new TextTable(style, "table", "entity", "path", "operations", "");
        for (Entity entity : mapping.entities()) {
            boolean cameAlong = source.namesTables() && !chosen.contains(entity.table().name());
            lines.add(
                    style.table(entity.table().name().name(), 40),
                    entity.name().value(),
                    "/" + entity.path(),
                    entity.operations().stream().map(operation -> operation.name().toLowerCase(Locale.ROOT))
                            .collect(Collectors.joining(" ")),
                    cameAlong ? "comes along" : "");
        }
        lines.print(System.out);
        System.out.println();
        for (Remark remark : mapping.remarks()) {
            System.out.println(style.warning(style.table(remark.table().name(), 60)) + ": "
                    + style.cell(remark.text(), 400));
        }
        System.out.print(mapping.remarks().isEmpty() ? "" : System.lineSeparator());
        List.of(FileChange.Kind.CONFLICT, FileChange.Kind.MERGED, FileChange.Kind.LEFT_ALONE).forEach(kind ->
                changes.ofKind(kind).forEach(change ->
                        System.out.println(style.warning(Steps.label(kind)) + ": " + change.path())));
        boolean nothing = changes.changes().stream().noneMatch(FileChange::touchesFile);
        System.out.println(nothing ? "Nothing to write: the project is up to date."
                : (dryRun ? "Would be written" : "Written") + " to " + changes.directory() + ": "
                        + Steps.counts(changes) + ".");
        if (!dryRun && !nothing) {
            boolean ownScratch = !Engines.named(mapping.schema().engine()).libraries().isEmpty();
            System.out.println("Next: vinekit test --dir " + changes.directory()
                    + (ownScratch ? "" : " --on the URL of an empty database"));
        }
    }

    /** The package of the last run, or one made of the directory's name. */
    private static String packageFor(Path directory) {
        if (Files.exists(directory.resolve(".vinekit/service.json"))) {
            return Project.existing(directory).service().basePackage();
        }
        String name = directory.toAbsolutePath().normalize().getFileName() == null ? ""
                : directory.toAbsolutePath().normalize().getFileName().toString();
        String letters = name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]", "").replaceFirst("^[0-9]+", "");
        return "com.example." + (letters.isEmpty() ? "service" : letters);
    }
}
