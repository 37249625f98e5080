import java.sql.Connection;
import java.sql.SQLException;
import java.sql.SQLWarning;
import org.postgresql.util.PSQLWarning;

/** Whether a commit is where it has to be, in a database with synchronous standbys. */
final class Confirmation {
    /** Where the server warns that it has not waited until the standbys had the change (src/backend/replication/syncrep.c). */
    private static final String NOT_WAITED = "SyncRepWaitForLSN";

    private Confirmation() {
    }

    /**
     * Looks at what the server has said to a commit.
     *
     * @throws UncertainCommit if the change is on the primary only
     */
    static void verify(Connection connection) throws SQLException {
        for (SQLWarning warning = connection.getWarnings(); warning != null; warning = warning.getNextWarning()) {
            if (warning instanceof PSQLWarning told && told.getServerErrorMessage() != null
                    && NOT_WAITED.equals(told.getServerErrorMessage().getRoutine())) {
                throw new UncertainCommit("no standby has confirmed the change", null);
            }
        }
    }
}
