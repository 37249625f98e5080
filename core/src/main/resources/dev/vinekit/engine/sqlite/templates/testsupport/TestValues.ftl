import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.util.Locale;
import java.util.UUID;

/** Values as plain JDBC reads them, in the Java types that the service uses. */
final class TestValues {
    private TestValues() {
    }

    static Object read(ResultSet row, int column, String type) throws SQLException {
        String text = row.getString(column);
        if (text == null) {
            return null;
        }
        if (!type.isEmpty() && text.matches("\\d{4}-\\d\\d-\\d\\d(?: \\d\\d:\\d\\d.*)?") && isNumber(type.toUpperCase(Locale.ROOT))) {
            return text.length() == 10 ? LocalDate.parse(text) : LocalDateTime.parse(text.replace(' ', 'T'));
        }
        return switch (type.toUpperCase(Locale.ROOT)) {
            case "BOOLEAN", "BOOL" -> text.equals("1");
            case "NUMERIC", "DECIMAL", "DEC", "NUMBER" -> {
                BigDecimal number = new BigDecimal(text);
                yield number.setScale(Math.max(number.scale(), row.getMetaData().getScale(column)));
            }
            case "DATE" -> LocalDate.parse(text);
            case "TIME" -> LocalTime.parse(text);
            case "DATETIME", "TIMESTAMP", "TIMESTAMP WITHOUT TIME ZONE" -> text.endsWith("Z") ? OffsetDateTime.parse(text)
                    : LocalDateTime.parse(text.replace(' ', 'T'));
            case "TIMESTAMPTZ", "TIMESTAMP WITH TIME ZONE", "DATETIMEOFFSET" ->
                    OffsetDateTime.parse(text.replace(' ', 'T') + (text.contains("+") || text.endsWith("Z") ? "" : "Z"));
            case "UUID", "GUID", "UNIQUEIDENTIFIER" -> UUID.fromString(text);
<#if s.json>
            case "JSON", "JSONB" -> Json.parse(text);
</#if>
            default -> plain(row, column, type.toUpperCase(Locale.ROOT));
        };
    }

    /** A column that is declared as a number, and has dates if its default is one. */
    private static boolean isNumber(String type) {
        return type.startsWith("NUM") || type.startsWith("DEC") || type.contains("INT");
    }

    private static Object plain(ResultSet row, int column, String type) throws SQLException {
        if (type.contains("INT") || type.contains("SERIAL") || type.equals("YEAR")) {
            return row.getLong(column);
        } else if (type.contains("REAL") || type.contains("FLOA") || type.contains("DOUB")) {
            return row.getDouble(column);
<#if s.binary>
        } else if (type.contains("BLOB") || type.contains("BINARY")) {
            return Binary.of(row.getBytes(column));
</#if>
        }
        return row.getString(column);
    }
}
