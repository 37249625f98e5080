<#if s.ownReads>
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalTime;
import java.time.format.DateTimeParseException;

/** Reads dates and times as they are stored: MariaDB has days that are none, such as 0000-00-00, and times of many days. */
public final class Columns {
    private Columns() {
    }

    /**
     * The value of a column as a type; null for NULL.
     *
     * @throws SQLException if it holds something that the type does not have
     */
    public static <T> T get(ResultSet row, int column, Class<T> type) throws SQLException {
        if (type == LocalTime.class) {
            return type.cast(time(row, column));
        }
        T value = row.getObject(column, type);
        if (value == null && row.getString(column) != null) {
            throw new SQLException("Column " + column + " holds something that is no " + type.getSimpleName() + ".");
        }
        return value;
    }

    /** The driver would give 02:00 for 26:00. */
    private static LocalTime time(ResultSet row, int column) throws SQLException {
        String text = row.getString(column);
        try {
            return text == null ? null : LocalTime.parse(text);
        } catch (DateTimeParseException e) {
            throw new SQLException("Column " + column + " holds something that is no time of day.", e);
        }
    }
}
</#if>
