package dev.vinekit.cli;

import dev.vinekit.VineKit;
import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.Project;
import dev.vinekit.run.Compilation;
import dev.vinekit.run.Runner;
import dev.vinekit.run.TestReport;
import dev.vinekit.schema.Snapshot;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.stream.Stream;

/** Runs tests again whenever somebody changes what they depend on. */
final class Watching {
    private static final long PAUSE_MILLIS = 300;

    private final OutputOptions output;
    private final Project project;
    private final BiConsumer<TestReport, Path> shown;
    private Map<Path, FileTime> seen;

    Watching(OutputOptions output, Project project, BiConsumer<TestReport, Path> shown) {
        this.output = output;
        this.project = project;
        this.shown = shown;
        this.seen = files();
    }

    /** Until the process is ended. */
    void forEver() {
        System.out.println("Watching src and " + MappingFile.NAME + " in " + project.directory() + "; Ctrl-C ends it.");
        while (true) {
            Map<Path, FileTime> now = settled();
            boolean mapped = !at(now, MappingFile.NAME).equals(at(seen, MappingFile.NAME));
            try {
                run(mapped, touchesResources(now));
            } catch (Fault fault) {
                System.err.println(fault.getMessage());
                System.err.println(Remedies.text(fault.remedy()));
            }
            seen = mapped ? files() : now;
        }
    }

    private String at(Map<Path, FileTime> files, String name) {
        return String.valueOf(files.get(project.directory().resolve(name)));
    }

    /** Waits for a change, and then until nothing changes any more. */
    private Map<Path, FileTime> settled() {
        Map<Path, FileTime> last = seen;
        while (true) {
            try {
                Thread.sleep(PAUSE_MILLIS);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw Fault.inWorld("Watching was interrupted.", "Run again.", e);
            }
            Map<Path, FileTime> now = files();
            if (!now.equals(seen) && now.equals(last)) {
                return now;
            }
            last = now;
        }
    }

    private Map<Path, FileTime> files() {
        Map<Path, FileTime> times = new HashMap<>();
        for (String watched : new String[] {"src", MappingFile.NAME}) {
            Path root = project.path(watched);
            try (Stream<Path> files = Files.exists(root) ? Files.walk(root) : Stream.empty()) {
                for (Path file : files.filter(Files::isRegularFile).toList()) {
                    times.put(file, Files.getLastModifiedTime(file));
                }
            } catch (IOException e) {
                throw Fault.inWorld("Reading " + root + " failed: " + e + ".", "Run again.", e);
            }
        }
        return times;
    }

    /** Whether a file that is not compiled has changed: a script of the database, for instance. */
    private boolean touchesResources(Map<Path, FileTime> now) {
        Set<Path> all = new HashSet<>(seen.keySet());
        all.addAll(now.keySet());
        return all.stream().filter(file -> !Objects.equals(seen.get(file), now.get(file)))
                .anyMatch(file -> file.startsWith(project.directory().resolve("src"))
                        && !file.toString().endsWith(".java"));
    }

    private void run(boolean mapped, boolean resources) {
        Stages stages = output.stages();
        Steps steps = new Steps(stages);
        Project current = mapped ? generated(steps) : project;
        Compilation compiled = steps.compile(current);
        boolean all = resources || mapped && compiled.testClasses().isEmpty();
        if (compiled.testClasses().isEmpty() && !all) {
            stages.end();
            System.out.println("No test depends on what has changed.");
            return;
        }
        TestReport report = steps.summarised(current, () -> all ? Runner.test(current)
                : Runner.test(current, compiled));
        Path page = steps.report(current, report);
        stages.total();
        shown.accept(report, page);
    }

    /** The project as the mapping file now wants it, for the schema of the last run. */
    private Project generated(Steps steps) {
        return steps.writing(project.directory(), () -> generatedAlone(steps));
    }

    private Project generatedAlone(Steps steps) {
        MappingFile file = MappingFile.read(project.path(MappingFile.NAME), System.getenv(), false)
                .inPackage(project.service().basePackage());
        Mapping mapping = steps.map(project.schema().map(Snapshot::read).orElseThrow(() -> Fault.inCall(
                "The last run in " + project.directory() + " did not record its schema.", "Run generate once more.")),
                        file, project.directory());
        return steps.write(VineKit.planAgain(
                steps.generate(mapping, file, project.directory(), Optional.empty()), project));
    }
}
