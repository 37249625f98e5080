package dev.vinekit.cli;

import dev.vinekit.SeedRequest;
import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engines;
import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.ChangeSet;
import dev.vinekit.project.FileChange;
import dev.vinekit.project.Project;
import dev.vinekit.project.ProjectPaths;
import dev.vinekit.project.ServiceDescription;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.TableName;
import dev.vinekit.source.SourceTree;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Generates a project, or brings it up to date. */
@Command(name = "generate",
        header = "Generates the service for a database, or brings it up to date.",
        description =
                "What people have written in the project is kept. Into an empty directory goes a whole Maven project; into one with a pom.xml "
            + "of your own, sources only.")
final class GenerateCommand extends ToolCommand {
    @Mixin
    private SourceOptions source;

    @Mixin
    private MappedProjectOptions project;

    @Mixin
    private ResultOptions result;

    @Option(names = "--dry-run", description = "Show what would be written, and write nothing.")
    private boolean dryRun;

    @Option(names = "--diff", description = "Show every change line by line as well.")
    private boolean diff;

    @Option(names = "--patch", paramLabel = "FILE",
            description = "Write the changes to a file that git apply takes, and not to the project.")
    private Path patch;

    private static final int SHOWN_REASONS = 5;
    private static final String RECORD = "target/vinekit/generate.txt";

    @Option(names = "--seed", paramLabel = "FILE",
            description = "SQL script with the seed rows, instead of the one that the mapping file names. May be outside the project.")
    private Path seed;

    @Option(names = "--templates", paramLabel = "DIR",
            description = "Folder of custom templates, instead of the one that the mapping file names. May be outside the project.")
    private Path templates;

    @Override
    public Integer call() {
        Steps steps = new Steps(output.stages());
        if (patch == null && !dryRun) {
            return steps.writing(project.directory(), () -> generate(steps));
        }
        Project.foreignWrite(project.directory()).ifPresent(output.stages()::warn);
        return generate(steps);
    }

    private int generate(Steps steps) {
        Stages stages = output.stages();
        Path directory = project.directory();
        MappingFile file = source.inDirectory(directory);
        Optional<ServiceDescription> before = Project.serviceBefore(directory);
        Schema schema;
        Optional<Database> lasting;
        try (Source opened = source.open(output)) {
            schema = steps.read(opened.database(), source.scope());
            lasting = opened.lasting();
        }
        Optional<String> packageChoice = project.choice(file);
        MappingFile decided = project.inPackage(file);
        Mapping mapping = steps.map(schema, decided, directory);
        SourceTree sources = steps.generate(mapping,
                () -> seed == null ? SeedRequest.of(decided, directory) : SeedRequest.withScript(decided, seed),
                () -> templates == null ? Project.templates(directory, decided) : templates, lasting);
        if (!dryRun && patch == null) {
            steps.check(sources);
        }
        ChangeSet changes = steps.plan(sources, directory, source.scope());
        String lines = diff ? Project.diff(changes) : "";
        if (patch != null) {
            write(Project.patch(changes));
        } else if (!dryRun) {
            steps.write(changes);
        }
        stages.end();
        int code = changes.wantsAttention() ? VineKitCommand.ATTENTION : 0;
        if (result.isJson()) {
            ResultOptions.print(Results.Generated.of(sources, changes, patch == null && !dryRun));
            return code;
        }
        boolean everything = output.verbose() || dryRun;
        report(sources.mapping(), changes, before, everything);
        packageChoice.ifPresent(System.out::println);
        unfilled(sources, everything);
        new DiffView(output.style(), System.out).print(lines);
        conclude(mapping, changes, before.isEmpty());
        return code;
    }

    /** Writes each table and file to where a person may look it up. */
    private void record(Mapping mapping, ChangeSet changes, Set<TableName> cameAlong) {
        Path file = ProjectPaths.of(changes.directory()).resolve(RECORD);
        try {
            Files.createDirectories(file.getParent());
            try (PrintStream all = new PrintStream(file.toFile(), StandardCharsets.UTF_8)) {
                new MappingView(mapping, output.plain(), all, true).print(cameAlong);
                new AccessView(mapping, output.plain(), all, true).print();
                all.println();
                new ChangeView(output.plain(), all, true).print(changes);
            }
        } catch (IOException e) {
            throw Fault.inWorld("Writing " + file + " failed: " + e + ".", "Check that the directory may be written.",
                    e);
        }
        System.out.println("Each table and file: " + file);
    }

