<#if s.lists>
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;

/** Lists of labels as the database writes sets: with commas between them. */
public final class Lists {
    private Lists() {
    }

    /** The text for a list. */
    public static String stored(List<?> list) {
        return list == null ? null : list.stream().map(String::valueOf).collect(Collectors.joining(","));
    }

    /** The list in a column; null for NULL. */
    public static <T> List<T> get(ResultSet row, int column, Class<T> type) throws SQLException {
        return read(row.getString(column), type);
    }

    /** The list that a text stands for; null for null. */
    static <T> List<T> read(String text, Class<T> type) {
        return text == null ? null : text.isEmpty() ? List.of() : Arrays.stream(text.split(",")).map(type::cast).toList();
    }
}
</#if>
