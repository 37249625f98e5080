<#if s.ownReads>
import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.format.DateTimeFormatter;
import java.util.UUID;

/** Reads and writes what SQLite has no type for: times as text of ISO 8601, with a blank between date and time. */
public final class Columns {
    private Columns() {
    }

    /**
     * The value of a column as a type, whatever the column is declared as; null for NULL.
     *
     * @throws SQLException if it holds something else
     */
    public static <T> T get(ResultSet row, int column, Class<T> type) throws SQLException {
        String text = row.getString(column);
        if (text == null) {
            return null;
        }
        try {
            return type.cast(switch (type.getSimpleName()) {
                case "Boolean" -> truth(text);
                case "Integer" -> new BigDecimal(text).intValueExact();
                case "Long" -> new BigDecimal(text).longValueExact();
                case "Double" -> number(row.getObject(column));
                case "UUID" -> UUID.fromString(text.length() == 36 ? text : text.replaceFirst("(.{8})(.{4})(.{4})(.{4})", "$1-$2-$3-$4-"));
                case "LocalDate" -> LocalDate.parse(text);
                case "LocalTime" -> LocalTime.parse(text);
                case "LocalDateTime" -> LocalDateTime.parse(text.replace(' ', 'T'));
                case "OffsetDateTime" -> moment(text.replace(' ', 'T'));
                default -> throw new SQLException("Columns of type " + type + " are not known here.");
            });
        } catch (IllegalArgumentException | ArithmeticException | DateTimeException e) {
            throw new SQLException("Column " + column + " holds something that is no " + type.getSimpleName() + ".", e);
        }
    }

    private static boolean truth(String text) {
        if (!text.equals("0") && !text.equals("1")) {
            throw new IllegalArgumentException("neither 0 nor 1");
        }
        return text.equals("1");
    }

    private static double number(Object value) {
        if (!(value instanceof Number number)) {
            throw new NumberFormatException("not a number");
        }
        return number.doubleValue();
    }

    /** The number in a column with so many digits after the point, or more if it has more; null for NULL. */
    public static BigDecimal decimal(ResultSet row, int column, int scale) throws SQLException {
        String text = row.getString(column);
        BigDecimal number = text == null ? null : new BigDecimal(text);
        return number == null || number.scale() >= scale ? number : number.setScale(scale);
    }

    /** A moment without an offset is meant in UTC, as SQLite's own functions give it. */
    private static OffsetDateTime moment(String text) {
        boolean offset = text.matches(".*(?:Z|[+-]\\d\\d:\\d\\d)");
        return OffsetDateTime.parse(offset ? text : text + "Z");
    }

    static String text(LocalDateTime moment) {
        return DateTimeFormatter.ISO_LOCAL_DATE.format(moment) + " " + DateTimeFormatter.ISO_LOCAL_TIME.format(moment);
    }
}
</#if>
