import java.sql.SQLException;

/** The connection broke while a transaction was being committed: nobody knows whether it was. */
final class UncertainCommit extends SQLException {
    private static final long serialVersionUID = 1L;

    UncertainCommit(String reason, SQLException cause) {
        super(reason, cause == null ? null : cause.getSQLState(), cause);
    }
}
