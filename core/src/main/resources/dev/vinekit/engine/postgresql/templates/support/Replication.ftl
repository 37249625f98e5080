<#if s.replicas || s.failover>
import java.sql.Connection;
import java.sql.SQLException;
<#if s.replicas>
import java.util.regex.Pattern;
</#if>

/** How far a database is in the order of all changes. */
final class Replication {
<#if s.replicas>
    private static final Pattern POSITION = Pattern.compile("[0-9A-F]{1,8}/[0-9A-F]{1,8}");

</#if>
    private Replication() {
    }
<#if s.replicas>

    /** Whether a text has the form of a position. */
    static boolean isPosition(String text) {
        return POSITION.matcher(text).matches();
    }

    /** Where a primary is: a position in its write-ahead log; empty if it keeps no such order. */
    static String position(Connection primary) throws SQLException {
        return Sql.first(primary, "SELECT CASE WHEN pg_is_in_recovery() THEN pg_last_wal_replay_lsn() ELSE pg_current_wal_lsn() END", row -> row.getString(1)).orElse("");
    }

    /** Whether a replica has all changes up to a position. */
    static boolean hasReached(Connection replica, String position) throws SQLException {
        return Sql.first(replica, "SELECT NOT pg_is_in_recovery() OR pg_last_wal_replay_lsn() >= CAST(? AS pg_lsn)", row -> row.getBoolean(1), position).orElse(false);
    }
</#if>
<#if s.failover>

    /** Whether it is no standby. */
    static boolean takesChanges(Connection database) throws SQLException {
        return Sql.first(database, "SELECT current_setting('transaction_read_only') = 'off'", row -> row.getBoolean(1)).orElse(false);
    }
</#if>
}
</#if>
