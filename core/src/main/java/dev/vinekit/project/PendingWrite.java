package dev.vinekit.project;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * Changes to many files that take effect together. They are staged in the project first; then a marker says that they
 * are complete. A process killed before the marker has changed nothing; one killed after it leaves the rest to the next
 * run.
 *
 * <p>The marker is a {@linkplain Signature signature} over the list of changes and the project's place. What another
 * user, another machine or a cloned repository left there has no valid marker: it is never carried out.
 */
final class PendingWrite {
    private static final String PLACE = LastRun.FOLDER + "/pending";
    private static final String MARKER = PLACE + "/ready";
    private static final String LIST = PLACE + "/changes.json";
    private static final String STAGED = PLACE + "/files/";
    private static final ObjectMapper JSON = new ObjectMapper();

    private final Path directory;
    private final ProjectPaths paths;
    private final Map<String, String> put = new TreeMap<>();
    private final List<String> removed = new ArrayList<>();
    private final Set<Path> made = new HashSet<>();
    private final Set<Path> checked = new HashSet<>();

    /**
     * What is to change.
     *
     * @param put the SHA-256 of each new content, by path
     * @param removed the paths of the files that go
     */
    record Changes(Map<String, String> put, List<String> removed) {
    }

    private PendingWrite(Path directory) {
        this.directory = directory;
        this.paths = ProjectPaths.of(directory);
    }

    static PendingWrite of(Path directory) {
        return new PendingWrite(directory);
    }

    /** Whether an earlier run of this user staged changes completely and did not finish them. */
    boolean isInterrupted() throws IOException {
        return Files.isRegularFile(paths.resolve(MARKER)) && Files.isRegularFile(paths.resolve(LIST))
                && Files.readString(paths.resolve(MARKER)).equals(signature(Files.readAllBytes(paths.resolve(LIST))));
    }

    /** Whether the project holds staged changes that this user's runs did not sign. */
    boolean isForeign() throws IOException {
        return Files.exists(paths.resolve(MARKER), LinkOption.NOFOLLOW_LINKS) && !isInterrupted();
    }

    /** Completes what an earlier run of this user had staged completely, and deletes any other staged changes. */
    void finishOrForget() throws IOException {
        if (isInterrupted()) {
            apply();
        } else {
            clear();
        }
    }

    void put(String path, byte[] content) throws IOException {
        paths.resolve(path);
        Path file = paths.resolve(STAGED + path);
        try {
            make(file.getParent());
            Files.write(file, content);
        } catch (IOException e) {
            clear();
            throw e;
        }
        put.put(path, Signature.hash(content));
    }

    /** Makes a directory, unless that was done just now. */
    private void make(Path folder) throws IOException {
        if (made.add(folder)) {
            Files.createDirectories(folder);
        }
    }

    void remove(String path) {
        paths.resolve(path);
        removed.add(path);
    }

    /**
     * Makes the changes take effect.
     *
     * @throws IOException if they cannot; nothing has changed then
     */
    void commit() throws IOException {
        seal();
        apply();
    }

    /** Completes the staged changes: from here on they will be carried out, if need be by the next run. */
    void seal() throws IOException {
        try {
            for (String path : put.keySet()) {
                requireWritable(paths.resolve(path));
            }
            for (String path : removed) {
                requireWritable(paths.resolve(path));
            }
            byte[] list = JSON.writeValueAsBytes(new Changes(put, removed));
            Files.createDirectories(paths.resolve(PLACE));
            Files.write(paths.resolve(LIST), list);
            Path marker = Files.writeString(paths.resolve(PLACE + "/signature"), signature(list));
            Files.move(marker, paths.resolve(MARKER), StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException e) {
            clear();
            throw e;
        }
    }

    private String signature(byte[] list) throws IOException {
        String signed = FileFailure.real(directory) + "\n" + new String(list, StandardCharsets.UTF_8);
        return Signature.of(signed.getBytes(StandardCharsets.UTF_8));
    }

    /** Moving a file over another asks only the directory; a user who made a file read-only meant it. */
    private void requireWritable(Path file) throws IOException {
        if (Files.isDirectory(file)) {
            throw new FileSystemException(file.toString(), null, "it is a directory");
        }
        if (Files.exists(file) && !isWritable(file)) {
            throw new FileSystemException(file.toString(), null, "it is read-only");
        }
        Path parent = file.getParent();
        if (!checked.add(parent)) {
            return;
        }
        while (parent != null && !Files.exists(parent)) {
            parent = parent.getParent();
        }
        if (parent != null && (!Files.isDirectory(parent) || !isWritable(parent))) {
            throw new FileSystemException(parent.toString(), null, "no file can be created in it");
        }
    }

    /** To the administrator every file is writable; its permissions still say what was meant. */
    private static boolean isWritable(Path path) throws IOException {
        PosixFileAttributeView posix = Files.getFileAttributeView(path, PosixFileAttributeView.class);
        return Files.isWritable(path) && (posix == null || posix.readAttributes().permissions().stream()
                .anyMatch(permission -> permission.name().endsWith("_WRITE")));
    }

    private void apply() throws IOException {
        Changes changes = JSON.readValue(Files.readAllBytes(paths.resolve(LIST)), Changes.class);
        for (Map.Entry<String, String> file : changes.put.entrySet()) {
            Path staged = paths.resolve(STAGED + file.getKey());
            if (!Files.exists(staged)) {
                continue;
            }
            if (!Signature.hash(Files.readAllBytes(staged)).equals(file.getValue())) {
                throw new FileSystemException(staged.toString(), null, "its content has changed since it was staged");
            }
            Path target = paths.resolve(file.getKey());
            make(target.getParent());
            Files.move(staged, target, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        }
        for (String path : changes.removed) {
            Files.deleteIfExists(paths.resolve(path));
            deleteEmpty(paths.resolve(path).getParent());
        }
        clear();
    }

    /** Deletes a directory of the project that is empty now, and its parents likewise. */
    private void deleteEmpty(Path folder) throws IOException {
        for (Path empty = folder; !empty.equals(directory) && Files.isDirectory(empty); empty = empty.getParent()) {
            try (Stream<Path> entries = Files.list(empty)) {
                if (entries.findAny().isPresent()) {
                    return;
                }
            }
            Files.delete(empty);
        }
    }

    private void clear() throws IOException {
        made.clear();
        Path pending = paths.resolve(PLACE);
        if (Files.isDirectory(pending, LinkOption.NOFOLLOW_LINKS)) {
            deleteAll(pending);
        }
        Path record = pending.getParent();
        if (Files.isDirectory(record)) {
            try (Stream<Path> entries = Files.list(record)) {
                if (entries.findAny().isPresent()) {
                    return;
                }
            }
            Files.delete(record);
        }
    }

    /**
     * Deletes the staged files first, then the marker, then the list: whatever is left after a kill is either carried
     * out as complete or deleted. Links are not followed.
     */
    private void deleteAll(Path pending) throws IOException {
        Path marker = paths.resolve(MARKER);
        Path list = paths.resolve(LIST);
        try (Stream<Path> entries = Files.walk(pending)) {
            Comparator<Path> markerLast =
                    Comparator.comparingInt(path -> path.equals(list) ? 2 : path.equals(marker) ? 1 : 0);
            for (Path entry : entries.filter(path -> !Files.isDirectory(path, LinkOption.NOFOLLOW_LINKS))
                    .sorted(markerLast).toList()) {
                Files.delete(entry);
            }
        }
        try (Stream<Path> entries = Files.walk(pending)) {
            for (Path entry : entries.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(entry);
            }
        }
    }
}
