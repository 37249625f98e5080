import java.math.BigInteger;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;

/** Values as plain JDBC reads them, in the Java types that the service uses. */
<#if s.lists>public </#if>final class TestValues {
    private TestValues() {
    }

<#if s.lists>
    /** The list in a value that was read. */
    public static <T> List<T> list(Object value, Class<T> type) {
        return Lists.read((String) value, type);
    }

</#if>

    static Object read(ResultSet row, int column, String type) throws SQLException {
        Object value = row.getObject(column);
        if (value instanceof Byte || value instanceof Short) {
            return row.getInt(column);
        } else if (value instanceof BigInteger) {
            return row.getBigDecimal(column);
        }
        return switch (value == null ? "" : type) {
            case "" -> null;
            case "YEAR" -> row.getInt(column);
            case "DATE" -> row.getObject(column, LocalDate.class);
            case "TIME" -> row.getObject(column, LocalTime.class);
            case "DATETIME" -> row.getObject(column, LocalDateTime.class);
            case "TIMESTAMP" -> row.getObject(column, OffsetDateTime.class);
<#if s.json>
            case "JSON" -> Json.parse(row.getString(column));
</#if>
<#if s.binary>
            case "BINARY", "VARBINARY", "TINYBLOB", "BLOB", "MEDIUMBLOB", "LONGBLOB" -> Binary.of(row.getBytes(column));
</#if>
            default -> value instanceof Number || value instanceof Boolean || value instanceof UUID
                    ? value : row.getString(column);
        };
    }
}
