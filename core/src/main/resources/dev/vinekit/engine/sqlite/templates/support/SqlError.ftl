import java.sql.SQLException;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What an error of the database is about.
 *
 * @param constraint the columns of a key, or a check's name or text; empty if the error names none
 */
public record SqlError(Kind kind, String constraint) {
    /** What the driver puts in front where a trigger called RAISE. */
    private static final String RAISED = "[SQLITE_CONSTRAINT_TRIGGER]";

    private static final Pattern REFUSAL = Pattern.compile(
            "\\((UNIQUE|CHECK|FOREIGN KEY|NOT NULL) constraint failed(?:: (.*))?\\)$", Pattern.DOTALL);

    /**
     * What the database did not like. Referred is a row that others refer to; a refusal comes from a trigger or procedure; a
     * collision is with other transactions. Gone is a server that ends the connection, a
     * standby one that does not take changes: another connection may lead to one that does.
     */
    public enum Kind { DUPLICATE, REFERENCE, REFERRED, CHECK, REFUSAL, VALUE, COLLISION, GONE, STANDBY, UNAVAILABLE, OTHER }

    /** Reads an error; result codes as in sqlite.org, "Result and Error Codes". */
    public static SqlError of(SQLException error) {
        Matcher refusal = REFUSAL.matcher(String.valueOf(error.getMessage()));
        if (!refusal.find()) {
            return new SqlError(switch (error.getErrorCode() & 0xff) {
                case 19 -> String.valueOf(error.getMessage()).startsWith(RAISED) ? Kind.REFUSAL : Kind.VALUE;
                case 5, 6 -> Kind.COLLISION;
                case 8, 10, 13, 14 -> Kind.UNAVAILABLE;
                default -> Kind.OTHER;
            }, "");
        }
        Kind kind = switch (refusal.group(1)) {
            case "UNIQUE" -> Kind.DUPLICATE;
            case "FOREIGN KEY" -> Kind.REFERENCE;
            case "CHECK" -> Kind.CHECK;
            default -> Kind.VALUE;
        };
        return new SqlError(kind, refusal.group(2) == null ? "" : refusal.group(2));
    }
}
