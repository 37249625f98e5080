import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import org.xnio.XnioExecutor;

/**
 * How many requests may be worked on at a time. What comes all at once may be many; when there are too many for longer than a
 * moment, it is no more than can be answered soon, and fewer still while requests wait in their sockets, because what is worked
 * on takes the processor from the threads that read them.
 */
final class WorkLimit {
    /** A moment: what comes all at once, or while the database pauses, may be more than can be answered all at once. */
    private static final long MOMENT = TimeUnit.MILLISECONDS.toNanos(500);
    private static final int TIMES_AT_ONCE = 5;

    /** How long it must have been quiet for what comes all at once to be taken again. */
    private static final long QUIET = TimeUnit.SECONDS.toNanos(1);

    private static final long LOOK = TimeUnit.MILLISECONDS.toNanos(20);

    /** So late may a thread that reads requests be. */
    private static final long LATE = TimeUnit.MILLISECONDS.toNanos(10);

    private final int most;
    private final XnioExecutor reader;
    private final AtomicInteger count = new AtomicInteger();
    private final AtomicInteger limit;

    /** So many more may be taken in this moment. */
    private final AtomicInteger more;

    /** Since when there is too much to do; 0 if there is not. */
    private final AtomicLong crowded = new AtomicLong();

    /** When somebody last came for whom there was no place. */
    private final AtomicLong last = new AtomicLong();

    /** @param reader a thread that reads requests */
    WorkLimit(int most, XnioExecutor reader) {
        this.most = most;
        this.reader = reader;
        this.limit = new AtomicInteger(most);
        this.more = new AtomicInteger(atOnce());
    }

    /** What may come all at once beyond what is worked on at a time. */
    private int atOnce() {
        return (TIMES_AT_ONCE - 1) * most;
    }

    /** Takes one more if there is room, or only now is none. */
    boolean take() {
        boolean taken = count.incrementAndGet() <= limit.get()
                || isMoment() && more.getAndUpdate(left -> Math.max(0, left - 1)) > 0;
        if (!taken) {
            count.decrementAndGet();
        }
        return taken;
    }

    /** One less is worked on. */
    void free() {
        count.decrementAndGet();
    }

    /** Whether one more would not be taken. */
    boolean isReached() {
        return crowded.get() != 0 && count.get() >= limit.get() && !(isMoment() && more.get() > 0);
    }

    /** The limit at the moment. */
    int now() {
        return limit.get();
    }

    /** Notes that there is too much to do, and tells whether that has only just begun. */
    private boolean isMoment() {
        long now = System.nanoTime();
        last.set(now);
        if (crowded.compareAndSet(0, now | 1)) {
            reader.execute(this::look);
        }
        return now - crowded.get() < MOMENT;
    }

    /** Looks, as long as there is too much to do, how late the thread comes to what it has to do. */
    private void look() {
        long begin = System.nanoTime();
        reader.executeAfter(() -> adapt(System.nanoTime() - begin - LOOK), LOOK, TimeUnit.NANOSECONDS);
    }

    private void adapt(long late) {
        if (count.get() <= (most + 1) / 2 && System.nanoTime() - last.get() > QUIET) {
            limit.set(most);
            more.set(atOnce());
            crowded.set(0);
            return;
        }
        int now = limit.get();
        if (late > LATE) {
            limit.set(Math.max(1, now / 2));
        } else if (late < LATE / 4) {
            limit.set(Math.min(most, now + 1));
        }
        look();
    }
}
