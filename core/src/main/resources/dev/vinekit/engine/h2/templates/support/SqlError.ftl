import java.sql.SQLException;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What an error of the database is about.
 *
 * @param constraint the constraint's name; empty if the error names none
 */
public record SqlError(Kind kind, String constraint) {
    /** The name that an H2 message gives first, without its schema; in quotes of its own if it is an odd one. */
    private static final Pattern NAMED = Pattern.compile(
            "^[^\"]*\"(?:(?:\"(?:[^\"]|\"\")*\"|[^\\s\".:(]+)\\.)?(\"(?:[^\"]|\"\")*\"|[^\\s\".:(]+)");

    /** What the database did not like; a collision is with other transactions. */
    public enum Kind { DUPLICATE, REFERENCE, CHECK, VALUE, COLLISION, UNAVAILABLE, OTHER }

    /** Reads an error; codes as in {@code org.h2.api.ErrorCode}. */
    public static SqlError of(SQLException error) {
        Kind kind = switch (error.getErrorCode()) {
            case 23505 -> Kind.DUPLICATE;
            case 23503, 23506 -> Kind.REFERENCE;
            case 23513, 23514 -> Kind.CHECK;
            case 23502 -> Kind.VALUE;
            case 40001, 50200, 90131 -> Kind.COLLISION;
            case 57014, 90007, 90020, 90028, 90067, 90098, 90121 -> Kind.UNAVAILABLE;
            default -> error.getErrorCode() / 1000 == 22 ? Kind.VALUE : Kind.OTHER;
        };
        Matcher matcher = NAMED.matcher(String.valueOf(error.getMessage()));
        String name = matcher.find() ? matcher.group(1) : "";
        return new SqlError(kind, name.startsWith("\"")
                ? name.substring(1, name.length() - 1).replace("\"\"", "\"") : name);
    }
}
