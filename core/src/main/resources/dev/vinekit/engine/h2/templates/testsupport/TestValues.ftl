import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.Arrays;

/** Values as plain JDBC reads them, in the Java types that the service uses. */
<#if s.lists>public </#if>final class TestValues {
    private TestValues() {
    }

<#if s.lists>
    /** The list in a value that was read. */
    public static Object list(Object value, Class<?> type) {
        return value;
    }

    private static Object element(Object value) {
        return value instanceof java.sql.Date date ? date.toLocalDate()
                : value instanceof java.sql.Time time ? time.toLocalTime()
                : value instanceof java.sql.Timestamp moment ? moment.toLocalDateTime()
<#if s.binary>
                : value instanceof byte[] bytes ? Binary.of(bytes)
</#if>
                : value;
    }

</#if>

    static Object read(ResultSet row, int column, String type) throws SQLException {
        if (row.getObject(column) == null) {
            return null;
        }
        return switch (type.replaceFirst("^INTERVAL .*", "INTERVAL")) {
            case "INTERVAL", "GEOMETRY" -> row.getString(column);
            case "TINYINT", "SMALLINT" -> row.getInt(column);
            case "REAL" -> row.getFloat(column);
            case "DATE" -> row.getObject(column, LocalDate.class);
            case "TIME" -> row.getObject(column, LocalTime.class);
            case "TIMESTAMP" -> row.getObject(column, LocalDateTime.class);
<#if s.json>
            case "JSON" -> Json.parse(row.getString(column));
</#if>
<#if s.binary>
            case "BINARY", "BINARY VARYING", "BINARY LARGE OBJECT" -> Binary.of(row.getBytes(column));
</#if>
            case "CHARACTER", "CHARACTER VARYING", "CHARACTER LARGE OBJECT", "ENUM" -> row.getString(column);
<#if s.lists>
            default -> row.getObject(column) instanceof java.sql.Array array
                    ? Arrays.stream((Object[]) array.getArray()).map(TestValues::element).toList() : row.getObject(column);
<#else>
            default -> row.getObject(column);
</#if>
        };
    }
}
