<#if s.uuidsAsText>
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.UUID;

/** Reads what the driver does not give as the type that it is. */
public final class Columns {
    private Columns() {
    }

    /** The UUID in a column, which comes as text; null for NULL. */
    public static UUID uuid(ResultSet row, int column) throws SQLException {
        String text = row.getString(column);
        return text == null ? null : UUID.fromString(text);
    }
}
</#if>
