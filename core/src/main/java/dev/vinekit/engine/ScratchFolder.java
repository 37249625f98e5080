package dev.vinekit.engine;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.security.SecureRandom;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * A temporary folder for a scratch database, or for a server of scratch databases. It goes when it is closed, or the
 * process is interrupted, and servers that work in it are stopped before. If the process is killed, the next one that
 * makes a folder of the same kind does it.
 */
public final class ScratchFolder implements AutoCloseable {
    /** Held for as long as the process lives: of a folder whose lock is free nobody takes care any more. */
    private static final String LOCK = "lock";
    private static final int SECONDS = 20;
    private static final int LOOK_MILLIS = 20;

    /** While a process ends, another thread may still be starting a server, or writing files for one. */
    private static final int ATTEMPTS = 5;

    /** Those of this process: a second look at a lock of one's own would free it on POSIX systems. */
    private static final Set<Path> OWN = ConcurrentHashMap.newKeySet();

    private final Path path;
    private final FileChannel lock;
    private final boolean ofServer;

    private ScratchFolder(Path path, FileChannel lock, boolean ofServer) {
        this.path = path;
        this.lock = lock;
        this.ofServer = ofServer;
    }

    /**
     * A new folder for files alone. Those of this kind that killed processes have left are removed.
     *
     * @param kind begins the folder's name
     */
    public static ScratchFolder ofFiles(String kind) throws IOException {
        return make(kind, false);
    }

    /**
     * As {@link #ofFiles}, for a server: programs whose command line names the folder are stopped before it is removed.
     */
    public static ScratchFolder ofServer(String kind) throws IOException {
        return make(kind, true);
    }

    /** One at a time: a folder that is only just made has no lock yet, and must not look like one that was left. */
    private static synchronized ScratchFolder make(String kind, boolean ofServer) throws IOException {
        Path path = Files.createTempDirectory(kind);
        OWN.add(path);
        Path free = path.resolve("free");
        FileChannel lock = FileChannel.open(free, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE);
        lock.lock();
        Files.move(free, path.resolve(LOCK), StandardCopyOption.ATOMIC_MOVE);
        ScratchFolder folder = new ScratchFolder(path, lock, ofServer);
        Runtime.getRuntime().addShutdownHook(new Thread(folder::closeAtLast));
        removeLeft(path.getParent(), kind, ofServer);
        return folder;
    }

    private static void removeLeft(Path parent, String kind, boolean ofServer) throws IOException {
        List<Path> folders;
        try (Stream<Path> all = Files.list(parent)) {
            folders = all.filter(folder -> folder.getFileName().toString().startsWith(kind))
                    .filter(folder -> !OWN.contains(folder)).toList();
        }
        for (Path folder : folders) {
            try (FileChannel channel = FileChannel.open(folder.resolve(LOCK), StandardOpenOption.WRITE)) {
                if (channel.tryLock() != null) {
                    if (ofServer) {
                        stop(folder);
                    }
                    remove(folder);
                }
            } catch (NoSuchFileException e) {
                // It has no lock yet, or no longer: another process is making or removing it.
            }
        }
    }

    /** A password for a server that works in such a folder: nobody can guess it, and any SQL takes it as a literal. */
    public static String password() {
        byte[] bytes = new byte[24];
        new SecureRandom().nextBytes(bytes);
        return HexFormat.of().formatHex(bytes);
    }

    /** Where the files are to lie. */
    public Path path() {
        return path;
    }

    /**
     * Stops the programs that work in a folder. One that has ended may stand in the list of processes yet, but has no
     * command line.
     */
    private static void stop(Path folder) {
        List<ProcessHandle> working = ProcessHandle.allProcesses().filter(process -> worksIn(process, folder)).toList();
        working.forEach(ProcessHandle::destroy);
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(SECONDS);
        try {
            while (working.stream().anyMatch(process -> worksIn(process, folder)) && System.nanoTime() < end) {
                Thread.sleep(LOOK_MILLIS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        working.stream().filter(process -> worksIn(process, folder)).forEach(ProcessHandle::destroyForcibly);
    }

    private static boolean worksIn(ProcessHandle process, Path folder) {
        return process.info().commandLine().filter(line -> line.contains(folder.toString())).isPresent();
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

    /** Stops what works in the folder, and removes it with all that is in it. */
    @Override
    public void close() throws IOException {
        lock.close();
        for (int attempt = 1; Files.exists(path); attempt++) {
            if (ofServer) {
                stop(path);
            }
            try {
                remove(path);
            } catch (IOException e) {
                if (attempt == ATTEMPTS) {
                    throw e;
                }
            }
        }
    }

    private void closeAtLast() {
        try {
            close();
        } catch (IOException e) {
            throw new UncheckedIOException("removing " + path, e);
        }
    }
}
