import java.sql.SQLException;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What an error of the database is about.
 *
 * @param constraint the constraint's name; empty if the error names none
 */
public record SqlError(Kind kind, String constraint) {
    /** The name that an HSQLDB message gives before the table. */
    private static final Pattern NAMED = Pattern.compile("; \"?(.+?)\"? table: ");

    /**
     * What the database did not like. Referred is a row that others refer to; a refusal comes from a trigger or procedure; a
     * collision is with other transactions. Gone is a server that ends the connection, a
     * standby one that does not take changes: another connection may lead to one that does.
     */
    public enum Kind { DUPLICATE, REFERENCE, REFERRED, CHECK, REFUSAL, VALUE, COLLISION, GONE, STANDBY, UNAVAILABLE, OTHER }

    /** Reads an error; SQL states as in the HSQLDB guide, "Error Codes". */
    public static SqlError of(SQLException error) {
        String state = String.valueOf(error.getSQLState());
        Kind kind = switch (state) {
            case "23505" -> Kind.DUPLICATE;
            case "23503", "23504" -> Kind.REFERENCE;
            case "23513" -> Kind.CHECK;
            case "23502" -> Kind.VALUE;
            case "40001" -> Kind.COLLISION;
            default -> state.startsWith("08") ? Kind.UNAVAILABLE : state.startsWith("22") ? Kind.VALUE : Kind.OTHER;
        };
        Matcher matcher = NAMED.matcher(String.valueOf(error.getMessage()));
        return new SqlError(kind, matcher.find() ? matcher.group(1) : "");
    }
}
