package dev.vinekit.project;

import java.nio.file.Path;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What a generation means for a project.
 *
 * @param directory the project
 * @param service what the generated service is, for later runs
 * @param changes one for each file, sorted by path
 * @param seen the SHA-256 of each file as the plan found it, by path; empty where there was none. A file that has
 *     another content when the changes are written is not touched
 * @param record files of the record that change: their new content by path, nothing for those that go
 * @param missingLibraries what the code needs and the {@code pom.xml} of a project that is not ours does not name, as
 *     {@code group:artifact}
 * @param ownTemplates the custom templates that were used
 * @param decisions what the user has to decide before the change script does anything, a sentence each
 */
public record ChangeSet(
        Path directory,
        ServiceDescription service,
        List<FileChange> changes,
        Map<String, String> seen,
        Map<String, Optional<byte[]>> record,
        List<String> missingLibraries,
        Set<String> ownTemplates,
        List<String> decisions) {
    public ChangeSet {
        changes = List.copyOf(changes);
        seen = Map.copyOf(seen);
        record = Map.copyOf(record);
        decisions = List.copyOf(decisions);
        missingLibraries = List.copyOf(missingLibraries);
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

    /** Whether there is nothing to write, not even in the record. */
    public boolean isEmpty() {
        return record.isEmpty() && changes.stream().noneMatch(FileChange::touchesFile);
    }

    /** Whether a person should look at something before going on. */
    public boolean wantsAttention() {
        return !missingLibraries.isEmpty() || !decisions.isEmpty()
                || changes.stream().anyMatch(FileChange::wantsAttention);
    }
}
