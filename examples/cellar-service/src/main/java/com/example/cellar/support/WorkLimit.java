package com.example.cellar.support;

import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import org.eclipse.jetty.http.HttpStatus;
import org.eclipse.jetty.server.Handler;
import org.eclipse.jetty.server.Request;
import org.eclipse.jetty.server.Response;
import org.eclipse.jetty.util.Callback;
import org.eclipse.jetty.util.thread.Scheduler;

/**
 * How many requests may be worked on at a time. What comes all at once may be many; when there are too many for longer
 * than a moment, it is no more than can be answered soon, and fewer still while requests wait in their sockets, because
 * what is worked on takes the processor from the threads that read them.
 */
final class WorkLimit extends Handler.Wrapper {
    /** A moment: what comes all at once, or while the database pauses, may be more than can be answered all at once. */
    private static final long MOMENT = TimeUnit.MILLISECONDS.toNanos(500);
    private static final int TIMES_AT_ONCE = 5;

    /** How long it must have been quiet for what comes all at once to be taken again. */
    private static final long QUIET = TimeUnit.SECONDS.toNanos(1);

    private static final long LOOK = TimeUnit.MILLISECONDS.toNanos(20);

    /** So late may a task be that is to run now. */
    private static final long LATE = TimeUnit.MILLISECONDS.toNanos(10);

    private final int most;
    private final String health;
    private final Scheduler scheduler;
    private final AtomicInteger count = new AtomicInteger();
    private final AtomicInteger limit;

    /** So many more may be taken in this moment. */
    private final AtomicInteger more;

    /** Since when there is too much to do; 0 if there is not. */
    private final AtomicLong crowded = new AtomicLong();

    /** When somebody last came for whom there was no place. */
    private final AtomicLong last = new AtomicLong();

    /** @param health below which every request is worked on */
    WorkLimit(int most, String health, Scheduler scheduler) {
        this.most = most;
        this.health = health;
        this.scheduler = scheduler;
        this.limit = new AtomicInteger(most);
        this.more = new AtomicInteger(atOnce());
    }

    @Override
    public boolean handle(Request request, Response response, Callback callback) throws Exception {
        String path = request.getHttpURI().getPath();
        if (path.equals(health) || path.startsWith(health + "/")) {
            return super.handle(request, response, callback);
        } else if (!take()) {
            Response.writeError(request, response, callback, HttpStatus.SERVICE_UNAVAILABLE_503);
            return true;
        }
        try {
            return super.handle(request, response, callback);
        } finally {
            free(); // the response is made, if not sent: a client that does not read it holds no place
        }
    }

    /** What may come all at once beyond what is worked on at a time. */
    private int atOnce() {
        return (TIMES_AT_ONCE - 1) * most;
    }

    /** Takes one more if there is room, or only now is none. */
    private boolean take() {
        boolean taken = count.incrementAndGet() <= limit.get()
                || isMoment() && more.getAndUpdate(left -> Math.max(0, left - 1)) > 0;
        if (!taken) {
            count.decrementAndGet();
        }
        return taken;
    }

    /** One less is worked on. */
    private void free() {
        count.decrementAndGet();
    }

    /** How many are worked on. */
    int size() {
        return count.get();
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
            scheduler.schedule(this::look, 0, TimeUnit.NANOSECONDS);
        }
        return now - crowded.get() < MOMENT;
    }

    /** Looks, as long as there is too much to do, how late tasks are. */
    private void look() {
        long begin = System.nanoTime();
        scheduler.schedule(() -> adapt(System.nanoTime() - begin - LOOK), LOOK, TimeUnit.NANOSECONDS);
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
