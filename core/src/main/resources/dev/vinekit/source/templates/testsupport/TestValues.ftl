import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.UUID;

/** Values as plain JDBC reads them, in the Java types that the service uses. */
final class TestValues {
    private TestValues() {
    }

    static Object read(ResultSet row, int column, String type) throws SQLException {
        Object value = row.getObject(column);
        if (value == null || value instanceof UUID) {
            return value;
        }
        return switch (row.getMetaData().getColumnType(column)) {
            case Types.TINYINT, Types.SMALLINT, Types.INTEGER -> row.getInt(column);
            case Types.REAL -> row.getFloat(column);
            case Types.FLOAT, Types.DOUBLE -> row.getDouble(column);
            case Types.DATE -> row.getObject(column, LocalDate.class);
            case Types.TIME -> row.getObject(column, LocalTime.class);
            case Types.TIMESTAMP -> row.getObject(column, LocalDateTime.class);
<#if s.binary>
            case Types.BINARY, Types.VARBINARY, Types.LONGVARBINARY, Types.BLOB -> Binary.of(row.getBytes(column));
</#if>
            case Types.CHAR, Types.VARCHAR, Types.LONGVARCHAR, Types.CLOB -> row.getString(column);
            default -> value;
        };
    }
}
