package dev.vinekit.project;

import dev.vinekit.fault.Fault;
import dev.vinekit.mapping.Decisions;
import dev.vinekit.mapping.file.MappingFile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What the last run recorded in a project: each generated text with what the file is for, where people moved files to,
 * and what the service is, in one file that no person edits; and the schema, as text that version control can compare.
 */
final class LastRun {
    static final String FOLDER = ".vinekit";
    private static final String RECORD = FOLDER + "/generated.json.xz";
    private static final String SCHEMA = FOLDER + "/schema.json";

    /** Says to version control that nobody merges these files by hand: they are written anew by each generation. */
    private static final String ATTRIBUTES = FOLDER + "/.gitattributes";
    private static final String NOT_MERGED = "generated.json.xz binary\nschema.json -merge\n";

    private final Path directory;
    private final ProjectPaths paths;
    private final Optional<RunRecord> record;

    private LastRun(Path directory, Optional<RunRecord> record) {
        this.directory = directory;
        this.paths = ProjectPaths.of(directory);
        this.record = record;
    }

    /** Whether there was a run in a directory. */
    static boolean isIn(Path directory) {
        return Files.isRegularFile(ProjectPaths.of(directory).resolve(RECORD)) || OlderRecord.isIn(directory);
    }

    /**
     * The record in a directory; that of no run if there is none.
     *
     * @throws Fault if it cannot be read
     */
    static LastRun of(Path directory) {
        Path file = ProjectPaths.of(directory).resolve(RECORD);
        if (!Files.isRegularFile(file)) {
            return new LastRun(directory, OlderRecord.read(directory));
        }
        try {
            RunRecord ours = RunRecord.read(Files.readAllBytes(file));
            Optional<byte[]> theirs = UnfinishedMerge.theirs(file);
            return new LastRun(directory,
                    Optional.of(theirs.isPresent() ? ours.with(RunRecord.read(theirs.get())) : ours));
        } catch (IOException e) {
            throw Fault.inWorld(file + " cannot be understood: " + FileFailure.reason(e) + ".",
                    "Restore the file from version control, or generate into a new directory.", e);
        }
    }

    /** What was generated, by path. */
    Map<String, String> texts() {
        Map<String, String> texts = new TreeMap<>();
        entries().forEach((path, file) -> texts.put(path, file.text()));
        return texts;
    }

    private Map<String, RunRecord.Entry> entries() {
        return record.map(RunRecord::files).orElse(Map.of());
    }

    /** What a file was for; its path where that was not recorded. */
    String role(String path) {
        return entries().containsKey(path) ? entries().get(path).role() : path;
    }

    /** Where the file that was generated for a path is, as far as is known. */
    String location(String path) {
        return entries().containsKey(path) && entries().get(path).at() != null ? entries().get(path).at() : path;
    }

    Optional<ServiceDescription> service() {
        return record.map(RunRecord::service);
    }

    /** What was decided; nothing if it was not recorded. */
    Optional<Decisions> decisions() {
        return record.map(RunRecord::decisions).map(MappingFile::recorded);
    }

    static Optional<String> schema(Path directory) {
        return FileFailure.readIfThere(ProjectPaths.of(directory).resolve(SCHEMA));
    }

    /** The files of the record that have to change: their new content by path, nothing for those that go. */
    Map<String, Optional<byte[]>> changes(RunRecord now, String schema) {
        Map<String, Optional<byte[]>> changes = new TreeMap<>(OlderRecord.files(directory));
        if (!changes.isEmpty() || !record.equals(Optional.of(now))) {
            changes.put(RECORD, Optional.of(now.bytes()));
        }
        put(changes, SCHEMA, schema);
        put(changes, ATTRIBUTES, NOT_MERGED);
        return changes;
    }

    private void put(Map<String, Optional<byte[]>> changes, String path, String text) {
        if (!FileFailure.readIfThere(paths.resolve(path)).equals(Optional.of(text))) {
            changes.put(path, Optional.of(text.getBytes(StandardCharsets.UTF_8)));
        }
    }
}
