<#if s.replicas>
import com.zaxxer.hikari.HikariDataSource;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import javax.sql.DataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Databases that follow the primary, for lists and single rows. One that is too far behind, or does not answer, is passed over
 * until it is near again; a client that has written something, and says up to where, is answered by one that has it.
 */
final class Replicas implements AutoCloseable {
    /** For a service that reads from where it writes. */
    static final Replicas NONE = new Replicas(List.of());

    private static final Logger LOG = LoggerFactory.getLogger(Replicas.class);
    private static final long LOOK_MILLIS = 1000;
    private static final ThreadLocal<String> AFTER = new ThreadLocal<>();
    private static final ThreadLocal<String> WRITTEN = new ThreadLocal<>();

    private final List<Replica> replicas;
    private final AtomicInteger turn = new AtomicInteger();
    private final Deque<Known> known = new ArrayDeque<>();
    private final Thread looking;

    private Replicas(List<Replica> replicas) {
        this(replicas, null, Duration.ZERO);
    }

    private Replicas(List<Replica> replicas, DataSource primary, Duration lag) {
        this.replicas = replicas;
        this.looking = new Thread(() -> follow(primary, lag), "replicas");
    }

    /**
     * Follows a primary.
     *
     * @param primary is asked each second where it is
     * @param lag how far a replica may be behind
     */
    static Replicas of(DataSource primary, List<HikariDataSource> pools, Duration lag) {
        Replicas all = new Replicas(pools.stream().map(Replica::new).toList(), primary, lag);
        all.looking.setDaemon(true);
        all.looking.start();
        return all;
    }

    /** Begins a request, which wants to see everything up to a position; null for whatever is near. */
    static void begin(String after) {
        AFTER.set(after);
        WRITTEN.remove();
    }

    /** Ends it, and tells where the primary was after what it has written, if it has. */
    static Optional<String> end() {
        Optional<String> written = Optional.ofNullable(WRITTEN.get());
        AFTER.remove();
        WRITTEN.remove();
        return written;
    }

    /** Takes note of where the primary is, at the end of a transaction that has been committed. */
    void note(Connection primary) {
        if (!replicas.isEmpty()) {
            try {
                primary.setAutoCommit(true);
                WRITTEN.set(Replication.position(primary));
            } catch (SQLException e) {
                LOG.warn("The primary does not say where it is: {}", e.getMessage());
            }
        }
    }

    /** One to read from, in turn; empty if the primary must be. */
    Optional<DataSource> near() {
        if (WRITTEN.get() != null) {
            return Optional.empty();
        }
        int first = turn.getAndIncrement() & Integer.MAX_VALUE;
        for (int i = 0; i < replicas.size(); i++) {
            Replica replica = replicas.get((first + i) % replicas.size());
            if (replica.near.get() && replica.has(AFTER.get())) {
                return Optional.of(replica.pool);
            }
        }
        return Optional.empty();
    }

    /** Passes over one that has failed, until it is found to be near again. */
    void leave(DataSource pool, SQLException error) {
        replicas.stream().filter(replica -> replica.pool.equals(pool)).forEach(replica -> replica.set(false, error.getMessage()));
    }

    private void follow(DataSource primary, Duration lag) {
        while (!Thread.currentThread().isInterrupted()) {
            look(primary, lag);
            try {
                Thread.sleep(LOOK_MILLIS);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }
    }

    /** Looks which replicas have what the primary had so long ago; of a primary that is gone, what it had at last. */
    private void look(DataSource primary, Duration lag) {
        long now = System.nanoTime();
        try (Connection connection = primary.getConnection()) {
            known.addLast(new Known(now, Replication.position(connection)));
        } catch (SQLException e) {
            LOG.debug("The primary does not say where it is", e);
        }
        while (known.size() > 1 && now - known.peekFirst().when() > lag.toNanos()) {
            known.removeFirst();
        }
        if (!known.isEmpty()) {
            replicas.forEach(replica -> replica.look(known.peekFirst().position()));
        }
    }

    @Override
    public void close() {
        looking.interrupt();
        replicas.forEach(replica -> replica.pool.close());
    }

    /** Where the primary was at some time. */
    private record Known(long when, String position) {
    }

    private static final class Replica {
        private final HikariDataSource pool;
        private final AtomicBoolean near = new AtomicBoolean();

        Replica(HikariDataSource pool) {
            this.pool = pool;
        }

        void look(String position) {
            try (Connection connection = pool.getConnection()) {
                set(Replication.hasReached(connection, position), "it is too far behind");
            } catch (SQLException e) {
                set(false, e.getMessage());
            }
        }

        boolean has(String position) {
            if (position == null) {
                return true;
            }
            try (Connection connection = pool.getConnection()) {
                return Replication.hasReached(connection, position);
            } catch (SQLException e) {
                set(false, e.getMessage());
                return false;
            }
        }

        private void set(boolean isNear, String reason) {
            if (near.getAndSet(isNear) != isNear) {
                LOG.info(isNear ? "{} is read from" : "{} is not read from: {}", pool.getPoolName(), reason);
            }
        }
    }
}
</#if>
