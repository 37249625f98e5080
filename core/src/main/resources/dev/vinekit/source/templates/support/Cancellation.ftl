<#if s.server>
import java.sql.SQLException;
import java.sql.SQLTimeoutException;
import java.sql.Statement;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Stops what a thread does on the database for a client that does not wait for it any more. */
final class Cancellation {
    private static final Logger LOG = LoggerFactory.getLogger(Cancellation.class);
    private static final ThreadLocal<Cancellation> CURRENT = new ThreadLocal<>();

    private Statement running;
    private boolean done;

    /** Makes this one hold for the thread, until {@link #end}. */
    static void begin(Cancellation cancellation) {
        CURRENT.set(cancellation);
    }

    static void end() {
        CURRENT.remove();
    }

    /** Whether nobody waits for what the thread does. */
    static boolean isCurrent() {
        Cancellation current = CURRENT.get();
        return current != null && current.isDone();
    }

    /**
     * Takes note of the statement that the thread runs next.
     *
     * @throws SQLTimeoutException if nobody waits for it
     */
    static void note(Statement statement) throws SQLException {
        Cancellation current = CURRENT.get();
        if (current != null) {
            current.run(statement);
        }
    }

    private synchronized void run(Statement statement) throws SQLException {
        if (done) {
            statement.close();
            throw new SQLTimeoutException("nobody waits for the answer");
        }
        running = statement;
    }

    synchronized boolean isDone() {
        return done;
    }

    /** Stops the statement that is running, and lets no other begin. */
    synchronized void cancel() {
        done = true;
        try {
            if (running != null) {
                running.cancel();
            }
        } catch (SQLException e) {
            LOG.debug("There is nothing to stop, or it cannot be", e);
        }
    }
}
</#if>
