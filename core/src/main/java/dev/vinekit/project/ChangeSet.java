package dev.vinekit.project;

import java.nio.file.Path;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * What a generation means for a project.
 *
 * @param directory the project
 * @param service what the generated service is, for later runs
 * @param changes one for each file, sorted by path
 */
public record ChangeSet(Path directory, ServiceDescription service, List<FileChange> changes) {
    public ChangeSet {
        changes = List.copyOf(changes);
    }

    /** How many files of each kind there are; kinds without files are left out. */
    public Map<FileChange.Kind, Integer> counts() {
        Map<FileChange.Kind, Integer> counts = new EnumMap<>(FileChange.Kind.class);
        changes.forEach(change -> counts.merge(change.kind(), 1, Integer::sum));
        return counts;
    }

    public List<FileChange> ofKind(FileChange.Kind kind) {
        return changes.stream().filter(change -> change.kind() == kind).toList();
    }
}
