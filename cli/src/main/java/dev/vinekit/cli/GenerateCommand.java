package dev.vinekit.cli;

import dev.vinekit.VineKit;
import dev.vinekit.engine.Engines;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.ChangeSet;
import dev.vinekit.project.FileChange;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.TableName;
import java.nio.file.Path;
import java.util.List;
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
        MappingFile file = source.inDirectory(directory);
        Schema schema;
        try (Source opened = source.open(output)) {
            schema = steps.read(opened.database(), source.scope());
        }
        Mapping mapping = steps.map(schema, inPackage(file), directory);
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
        Set<TableName> cameAlong = mapping.entities().stream().map(entity -> entity.table().name())
                .filter(name -> source.namesTables() && !chosen.contains(name)).collect(Collectors.toSet());
        new MappingView(mapping, style, System.out).print(cameAlong);
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

    /** The package: of the option, the file, the last run, or the directory's name. */
    private MappingFile inPackage(MappingFile file) {
        return basePackage == null ? file.inPackage(project.defaultPackage()) : file.withPackage(basePackage);
    }
}
