import java.sql.SQLException;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What an error of the database is about.
 *
 * @param constraint the constraint's name; empty if the error names none
 */
public record SqlError(Kind kind, String constraint) {
    /** The driver has gone to another host, where the transaction is not known (Connector/J, "Failover and high availability"). */
    private static final String CONNECTED_ANEW = "25S03";
    private static final String NAME = "`((?:[^`]|``)+)`";
    private static final Pattern KEY = Pattern.compile(".* for key '(.*)'[^']*$", Pattern.DOTALL);
    private static final Pattern REFERENCE = Pattern.compile("CONSTRAINT " + NAME + " FOREIGN KEY");
    private static final Pattern CHECK = Pattern.compile("CONSTRAINT " + NAME + " failed for " + NAME + "\\." + NAME);

    /**
     * What the database did not like. Referred is a row that others refer to; a refusal comes from a trigger or procedure; a
     * collision is with other transactions. Gone is a server that ends the connection, a
     * standby one that does not take changes: another connection may lead to one that does.
     */
    public enum Kind { DUPLICATE, REFERENCE, REFERRED, CHECK, REFUSAL, VALUE, COLLISION, GONE, STANDBY, UNAVAILABLE, OTHER }

    /** Reads an error; codes as in the MariaDB manual, "MariaDB Error Code Reference". */
    public static SqlError of(SQLException error) {
        String message = String.valueOf(error.getMessage());
        if (CONNECTED_ANEW.equals(error.getSQLState())) {
            return new SqlError(Kind.GONE, "");
        }
        return switch (error.getErrorCode()) {
            case 1062, 1586 -> new SqlError(Kind.DUPLICATE, name(KEY, message));
            case 1216, 1452 -> new SqlError(Kind.REFERENCE, name(REFERENCE, message));
            case 1217, 1451 -> new SqlError(Kind.REFERRED, name(REFERENCE, message));
            case 1644 -> new SqlError(Kind.REFUSAL, "");
            case 4025 -> new SqlError(Kind.CHECK, check(message));
            case 1048, 1264, 1265, 1292, 1364, 1366, 1367, 1406, 1416, 4078, 4079 -> new SqlError(Kind.VALUE, "");
            case 1020, 1205, 1213 -> new SqlError(Kind.COLLISION, "");
            case 1053, 1927, 2006, 2013 -> new SqlError(Kind.GONE, "");
            case 1047, 1290, 1792, 1836 -> new SqlError(Kind.STANDBY, "");
            case 1040, 1203, 1226, 1317, 1969, 3024 -> new SqlError(Kind.UNAVAILABLE, "");
            default -> new SqlError(Kind.OTHER, "");
        };
    }

    /** A check of a column has the name of table and column. */
    private static String check(String message) {
        Matcher matcher = CHECK.matcher(message);
        if (!matcher.find()) {
            return "";
        }
        String name = matcher.group(1);
        String table = matcher.group(3) + ".";
        return (name.startsWith(table) ? name.substring(table.length()) : name).replace("``", "`");
    }

    private static String name(Pattern pattern, String message) {
        Matcher matcher = pattern.matcher(message);
        return matcher.find() ? matcher.group(1).replace("``", "`") : "";
    }
}
