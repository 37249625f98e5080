package com.example.cellar.support;

import java.time.Duration;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import org.eclipse.jetty.io.Connection;
import org.eclipse.jetty.util.component.AbstractLifeCycle;
import org.eclipse.jetty.util.thread.Scheduler;

/** Ends the connections of clients that take too long to send the beginning of a request: idle they are not. */
final class RequestTimes extends AbstractLifeCycle implements Connection.Listener {
    private static final long LOOK_MILLIS = 500;

    private final long most;
    private final Scheduler scheduler;
    private final Map<Connection, Seen> connections = new ConcurrentHashMap<>();

    RequestTimes(Duration most, Scheduler scheduler) {
        this.most = most.toNanos();
        this.scheduler = scheduler;
    }

    /** What had come on a connection between two requests, and since when more has. */
    private record Seen(long requests, long bytes, long since) {
    }

    @Override
    protected void doStart() {
        look();
    }

    @Override
    public void onOpened(Connection connection) {
        connections.put(connection, new Seen(0, 0, 0));
    }

    @Override
    public void onClosed(Connection connection) {
        connections.remove(connection);
    }

    private void look() {
        connections.replaceAll(RequestTimes::now);
        long time = System.nanoTime();
        connections.forEach((connection, seen) -> {
            if (seen.since != 0 && time - seen.since > most) {
                connection.close();
            }
        });
        if (isRunning() || isStarting()) {
            scheduler.schedule(this::look, LOOK_MILLIS, TimeUnit.MILLISECONDS);
        }
    }

    private static Seen now(Connection connection, Seen before) {
        long requests = connection.getMessagesIn();
        if (requests != before.requests || requests != connection.getMessagesOut()) {
            return new Seen(requests, connection.getBytesIn(), 0);
        }
        return before.since == 0 && connection.getBytesIn() > before.bytes
                ? new Seen(requests, before.bytes, System.nanoTime() | 1) : before;
    }
}