    private void write(String text) {
        try {
            Files.writeString(patch, text);
        } catch (IOException e) {
            throw Fault.inWorld("Writing " + patch + " failed: " + e + ".", "Name another file with --patch.", e);
        }
    }

    private void report(Mapping mapping, ChangeSet changes, Optional<ServiceDescription> before, boolean everything) {
        Style style = output.style();
        Set<TableName> chosen = source.scope().chosen(mapping.schema());
        Set<TableName> cameAlong = mapping.entities().stream().map(entity -> entity.table().name())
                .filter(name -> source.namesTables() && !chosen.contains(name)).collect(Collectors.toSet());
        MappingView tables = new MappingView(mapping, style, System.out, everything);
        if (before.isEmpty() || everything) {
            tables.print(cameAlong);
        } else {
            tables.printNews(before.get());
        }
        new ChangeView(style, System.out, everything).print(changes);
        if (!everything && patch == null && !changes.isEmpty()) {
            record(mapping, changes, cameAlong);
        }
        if (!changes.ownTemplates().isEmpty()) {
            System.out.println("Your own templates used: " + String.join(", ", changes.ownTemplates()) + ".");
        }
        if (!changes.missingLibraries().isEmpty()) {
            System.out.println(style.warning("The pom.xml does not name these libraries, which the code needs:"));
            changes.missingLibraries().forEach(library -> System.out.println("  " + library));
        }
        undecided(changes);
        new AccessView(mapping, style, System.out, everything).print();
    }

    /** The tables that no test writes to, for no rows could be made up. */
    private void unfilled(SourceTree sources, boolean everything) {
        Style style = output.style();
        Map<String, List<String>> byReason = new TreeMap<>();
        new TreeMap<>(sources.unfilled()).forEach((table, reason) ->
                byReason.computeIfAbsent(reason, key -> new ArrayList<>()).add(style.table(table.name(), 60)));
        if (byReason.isEmpty()) {
            return;
        }
        System.out.println(style.warning("No rows could be made up for some tables; their tests only read:"));
        byReason.entrySet().stream().limit(everything ? Long.MAX_VALUE : SHOWN_REASONS).forEach(entry -> {
            style.wrapped(style.cell(entry.getKey(), 400), 2).forEach(line -> System.out.println("  " + line));
            List<String> lines = everything ? style.filled(entry.getValue(), 4)
                    : List.of(style.some(entry.getValue(), 4));
            lines.forEach(line -> System.out.println("    " + line));
        });
        if (byReason.size() > SHOWN_REASONS && !everything) {
            System.out.println("  and " + (byReason.size() - SHOWN_REASONS) + " more reasons; --verbose shows them");
        }
    }

    /** What the change script waits for. */
    private void undecided(ChangeSet changes) {
        if (!changes.decisions().isEmpty()) {
            System.out.println(output.style().warning("The change script does nothing until you decide on "
                    + Steps.count(changes.decisions().size(), "statement", "statements") + "; search it for DECIDE:"));
            changes.decisions().forEach(decision -> output.style().wrapped(decision, 2)
                    .forEach(line -> System.out.println("  " + line)));
        }
    }

    private void conclude(Mapping mapping, ChangeSet changes, boolean isFirst) {
        if (changes.isEmpty()) {
            System.out.println("Nothing to write: the project is up to date.");
            return;
        }
        String target = changes.directory().equals(Path.of(".")) ? "the current directory"
                : changes.directory().toString();
        String where = patch != null ? "Written as a patch to " + patch
                : (dryRun ? "Would be written to " : "Written to ") + target;
        System.out.println(where + ": " + Steps.counts(changes) + ".");
        if (patch != null) {
            System.out.println("Next: git apply " + patch);
        } else if (!dryRun) {
            boolean ownScratch = !Engines.named(mapping.schema().engine()).libraries().isEmpty();
            boolean conflicts = !changes.ofKind(FileChange.Kind.CONFLICT).isEmpty();
            boolean withoutStarter = isFirst && !mapping.conventions().server();
            System.out.println("Next: " + (conflicts ? "settle the conflicts, then " : "")
                    + (withoutStarter ? "write a ServiceStarter for the tests (its Javadoc says how), then " : "") + "vinekit test"
                    + project.option()
                    + (ownScratch ? "" : " --on the URL of an empty database"));
        }
    }
}
