package dev.vinekit.project;

import dev.vinekit.engine.UserCache;
import dev.vinekit.fault.Fault;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Consumer;

/**
 * Held while a run reads, plans and writes one project, so that a second run waits for the first. The operating system
 * releases the lock when the process ends, however it ends. The file that is locked is in the user's own cache, not in
 * the project; runs of different users do not wait for each other.
 */
public final class ProjectLock {
    /** File locks belong to the process: its threads need a lock of their own. */
    private static final Map<String, ProjectLock> LOCKS = new ConcurrentHashMap<>();

    private final String name;
    private final ReentrantLock threads = new ReentrantLock();
    private FileChannel channel;

    private ProjectLock(String name) {
        this.name = name;
    }

    /** Work on a project. */
    @FunctionalInterface
    public interface Work<T, E extends Exception> {
        T run() throws E;
    }

    /**
     * Waits until no other run works on a project, and then works on it. Work may contain work on the same project.
     *
     * @param waiting receives one sentence before the wait: which process holds the project
     * @throws Fault if the user's cache cannot be written
     */
    public static <T, E extends Exception> T during(Path directory, Consumer<String> waiting, Work<T, E> work)
            throws E {
        Path place = directory.toAbsolutePath().normalize();
        ProjectLock lock = LOCKS.computeIfAbsent(
                FileFailure.real(place).toUri().toString(),
                key -> new ProjectLock(Signature.hash(key.getBytes(StandardCharsets.UTF_8))));
        lock.acquire(place, waiting);
        try {
            return work.run();
        } finally {
            lock.release();
        }
    }

    private void acquire(Path directory, Consumer<String> waiting) {
        threads.lock();
        if (threads.getHoldCount() > 1) {
            return;
        }
        try {
            channel = FileChannel.open(UserCache.folder("locks").resolve(name), StandardOpenOption.CREATE,
                    StandardOpenOption.READ, StandardOpenOption.WRITE);
            FileLock lock = channel.tryLock();
            if (lock == null) {
                waiting.accept("Another run, process " + holder() + ", is writing to " + directory
                        + ". Waiting for it to end.");
                lock = channel.lock();
            }
            channel.truncate(0).write(ByteBuffer.wrap(Long.toString(ProcessHandle.current().pid())
                    .getBytes(StandardCharsets.US_ASCII)), 0);
        } catch (IOException e) {
            threads.unlock();
            throw Fault.inWorld("The lock of " + directory + " could not be taken: " + FileFailure.reason(e) + ".",
                    "Set XDG_CACHE_HOME to a folder that you may write.", e);
        }
    }

    private String holder() throws IOException {
        ByteBuffer pid = ByteBuffer.allocate(20);
        int length = channel.read(pid, 0);
        return length < 1 ? "unknown" : new String(pid.array(), 0, length, StandardCharsets.US_ASCII);
    }

    private void release() {
        try {
            if (threads.getHoldCount() == 1) {
                channel.close();
            }
        } catch (IOException e) {
            throw Fault.inWorld("The lock of a project could not be released: " + FileFailure.reason(e) + ".",
                    "Run again.", e);
        } finally {
            threads.unlock();
        }
    }
}
