package dev.vinekit.cli;

import dev.vinekit.run.Progress;
import java.io.PrintStream;
import java.util.Locale;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;

/**
 * Tells how far a stage has come while it lasts: one line that is rewritten on a terminal, a line now and then
 * elsewhere.
 */
final class LiveLine implements Consumer<Progress.State>, AutoCloseable {
    private static final long REWRITE_MILLIS = 200;
    private static final long LINE_MILLIS = 10_000;

    /** The part of the whole that must be done before the rest can be guessed from it: one in so many. */
    private static final int EARLY = 20;
    private static final String ERASE = "\r\u001b[K";

    private final PrintStream out;
    private final String name;
    private final String unit;
    private final boolean rewritten;
    private final long begin = System.nanoTime();
    private final AtomicReference<Progress.State> last = new AtomicReference<>(new Progress.State(0, 0, 0));
    private final ScheduledExecutorService clock = Executors.newSingleThreadScheduledExecutor(task -> {
        Thread thread = new Thread(task, "progress");
        thread.setDaemon(true);
        return thread;
    });
    private final ScheduledFuture<?> ticking;

    /**
     * Begins to tell.
     *
     * @param unit what is counted, as in "1,203 of 8,227 tests"
     * @param rewritten whether the output is a terminal, on which a line can be written over
     */
    LiveLine(PrintStream out, String name, String unit, boolean rewritten) {
        this.out = out;
        this.name = name;
        this.unit = unit;
        this.rewritten = rewritten;
        long pause = rewritten ? REWRITE_MILLIS : LINE_MILLIS;
        this.ticking = clock.scheduleAtFixedRate(this::tell, pause, pause, TimeUnit.MILLISECONDS);
    }

    @Override
    public void accept(Progress.State state) {
        last.accumulateAndGet(state, (before, now) -> now.done() >= before.done() ? now : before);
    }

    private synchronized void tell() {
        String line = line(name, unit, last.get(), (System.nanoTime() - begin) / 1_000_000_000L);
        if (rewritten) {
            out.print(ERASE + line);
            out.flush();
        } else {
            out.println(line);
        }
    }

    /** What the line says after so many seconds. */
    static String line(String name, String unit, Progress.State state, long seconds) {
        boolean guessed = state.done() * EARLY > state.all() && state.done() < state.all() && seconds > 1;
        String time = !guessed ? seconds + " s"
                : "about " + Math.max(1, seconds * (state.all() - state.done()) / state.done()) + " s left";
        return state.all() == 0 ? String.format(Locale.ROOT, "%-9s ... %s", name, time)
                : String.format(Locale.ROOT, "%-9s %,d of %,d %s%s, %s", name, state.done(), state.all(), unit,
                        state.failed() == 0 ? "" : ", " + state.failed() + " failed", time);
    }

    @Override
    public void close() {
        ticking.cancel(false);
        clock.shutdownNow();
        synchronized (this) {
            if (rewritten) {
                out.print(ERASE);
                out.flush();
            }
        }
    }
}
