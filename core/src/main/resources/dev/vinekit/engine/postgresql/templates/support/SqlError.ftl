import java.sql.SQLException;
import org.postgresql.util.PSQLException;
import org.postgresql.util.ServerErrorMessage;

/**
 * What an error of the database is about.
 *
 * @param constraint the constraint's name; empty if the error names none
 */
public record SqlError(Kind kind, String constraint) {
    /**
     * What the database did not like. Referred is a row that others refer to; a refusal comes from a trigger or procedure; a
     * collision is with other transactions. Gone is a server that ends the connection, a
     * standby one that does not take changes: another connection may lead to one that does.
     */
    public enum Kind { DUPLICATE, REFERENCE, REFERRED, CHECK, REFUSAL, VALUE, COLLISION, GONE, STANDBY, UNAVAILABLE, OTHER }

    /** Reads an error; SQL states as in the PostgreSQL manual, appendix A. */
    public static SqlError of(SQLException error) {
        Kind kind = switch (String.valueOf(error.getSQLState())) {
            case "23505", "23P01" -> Kind.DUPLICATE;
            case "23503", "23001" -> Kind.REFERENCE;
            case "23514" -> Kind.CHECK;
            case "P0001" -> Kind.REFUSAL;
            case "23502" -> Kind.VALUE;
            case "40001", "40P01" -> Kind.COLLISION;
            case "57P01", "57P02", "57P03", "57P05" -> Kind.GONE;
            case "25006" -> Kind.STANDBY;
            case "53000", "53100", "53200", "53300", "55P03", "57014" -> Kind.UNAVAILABLE;
            default -> String.valueOf(error.getSQLState()).startsWith("22") ? Kind.VALUE : Kind.OTHER;
        };
        ServerErrorMessage message = error instanceof PSQLException refusal ? refusal.getServerErrorMessage() : null;
        String constraint = message == null ? null : message.getConstraint();
        return new SqlError(kind, constraint == null ? "" : constraint);
    }
}
