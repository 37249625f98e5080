<#if s.failover>
import static com.zaxxer.hikari.SQLExceptionOverride.Override.CONTINUE_EVICT;
import static com.zaxxer.hikari.SQLExceptionOverride.Override.MUST_EVICT;

import com.zaxxer.hikari.HikariDataSource;
import com.zaxxer.hikari.SQLExceptionOverride;
import java.sql.SQLException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReference;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Leaves a server that has become a standby with all connections at once: new ones may lead to the primary. */
final class Standby implements SQLExceptionOverride {
    private static final Logger LOG = LoggerFactory.getLogger(Standby.class);
    private static final long ONCE_IN = TimeUnit.SECONDS.toNanos(1);

    private final AtomicLong left = new AtomicLong(System.nanoTime() - ONCE_IN);
    private final AtomicReference<HikariDataSource> pool = new AtomicReference<>();

    /** The pool whose connections are left. */
    void watch(HikariDataSource watched) {
        pool.set(watched);
    }

    @java.lang.Override
    public SQLExceptionOverride.Override adjudicate(SQLException error) {
        SqlError.Kind kind = SqlError.of(error).kind();
        if (kind != SqlError.Kind.STANDBY) {
            return kind == SqlError.Kind.GONE ? MUST_EVICT : CONTINUE_EVICT;
        }
        long before = left.get();
        long now = System.nanoTime();
        HikariDataSource watched = pool.get();
        if (watched != null && now - before >= ONCE_IN && left.compareAndSet(before, now)) {
            LOG.warn("The database does not take changes; another is looked for: {}", error.getMessage());
            watched.getHikariPoolMXBean().softEvictConnections();
        }
        return MUST_EVICT;
    }
}
</#if>
