package com.example.cellar.support;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.Semaphore;
import java.util.concurrent.ThreadLocalRandom;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import java.util.stream.IntStream;
import javax.sql.DataSource;

/** Lends a connection for a piece of work, and turns what the database refuses into an answer for the client. */
public final class Transactions {
    /** How long work is begun again that others have got in the way of. */
    private static final Duration PATIENCE = Duration.ofSeconds(3);
    private static final int SHORTEST_PAUSE_MILLIS = 5;
    private static final int LONGEST_PAUSE_MILLIS = 200;

    private final DataSource dataSource;
    private final SqlErrors errors;
    private final Semaphore scans;

    public Transactions(DataSource dataSource, SqlErrors errors) {
        this(dataSource, errors, new Semaphore(Integer.MAX_VALUE));
    }

    /**
     * @param scans permits for pages that may make the database read all rows, so that such have some connections only
     */
    Transactions(DataSource dataSource, SqlErrors errors, Semaphore scans) {
        this.dataSource = dataSource;
        this.errors = errors;
        this.scans = scans;
    }

    /** The same for work on one table, which has these constraints. */
    public Transactions on(List<Constraint> constraints) {
        return new Transactions(dataSource, errors.on(constraints), scans);
    }

    /** Something to do on a connection. */
    @FunctionalInterface
    public interface Work<T> {
        T run(Connection connection) throws SQLException;
    }

    /** Something to do with an element on a connection. */
    @FunctionalInterface
    public interface Step<E, T> {
        T run(Connection connection, E element) throws SQLException;
    }

    /** Runs work that reads. It may be run again on another connection, if the first breaks. */
    public <T> T read(Work<T> work) {
        long begin = System.nanoTime();
        try {
            try {
                return reading(dataSource, work);
            } catch (SQLException e) {
                if (!errors.isGone(e) || System.nanoTime() - begin > PATIENCE.toNanos()) {
                    throw e;
                }
                return reading(dataSource, work);
            }
        } catch (SQLException e) {
            throw errors.translate(e, false);
        }
    }

    private static <T> T reading(DataSource source, Work<T> work) throws SQLException {
        try (Connection connection = source.getConnection()) {
            return work.run(connection);
        }
    }

    /**
     * Reads a page.
     *
     * @throws ProblemException 503 if too many pages are being read for which the database may have to read all rows
     */
    public <T> T read(PageQuery page, Work<T> work) {
        if (!page.scans()) {
            return read(work);
        }
        if (!hasTurn()) {
            throw ProblemException.unavailable(null);
        }
        try {
            return read(work);
        } finally {
            scans.release();
        }
    }

    private boolean hasTurn() {
        try {
            return scans.tryAcquire(PATIENCE.toMillis(), TimeUnit.MILLISECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    /**
     * Runs work that writes: all of it takes effect, or, if it throws, none. It may be run again from its beginning.
     */
    public <T> T write(Work<T> work) {
        return inOne(work, false);
    }

    /** Runs work that deletes, as {@link #write}. */
    public <T> T delete(Work<T> work) {
        return inOne(work, true);
    }

    /** Runs a step that writes for each element, in their order, as one {@link #write}. */
    public <E, T> List<T> writeEach(List<E> elements, Step<E, T> step) {
        return writeEach(elements, element -> "", step);
    }

    /**
     * Runs a step that writes for each element, as one {@link #write}: those with the same keys as others come in an
     * order that is the same for all who write them, so that nobody waits for somebody who waits for them.
     *
     * @param key that of an element, as far as it has one
     * @return what came of each, in the order of the elements
     * @throws ProblemException naming the element that cannot be written
     */
    public <E, T> List<T> writeEach(List<E> elements, Function<E, String> key, Step<E, T> step) {
        List<Integer> order = IntStream.range(0, elements.size()).boxed()
                .sorted(Comparator.comparing(i -> key.apply(elements.get(i)))).toList();
        return write(connection -> {
            List<T> results = new ArrayList<>(Collections.nCopies(elements.size(), null));
            for (int i : order) {
                try {
                    results.set(i, step.run(connection, elements.get(i)));
                } catch (SQLException e) {
                    if (errors.isTransient(e)) {
                        throw e;
                    }
                    throw named(errors.translate(e, false), i);
                }
            }
            return results;
        });
    }

    private static RuntimeException named(RuntimeException error, int index) {
        return error instanceof ProblemException problem ? problem.at(index) : error;
    }

    private <T> T inOne(Work<T> work, boolean deleting) {
        long begin = System.nanoTime();
        for (int pause = SHORTEST_PAUSE_MILLIS; ; pause = Math.min(2 * pause, LONGEST_PAUSE_MILLIS)) {
            try {
                return once(dataSource, work);
            } catch (UncertainCommit e) {
                throw errors.translate(e, deleting);
            } catch (SQLException e) {
                if (!errors.isCollision(e) && !errors.isGone(e) || System.nanoTime() - begin > PATIENCE.toNanos()
                        || !hasPaused(pause)) {
                    throw errors.translate(e, deleting);
                }
            }
        }
    }

    /**
     * Waits a while that is another for each who got in the way of the others; false if the service is about to stop.
     */
    private static boolean hasPaused(int millis) {
        try {
            Thread.sleep(ThreadLocalRandom.current().nextLong(millis, 3L * millis));
            return true;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    private <T> T once(DataSource source, Work<T> work) throws SQLException {
        try (Connection connection = source.getConnection()) {
            connection.setAutoCommit(false);
            try {
                T result = work.run(connection);
                commit(connection);
                return result;
            } catch (SQLException | RuntimeException | Error e) {
                rollBack(connection, e);
                throw e;
            }
        }
    }

    private void commit(Connection connection) throws SQLException {
        try {
            connection.commit();
        } catch (SQLException e) {
            throw errors.isGone(e) ? new UncertainCommit("the connection broke at the commit", e) : e;
        }
    }

    /** Takes back what was done; if that fails too, the connection is gone, and the database does it by itself. */
    private static void rollBack(Connection connection, Throwable reason) {
        try {
            connection.rollback();
        } catch (SQLException e) {
            reason.addSuppressed(e);
        }
    }
}
