package dev.vinekit.project;

import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.schema.Snapshot;
import dev.vinekit.schema.TableName;
import dev.vinekit.source.SourceFile;
import dev.vinekit.source.Sources;
import dev.vinekit.source.SourceTree;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Works out what the files of a generation mean for a project. */
final class Plan {
    private static final Pattern TABLE = Pattern.compile("(?s)([^.]*)\\.(.*) ((?:table|test)/\\w+).*");

    /** What the files of tables are, by their templates. */
    private static final Map<String, String> SORTS = Sources.sorts();

    private final ProjectPaths paths;
    private final LastRun last;

    /** The content of each file that was looked at, as a hash; empty if it was not there. */
    private final Map<String, String> seen = new HashMap<>();
    private final Map<String, String> texts;
    private final MovedFiles moved;
    private final Map<String, SourceFile> generated = new TreeMap<>();
    private final Map<String, String> renamed = new HashMap<>();
    private final Map<String, RunRecord.Entry> entries = new TreeMap<>();
    private final List<FileChange> changes = new ArrayList<>();

    private Plan(Path directory, List<SourceFile> files) {
        this.paths = ProjectPaths.of(directory);
        this.last = LastRun.of(directory);
        this.texts = last.texts();
        files.forEach(file -> generated.put(file.path(), file));
        Set<String> known = new HashSet<>(texts.keySet());
        known.addAll(generated.keySet());
        texts.keySet().forEach(path -> known.add(last.location(path)));
        this.moved = new MovedFiles(directory, known);
    }

    /**
     * A change set.
     *
     * @param sourcesOnly whether the project's own files are not ours to write
     * @param scope which tables were chosen, as text
     * @param scripts files that are written once and then left to the user
     * @param decisions what the user has to decide before the scripts do anything
     */
    static ChangeSet of(Path directory, SourceTree sources, boolean sourcesOnly, List<String> scope,
            List<SourceFile> scripts, List<String> decisions) {
        SourceFolders folders = SourceFolders.of(directory);
        List<SourceFile> files = sources.files().stream().filter(file -> !sourcesOnly || !file.isProjectFile())
                .map(file -> new SourceFile(folders.place(file.path()), file.text(), file.role(), file.table()))
                .toList();
        Plan plan = new Plan(directory, files);
        plan.findRenamed();
        plan.generated.values().forEach(plan::add);
        plan.texts.forEach(plan::addForgotten);
        scripts.forEach(script -> plan.read(script.path()));
        scripts.forEach(script -> plan.changes.add(new FileChange(script.path(), FileChange.Kind.NEW,
                decisions.isEmpty() ? Reasons.SCRIPT : Reasons.undecided(decisions.size()), Optional.empty(), Optional.empty(), Optional.of(script.text()),
                Optional.empty())));
        plan.changes.sort(Comparator.comparing(FileChange::path));
        ServiceDescription service = ServiceDescription.of(sources, sourcesOnly, scope);
        return new ChangeSet(directory, service, plan.changes, plan.seen,
                plan.last.changes(
                        new RunRecord(service, MappingFile.record(sources.mapping().decisions()), plan.entries),
                        Snapshot.write(sources.mapping().schema().withoutAccess())),
                sourcesOnly ? HostProject.missing(directory, sources.libraries()) : List.of(),
                sources.ownTemplates(), decisions);
    }

    /** A file that is generated under another path than last time has the same role. */
    private void findRenamed() {
        Map<String, String> gone = new HashMap<>();
        texts.keySet().stream().filter(path -> !generated.containsKey(path))
                .forEach(path -> gone.put(last.role(path), path));
        generated.values().stream()
                .filter(file -> !texts.containsKey(file.path()) && gone.containsKey(file.identity()))
                .forEach(file -> renamed.put(file.path(), gone.get(file.identity())));
    }

    private void add(SourceFile file) {
        String before = renamed.getOrDefault(file.path(), file.path());
        String base = texts.get(before);
        if (base == null) {
            addNew(file);
            return;
        }
        String location = last.location(before);
        Optional<String> present = read(location);
        Optional<String> found = present.isPresent() ? Optional.empty() : moved.find(before, base);
        if (found.isPresent()) {
            location = found.get();
            present = read(location);
        }
        boolean byPerson = !location.equals(before);
        String target = byPerson ? location : file.path();
        entries.put(file.path(), new RunRecord.Entry(file.identity(), byPerson ? location : null, file.text()));
        if (present.isEmpty()) {
            changes.add(change(file, file.path(), FileChange.Kind.LEFT_ALONE, Reasons.LOST, Optional.empty()));
            return;
        }
        Outcome outcome = Outcome.of(base, present.get(), file.text());
        String reason = found.isPresent() ? Reasons.moved(outcome.reason(), before)
                : target.equals(location) ? outcome.reason() : Reasons.renamed(outcome.reason(), location);
        Optional<String> from = target.equals(location) ? Optional.empty() : Optional.of(location);
        boolean occupied = from.isPresent() && read(target).isPresent();
        if (occupied) {
            addOccupied(file);
            return;
        }
        FileChange.Kind kind = from.isPresent() && outcome.kind() == FileChange.Kind.SAME
                ? FileChange.Kind.CHANGED : outcome.kind();
        changes.add(new FileChange(target, kind, reason, file.table(), sort(file.identity()),
                kind == FileChange.Kind.SAME ? Optional.empty() : Optional.of(outcome.text()), from));
    }

