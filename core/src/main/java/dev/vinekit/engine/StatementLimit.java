package dev.vinekit.engine;

import java.sql.SQLException;
import java.sql.SQLTimeoutException;
import java.sql.Statement;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.ScheduledThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;

/**
 * A time limit for each statement of a script from someone else: an endless recursion must not keep the tool waiting
 * for ever. Statements are cancelled from another thread, which every bundled driver supports, while the standard's query
 * timeout means something else to some of them.
 */
final class StatementLimit {
    /** The environment variable that sets the limit. */
    static final String VARIABLE = "VINEKIT_STATEMENT_SECONDS";
    private static final int SECONDS = 60;
    private static final ScheduledExecutorService CLOCK = clock();

    private StatementLimit() {
    }

    /** The limit in seconds: that of the environment, from 1, or 60. */
    static int seconds() {
        String set = System.getenv().getOrDefault(VARIABLE, "");
        return set.matches("[1-9][0-9]{0,5}") ? Integer.parseInt(set) : SECONDS;
    }

    /**
     * Executes a statement.
     *
     * @throws SQLTimeoutException if it did not end in time
     */
    static void execute(Statement statement, String sql, int seconds) throws SQLException {
        AtomicBoolean late = new AtomicBoolean();
        ScheduledFuture<?> alarm = CLOCK.schedule(() -> cancel(statement, late), seconds, TimeUnit.SECONDS);
        SQLException failure = null;
        try {
            statement.execute(sql);
        } catch (SQLException e) {
            failure = e;
        } finally {
            alarm.cancel(false);
        }
        if (late.get()) {
            throw late(seconds, failure);
        } else if (failure != null) {
            throw failure;
        }
    }

    /** Some functions of MySQL end without an error when they are cancelled. */
    private static SQLTimeoutException late(int seconds, SQLException cause) {
        return new SQLTimeoutException("the statement did not end within " + seconds + " seconds; " + VARIABLE
                + " sets another limit", cause == null ? null : cause.getSQLState(), 0, cause);
    }

    private static void cancel(Statement statement, AtomicBoolean late) {
        late.set(true);
        try {
            statement.cancel();
        } catch (SQLException e) {
            throw new IllegalStateException("a statement that takes too long could not be cancelled", e);
        }
    }

    private static ScheduledExecutorService clock() {
        ScheduledThreadPoolExecutor clock = new ScheduledThreadPoolExecutor(1, task -> {
            Thread thread = new Thread(task, "statement-limit");
            thread.setDaemon(true);
            return thread;
        });
        clock.setRemoveOnCancelPolicy(true);
        return clock;
    }
}
