<#if s.replicas || s.failover>
import java.sql.Connection;
import java.sql.SQLException;
<#if s.replicas>
import java.util.regex.Pattern;
</#if>

/** How far a database is in the order of all changes. */
final class Replication {
<#if s.replicas>
    private static final Pattern POSITION = Pattern.compile("[0-9A-Fa-f-]{36}:[0-9A-Za-z_:,\\\\n-]{1,3000}");

</#if>
    private Replication() {
    }
<#if s.replicas>

    /** Whether a text has the form of a position. */
    static boolean isPosition(String text) {
        return POSITION.matcher(text).matches();
    }

    /** Where a primary is: its global transaction identifiers; empty if it keeps no such order. */
    static String position(Connection primary) throws SQLException {
        return Sql.first(primary, "SELECT REPLACE(@@global.gtid_executed, '\\n', '')", row -> row.getString(1)).orElse("");
    }

    /** Whether a replica has all changes up to a position. */
    static boolean hasReached(Connection replica, String position) throws SQLException {
        return Sql.first(replica, "SELECT GTID_SUBSET(?, @@global.gtid_executed)", row -> row.getBoolean(1), position).orElse(false);
    }
</#if>
<#if s.failover>

    /** Whether it is no standby. */
    static boolean takesChanges(Connection database) throws SQLException {
        return Sql.first(database, "SELECT NOT @@global.read_only AND NOT @@global.super_read_only", row -> row.getBoolean(1)).orElse(false);
    }
</#if>
}
</#if>
