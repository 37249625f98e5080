package dev.vinekit.run;

import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import java.util.function.Supplier;

/**
 * How far compiling or testing has come: told to whoever listens on the thread that began it, from whatever thread
 * works.
 */
public final class Progress {
    private static final ThreadLocal<Progress> CURRENT = new ThreadLocal<>();

    private final Consumer<State> listener;
    private final AtomicInteger all = new AtomicInteger();
    private final AtomicInteger done = new AtomicInteger();
    private final AtomicInteger failed = new AtomicInteger();

    private Progress(Consumer<State> listener) {
        this.listener = listener;
    }

    /**
     * Where the work stands.
     *
     * @param done files compiled, or tests run
     * @param all how many there are, as far as is known; at least as many as are done
     * @param failed of those done
     */
    public record State(int done, int all, int failed) {
    }

    /**
     * Does some work, and tells a listener how far it has come.
     *
     * @param listener is called often, by several threads at a time
     */
    public static <T> T told(Consumer<State> listener, Supplier<T> work) {
        Progress before = CURRENT.get();
        CURRENT.set(new Progress(listener));
        try {
            return work.get();
        } finally {
            if (before == null) {
                CURRENT.remove();
            } else {
                CURRENT.set(before);
            }
        }
    }

    /** That of this thread; one that nobody listens to, if nobody does. */
    static Progress current() {
        Progress current = CURRENT.get();
        return current == null ? new Progress(state -> { }) : current;
    }

    /** There is more to do. */
    void expect(int more) {
        all.addAndGet(more);
        tell();
    }

    /** Something is done. */
    void step(boolean well) {
        done.incrementAndGet();
        if (!well) {
            failed.incrementAndGet();
        }
        tell();
    }

    private void tell() {
        int now = done.get();
        listener.accept(new State(now, Math.max(now, all.get()), failed.get()));
    }
}
