import java.sql.SQLException;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What an error of the database is about.
 *
 * @param constraint the constraint's name; empty if the error names none
 */
public record SqlError(Kind kind, String constraint) {
    /** The table and its key, with a point between them. */
    private static final Pattern KEY = Pattern.compile(".* for key '(.*)'[^']*$", Pattern.DOTALL);
    private static final Pattern REFERENCE = Pattern.compile("CONSTRAINT `((?:[^`]|``)+)` FOREIGN KEY");
    private static final Pattern CHECK = Pattern.compile("Check constraint '(.*)' is violated", Pattern.DOTALL);

    /**
     * What the database did not like. Referred is a row that others refer to; a refusal comes from a trigger or procedure; a
     * collision is with other transactions. Gone is a server that ends the connection, a
     * standby one that does not take changes: another connection may lead to one that does.
     */
    public enum Kind { DUPLICATE, REFERENCE, REFERRED, CHECK, REFUSAL, VALUE, COLLISION, GONE, STANDBY, UNAVAILABLE, OTHER }

    /** Reads an error; codes as in the MySQL manual, "Server Error Message Reference". */
    public static SqlError of(SQLException error) {
        String message = String.valueOf(error.getMessage());
        boolean unreachable = String.valueOf(error.getSQLState()).startsWith("08");
        return switch (error.getErrorCode()) {
            case 1062, 1586 -> new SqlError(Kind.DUPLICATE, name(KEY, message));
            case 1216, 1452 -> new SqlError(Kind.REFERENCE, name(REFERENCE, message));
            case 1217, 1451 -> new SqlError(Kind.REFERRED, name(REFERENCE, message));
            case 1644 -> new SqlError(Kind.REFUSAL, "");
            case 3819 -> new SqlError(Kind.CHECK, name(CHECK, message));
            case 1048, 1235, 1264, 1265, 1292, 1364, 1366, 1367, 1406, 1411, 1416, 1690, 3140, 3141, 3643, 3903, 3904 ->
                    new SqlError(Kind.VALUE, "");
            case 1205, 1213, 3101 -> new SqlError(Kind.COLLISION, "");
            case 1053, 2006, 2013 -> new SqlError(Kind.GONE, "");
            case 1290, 1792, 1836 -> new SqlError(Kind.STANDBY, "");
            case 1040, 1203, 1226, 1317, 3024 -> new SqlError(Kind.UNAVAILABLE, "");
            default -> new SqlError(unreachable ? Kind.GONE : Kind.OTHER, "");
        };
    }

    private static String name(Pattern pattern, String message) {
        Matcher matcher = pattern.matcher(message);
        return matcher.find() ? matcher.group(1).replace("``", "`") : "";
    }
}
