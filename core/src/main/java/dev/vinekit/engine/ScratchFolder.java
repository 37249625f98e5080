package dev.vinekit.engine;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.stream.Stream;

/**
 * A temporary folder for a scratch database, or for a server of scratch databases. It goes when it is closed. If its process is
 * killed before, the next process that makes one of the same kind stops the server and removes the folder.
 */
public final class ScratchFolder implements AutoCloseable {
    /** Held for as long as the process lives: of a folder whose lock is free nobody takes care any more. */
    private static final String LOCK = "lock";
    private static final int SECONDS = 20;

    /** Those of this process: a second look at a lock of one's own would free it on POSIX systems. */
    private static final Set<Path> OWN = ConcurrentHashMap.newKeySet();

    private final Path path;
    private final FileChannel lock;
    private final String pidFile;

    private ScratchFolder(Path path, FileChannel lock, String pidFile) {
        this.path = path;
        this.lock = lock;
        this.pidFile = pidFile;
    }

    /** A new folder for files alone. */
    public static ScratchFolder ofFiles(String kind) throws IOException {
        return ofServer(kind, "");
    }

    /**
     * A new folder for a server's files.
     *
     * @param kind begins the folder's name
     * @param pidFile where in the folder the server writes the number of its process, alone or on the first line
     */
    public static ScratchFolder ofServer(String kind, String pidFile) throws IOException {
        Path path = Files.createTempDirectory(kind);
        OWN.add(path);
        Path free = path.resolve("free");
        FileChannel lock = FileChannel.open(free, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE);
        lock.lock();
        Files.move(free, path.resolve(LOCK), StandardCopyOption.ATOMIC_MOVE);
        removeLeft(path.getParent(), kind, pidFile);
        return new ScratchFolder(path, lock, pidFile);
    }

    private static void removeLeft(Path parent, String kind, String pidFile) throws IOException {
        List<Path> folders;
        try (Stream<Path> all = Files.list(parent)) {
            folders = all.filter(folder -> folder.getFileName().toString().startsWith(kind)).filter(folder -> !OWN.contains(folder)).toList();
        }
        for (Path folder : folders) {
            if (isLeft(folder)) {
                stop(folder, pidFile);
                remove(folder);
            }
        }
    }

    private static boolean isLeft(Path folder) throws IOException {
        try (FileChannel channel = FileChannel.open(folder.resolve(LOCK), StandardOpenOption.WRITE)) {
            return channel.tryLock() != null;
        } catch (NoSuchFileException e) {
            return false;
        }
    }

    /** Where the files are to lie. */
    public Path path() {
        return path;
    }

    /** Stops the server whose process number the folder holds, if it is still one that works in the folder. */
    private static void stop(Path folder, String pidFile) throws IOException {
        Path file = folder.resolve(pidFile);
        if (pidFile.isEmpty() || !Files.isRegularFile(file)) {
            return;
        }
        Optional<ProcessHandle> server = Files.readString(file).lines().findFirst().map(String::strip).filter(line -> line.matches("\\d{1,18}"))
                .flatMap(line -> ProcessHandle.of(Long.parseLong(line)))
                .filter(process -> process.info().commandLine().filter(line -> line.contains(folder.toString())).isPresent());
        if (server.isPresent()) {
            server.get().destroy();
            await(server.get());
        }
    }

    private static void await(ProcessHandle process) {
        try {
            process.onExit().get(SECONDS, TimeUnit.SECONDS);
        } catch (TimeoutException e) {
            process.destroyForcibly();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (ExecutionException e) {
            throw new IllegalStateException("waiting for process " + process.pid(), e.getCause());
        }
    }

    /** Removes a folder with all that is in it. */
    public static void remove(Path folder) throws IOException {
        try (Stream<Path> files = Files.walk(folder)) {
            for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
                Files.deleteIfExists(file);
            }
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
    }

    /** Stops the server if it still runs, and removes the folder with all that is in it. */
    @Override
    public void close() throws IOException {
        stop(path, pidFile);
        lock.close();
        remove(path);
    }
}
