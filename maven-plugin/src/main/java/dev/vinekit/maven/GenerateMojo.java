package dev.vinekit.maven;

import dev.vinekit.SeedRequest;
import dev.vinekit.VineKit;
import dev.vinekit.fault.Visible;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.ChangeSet;
import dev.vinekit.project.FileChange;
import dev.vinekit.project.Project;
import dev.vinekit.project.ProjectLock;
import dev.vinekit.source.SourceTree;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.apache.maven.plugin.MojoFailureException;
import org.apache.maven.plugins.annotations.LifecyclePhase;
import org.apache.maven.plugins.annotations.Mojo;
import org.apache.maven.plugins.annotations.Parameter;

/** Generates the service for a database into the module, or brings it up to date; what people wrote there is kept. */
@Mojo(name = "generate", defaultPhase = LifecyclePhase.GENERATE_SOURCES, threadSafe = true)
public final class GenerateMojo extends StepMojo {
    private static final int SHOWN = 20;

    /** Shows what would be written, and writes nothing. */
    @Parameter(property = "vinekit.dryRun", defaultValue = "false")
    private boolean dryRun;

    @Override
    void run() throws MojoFailureException {
        if (dryRun) {
            Project.foreignWrite(directory()).ifPresent(getLog()::warn);
            generate();
            return;
        }
        ProjectLock.during(directory(), getLog()::warn, () -> {
            Project.foreignWrite(directory()).ifPresent(getLog()::warn);
            if (Project.finish(directory())) {
                getLog().warn("An earlier run was interrupted while it wrote; its changes are complete now.");
            }
            return generate();
        });
    }

    private ChangeSet generate() throws MojoFailureException {
        Path directory = directory();
        MappingFile file = mapping();
        Reading reading = read(file);
        Mapping mapping = VineKit.map(reading.schema(), file, Project.tablesBefore(directory));
        SourceTree sources = VineKit.generate(mapping, SeedRequest.of(file, directory),
                Optional.of(Project.templates(directory, file)), reading.lasting());
        ChangeSet changes = VineKit.plan(sources, directory, scope(file));
        show(sources.mapping(), changes);
        if (!dryRun) {
            VineKit.write(changes);
        }
        List<FileChange> conflicts = changes.ofKind(FileChange.Kind.CONFLICT);
        if (!conflicts.isEmpty()) {
            throw new MojoFailureException("In " + count(conflicts.size(), "file") + " a person edited lines that are generated "
                    + "otherwise now: " + conflicts.stream().map(FileChange::path).collect(Collectors.joining(", "))
                    + "\nSettle the conflicts that are marked there, and build again.");
        }
        return changes;
    }

    private void show(Mapping mapping, ChangeSet changes) {
        if (changes.isEmpty()) {
            getLog().info("Nothing to write: the code is up to date.");
            return;
        }
        List<FileChange> touched = changes.changes().stream()
                .filter(change -> change.kind() != FileChange.Kind.SAME).toList();
        for (FileChange change : touched) {
            String line = Visible.text(String.format(Locale.ROOT, "%-10s %s%s", word(change.kind()), change.path(),
                    change.reason().isEmpty() ? "" : " (" + change.reason() + ")"));
            if (change.wantsAttention()) {
                getLog().warn(line);
            } else if (touched.size() <= SHOWN) {
                getLog().info(line);
            } else {
                getLog().debug(line);
            }
        }
        mapping.remarks().forEach(remark -> getLog().debug(
                Visible.text(remark.table().name() + ": " + remark.text())));
        getLog().info((dryRun ? "Would be written: " : "Written: ") + changes.counts().entrySet().stream()
                .map(entry -> entry.getValue() + " " + word(entry.getKey())).collect(Collectors.joining(", "))
                + (touched.size() > SHOWN ? "; -X names each file" : "")
                + (mapping.remarks().isEmpty() ? "." : ". " + count(mapping.remarks().size(), "remark") + " on tables; -X tells them."));
        if (!changes.missingLibraries().isEmpty()) {
            getLog().warn("The pom.xml does not name these libraries, which the code needs: "
                    + String.join(", ", changes.missingLibraries()));
        }
    }

    private static String word(FileChange.Kind kind) {
        return kind.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
