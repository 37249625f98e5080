import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.OffsetTime;
import java.util.List;

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
        if (row.getObject(column) == null) {
            return null;
        }
        return switch (type) {
            case "int2", "smallserial" -> row.getInt(column);
            case "date" -> row.getObject(column, LocalDate.class);
            case "time" -> row.getObject(column, LocalTime.class);
            case "timetz" -> row.getObject(column, OffsetTime.class);
            case "timestamp" -> row.getObject(column, LocalDateTime.class);
            case "timestamptz" -> row.getObject(column, OffsetDateTime.class);
<#if s.json>
            case "json", "jsonb" -> Json.parse(row.getString(column));
</#if>
<#if s.binary>
            case "bytea" -> Binary.of(row.getBytes(column));
</#if>
            case "bool", "int4", "serial", "int8", "bigserial", "numeric", "float4", "float8", "uuid" -> row.getObject(column);
            default -> row.getString(column);
        };
    }
}