    private void addNew(SourceFile file) {
        Optional<String> present = read(file.path());
        if (present.isPresent() && !present.get().equals(file.text())) {
            addOccupied(file);
            return;
        }
        entries.put(file.path(), new RunRecord.Entry(file.identity(), null, file.text()));
        changes.add(present.isPresent()
                ? change(file, file.path(), FileChange.Kind.SAME, Reasons.ADOPTED, Optional.empty())
                : change(file, file.path(), FileChange.Kind.NEW, Reasons.NEW, Optional.of(file.text())));
    }

    /** Not taken into the record, so that it is said again as long as it is so. */
    private void addOccupied(SourceFile file) {
        entries.remove(file.path());
        changes.add(change(file, file.path(), FileChange.Kind.LEFT_ALONE,
                Reasons.NOT_OURS + "; move it, or give the class another name in the mapping file", Optional.empty()));
    }

    /** What was generated last time and is not any more. */
    private void addForgotten(String path, String base) {
        if (generated.containsKey(path) || renamed.containsValue(path)) {
            return;
        }
        String location = last.location(path);
        Optional<String> present = read(location);
        if (present.isPresent()) {
            boolean unedited = Outcome.withoutReturns(present.get()).equals(base);
            changes.add(new FileChange(location, unedited ? FileChange.Kind.REMOVED : FileChange.Kind.LEFT_ALONE,
                    unedited ? Reasons.REMOVED : Reasons.YOURS, table(path), sort(last.role(path)), Optional.empty(),
                    Optional.empty()));
        }
    }

    /** The table that a file of the last run was about, as its role tells. */
    private Optional<TableName> table(String path) {
        Matcher role = TABLE.matcher(last.role(path));
        return role.matches() ? Optional.of(new TableName(role.group(1), role.group(2))) : Optional.empty();
    }

    /** What files of tables of this role are. */
    private static Optional<String> sort(String role) {
        Matcher ofTable = TABLE.matcher(role);
        return ofTable.matches() ? Optional.ofNullable(SORTS.get(ofTable.group(3))) : Optional.empty();
    }

    private static FileChange change(
            SourceFile file, String path, FileChange.Kind kind, String reason, Optional<String> text) {
        return new FileChange(path, kind, reason, file.table(), sort(file.identity()), text, Optional.empty());
    }

    private Optional<String> read(String path) {
        Optional<String> text = FileFailure.readIfThere(paths.resolve(path));
        seen.put(path, Project.state(text));
        return text;
    }

    /** What becomes of a file that was generated before and is there. */
    private record Outcome(FileChange.Kind kind, String reason, String text) {
        static Outcome of(String base, String asIs, String generated) {
            boolean returns = asIs.contains("\r\n");
            String present = withoutReturns(asIs);
            Outcome outcome = compare(base, present, generated);
            return returns ? new Outcome(outcome.kind, outcome.reason, outcome.text.replace("\n", "\r\n")) : outcome;
        }

        /** Editors on other systems end lines otherwise; that is no edit. */
        static String withoutReturns(String text) {
            return text.replace("\r\n", "\n");
        }

        private static Outcome compare(String base, String present, String generated) {
            if (present.equals(generated)) {
                return new Outcome(FileChange.Kind.SAME, Reasons.SAME, present);
            } else if (present.equals(base)) {
                return new Outcome(FileChange.Kind.CHANGED, Reasons.CHANGED, generated);
            } else if (generated.equals(base)) {
                return new Outcome(FileChange.Kind.SAME, Reasons.KEPT, present);
            }
            Merge merge = Merge.of(base, present, generated);
            return merge.text().equals(present) ? new Outcome(FileChange.Kind.SAME, Reasons.KEPT, present)
                    : merge.conflict() ? new Outcome(FileChange.Kind.CONFLICT, Reasons.CONFLICT, merge.text())
                    : new Outcome(FileChange.Kind.MERGED, Reasons.MERGED, merge.text());
        }
    }
}
