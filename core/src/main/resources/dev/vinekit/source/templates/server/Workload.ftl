import io.undertow.connector.PooledByteBuffer;
import io.undertow.server.HttpHandler;
import io.undertow.server.HttpServerExchange;
import io.undertow.server.protocol.http.HttpServerConnection;
import io.undertow.util.AttachmentKey;
import io.undertow.util.StatusCodes;
import java.io.IOException;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.xnio.XnioExecutor;

/**
 * The requests that are worked on. When there are more than can be answered for longer than a moment, others are refused at
 * once, so that those taken do not wait; and what is done for a client that has gone away is stopped.
 */
final class Workload {
    private static final Logger LOG = LoggerFactory.getLogger(Workload.class);
    private static final AttachmentKey<Work> WORK = AttachmentKey.create(Work.class);

    private static final long LOOK_MILLIS = 500;

    private final String below;
    private final String health;
    private final Executor threads;
    private final Set<Work> works = ConcurrentHashMap.newKeySet();
    private final XnioExecutor timer;
    private final WorkLimit limit;

    /**
     * A workload of nothing.
     *
     * @param threads where statements are stopped, which takes a while
     * @param timer a thread that reads requests
     */
    Workload(Settings.Http settings, Executor threads, XnioExecutor timer) {
        this.timer = timer;
        this.limit = new WorkLimit(settings.maxWorking(), timer);
        this.below = settings.basePath() + "/";
        this.health = settings.basePath() + "/health";
        this.threads = threads;
    }

    /** Lets no more requests come to what answers than can be answered. */
    HttpHandler before(HttpHandler next) {
        return exchange -> {
            if (isHealth(exchange.getRequestPath())) {
                next.handleRequest(exchange);
            } else if (limit.take()) {
                Work work = new Work(exchange);
                works.add(work);
                exchange.putAttachment(WORK, work);
                exchange.addExchangeCompleteListener((done, then) -> {
                    work.end();
                    then.proceed();
                });
                next.handleRequest(exchange);
            } else {
                exchange.setStatusCode(StatusCodes.SERVICE_UNAVAILABLE).endExchange();
            }
        };
    }

    private boolean isHealth(String path) {
        return path.equals(health) || path.startsWith(health + "/");
    }

    /** Whether a request would be refused: that is known before its headers and its body are looked at. */
    boolean refuses(String path) {
        return path.startsWith(below) && !isHealth(path) && limit.isReached();
    }

    /** How many are worked on. */
    int size() {
        return works.size();
    }

    /** How many may be, if it is more than for a moment. */
    int limit() {
        return limit.now();
    }

    /** Begins what the thread does for a request, and tells when that was taken, as {@link System#nanoTime}. */
    static long begin(HttpServerExchange exchange) {
        Work work = exchange.getAttachment(WORK);
        if (work == null) {
            return System.nanoTime();
        }
        Cancellation.begin(work.cancellation);
        return work.begin;
    }

    /** Ends it, before the answer is sent. */
    static void end(HttpServerExchange exchange) {
        Work work = exchange.getAttachment(WORK);
        if (work != null) {
            Cancellation.end();
            work.end();
        }
    }

    /** Looks every now and then who has gone. */
    void look() {
        timer.executeAtInterval(() -> {
            long before = System.nanoTime() - TimeUnit.MILLISECONDS.toNanos(LOOK_MILLIS);
            works.stream().filter(work -> work.begin - before < 0)
                    .forEach(work -> work.exchange.getIoThread().execute(work::stopIfGone));
        }, LOOK_MILLIS, TimeUnit.MILLISECONDS);
    }

    /** What is done for one request. */
    private final class Work {
        private final HttpServerExchange exchange;
        private final Cancellation cancellation = new Cancellation();
        private final AtomicBoolean ended = new AtomicBoolean();
        private final long begin = System.nanoTime();

        Work(HttpServerExchange exchange) {
            this.exchange = exchange;
        }

        void end() {
            if (ended.compareAndSet(false, true)) {
                works.remove(this);
                limit.free();
            }
        }

        void stopIfGone() {
            boolean known = cancellation.isDone();
            if (ended.get() || !known && !hasGone()) {
                return;
            }
            if (!known) {
                LOG.info("The client of request {} has gone: what is done for it is stopped",
                        exchange.getResponseHeaders().getFirst(RequestIds.HEADER));
            }
            threads.execute(cancellation::cancel); // again and again: the statement may only be about to run
        }

        /** Whether the client has closed its connection; what it sends ahead of its answer is kept. */
        private boolean hasGone() {
            if (!(exchange.getConnection() instanceof HttpServerConnection connection)
                    || connection.getExtraBytes() != null || !exchange.isRequestComplete()) {
                return false;
            }
            PooledByteBuffer ahead = connection.getByteBufferPool().allocate();
            boolean kept = false;
            try {
                int read = connection.getOriginalSourceConduit().read(ahead.getBuffer());
                if (read > 0) {
                    ahead.getBuffer().flip();
                    connection.setExtraBytes(ahead);
                    kept = true;
                }
                return read < 0;
            } catch (IOException e) {
                LOG.debug("The connection is broken", e);
                return true;
            } finally {
                if (!kept) {
                    ahead.close();
                }
            }
        }
    }
}
