package dev.vinekit.project;

import java.io.IOException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Changes to many files that take effect together. They are laid out beside the project first; a marker then says that
 * they are complete. A process killed before the marker has changed nothing; one killed after it leaves the rest to the
 * next run.
 */
final class PendingWrite {
    private static final String READY = "ready";
    private static final String REMOVED = "removed";

    private final Path directory;
    private final Path pending;
    private final List<String> removed = new ArrayList<>();
    private final List<String> paths = new ArrayList<>();
    private final Set<Path> made = new HashSet<>();
    private final Set<Path> checked = new HashSet<>();

    private PendingWrite(Path directory) {
        this.directory = directory;
        this.pending = directory.resolve(LastRun.FOLDER).resolve("pending");
    }

    static PendingWrite of(Path directory) {
        return new PendingWrite(directory);
    }

    /** Completes what an earlier process had laid out completely, and clears away what it had not. */
    void finishOrForget() throws IOException {
        if (Files.exists(pending.resolve(READY))) {
            apply();
        } else {
            clear();
        }
    }

    void put(String path, byte[] content) throws IOException {
        Path file = pending.resolve("files").resolve(path);
        try {
            make(file.getParent());
            Files.write(file, content);
        } catch (IOException e) {
            clear();
            throw e;
        }
        paths.add(path);
    }

    /** Makes a directory, unless that was done just now. */
    private void make(Path folder) throws IOException {
        if (made.add(folder)) {
            Files.createDirectories(folder);
        }
    }

    void remove(String path) {
        removed.add(path);
        paths.add(path);
    }

    /**
     * Makes the changes take effect.
     *
     * @throws IOException if they cannot; nothing has changed then
     */
    void commit() throws IOException {
        try {
            for (String path : paths) {
                requireWritable(directory.resolve(path));
            }
            Files.createDirectories(pending);
            Files.write(pending.resolve(REMOVED), removed);
        } catch (IOException e) {
            clear();
            throw e;
        }
        Files.createFile(pending.resolve(READY));
        apply();
    }

    /** Moving a file over another asks only the directory; a person who made a file read-only meant it. */
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
            throw new FileSystemException(parent.toString(), null, "it takes no new files");
        }
    }

    /** To the administrator every file is writable; its permissions still tell. */
    private static boolean isWritable(Path path) throws IOException {
        PosixFileAttributeView posix = Files.getFileAttributeView(path, PosixFileAttributeView.class);
        return Files.isWritable(path) && (posix == null || posix.readAttributes().permissions().stream()
                .anyMatch(permission -> permission.name().endsWith("_WRITE")));
    }

    private void apply() throws IOException {
        Path files = pending.resolve("files");
        if (Files.isDirectory(files)) {
            try (Stream<Path> staged = Files.walk(files)) {
                for (Path file : staged.filter(Files::isRegularFile).toList()) {
                    Path target = directory.resolve(files.relativize(file));
                    make(target.getParent());
                    Files.move(file, target, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
                }
            }
        }
        List<String> paths = Files.exists(pending.resolve(REMOVED))
                ? Files.readAllLines(pending.resolve(REMOVED)) : List.of();
        for (String path : paths) {
            Files.deleteIfExists(directory.resolve(path));
            deleteEmpty(directory.resolve(path).getParent());
        }
        clear();
    }

    /** Takes away a directory of the project that holds nothing any more, and those around it. */
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
        if (Files.isDirectory(pending)) {
            deleteAll();
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

    /** Takes the marker away last, so that a half-cleared directory is never taken for a fresh one. */
    private void deleteAll() throws IOException {
        try (Stream<Path> entries = Files.walk(pending)) {
            Comparator<Path> markerLast = Comparator.comparing(path -> path.equals(pending.resolve(READY)));
            for (Path entry : entries.filter(Files::isRegularFile).sorted(markerLast).toList()) {
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
