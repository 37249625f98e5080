package dev.vinekit.junit;

import dev.vinekit.engine.Restorer;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.fault.Fault;
import dev.vinekit.fault.Remedy;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.dbcp2.BasicDataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** A database with its rows, and a pool of connections to it. */
final class MadeDatabase implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(MadeDatabase.class);

    /** As many as a test with threads of its own may want. */
    private static final int MOST_CONNECTIONS = 20;
    private static final Duration WAIT = Duration.ofSeconds(10);

    private final ScratchDatabase scratch;
    private final Restorer restorer;
    private final BasicDataSource pool;
    private final OpenConnections connections;

    MadeDatabase(ScratchDatabase scratch, Restorer restorer) {
        this.scratch = scratch;
        this.restorer = restorer;
        this.pool = pool(scratch);
        this.connections = new OpenConnections(pool);
    }

    private static BasicDataSource pool(ScratchDatabase scratch) {
        BasicDataSource pool = new BasicDataSource();
        pool.setUrl(scratch.url());
        pool.setUsername(scratch.user());
        pool.setPassword(scratch.password());
        pool.setMaxTotal(MOST_CONNECTIONS);
        pool.setMaxIdle(MOST_CONNECTIONS);
        pool.setMaxWait(WAIT);
        pool.setDefaultAutoCommit(true);
        pool.setDefaultReadOnly(false);
        return pool;
    }

    TestDatabase handle() {
        return new TestDatabase(scratch.url(), scratch.user(), scratch.password(), connections);
    }

    /**
     * Undoes what a test has done, also what it has set for its connections; those that it left open are closed.
     *
     * @return whether that was possible
     */
    boolean restore() {
        try {
            connections.close();
            renewConnections();
            return restorer.restore();
        } catch (SQLException e) {
            LOG.warn("The database of a test is made anew, for it could not be put back to what it was: {}", e.getMessage());
            return false;
        }
    }

    private void renewConnections() throws SQLException {
        List<Connection> idle = new ArrayList<>();
        while (pool.getNumIdle() > 0) {
            idle.add(pool.getConnection());
        }
        for (Connection connection : idle) {
            if (restorer.renew(connection)) {
                connection.close();
            } else {
                pool.invalidateConnection(connection);
            }
        }
    }

    @Override
    public void close() {
        try {
            pool.close();
            restorer.close();
        } catch (SQLException e) {
            throw Fault.inWorld("What a database of a test kept aside could not be let go of.",
                    Remedy.of(Remedy.Kind.SEE_CAUSE), e);
        } finally {
            scratch.close();
        }
    }
}
