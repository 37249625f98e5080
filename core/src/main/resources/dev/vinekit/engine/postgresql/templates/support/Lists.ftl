<#if s.lists>
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.temporal.Temporal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HexFormat;
import java.util.List;
import java.util.stream.Collectors;

/** Lists as PostgreSQL writes arrays: in braces, with quotes where they are needed (manual, section 8.15.6). */
public final class Lists {
    private Lists() {
    }

    /** The text for a list. */
    public static String stored(List<?> list) {
        return list == null ? null : list.stream().map(Lists::element).collect(Collectors.joining(",", "{", "}"));
    }

    private static String element(Object value) {
        if (value == null) {
            return "NULL";
        }
<#if s.binary>
        String text = value instanceof Binary binary ? "\\x" + HexFormat.of().formatHex(binary.bytes()) : value.toString();
<#else>
        String text = value.toString();
</#if>
        boolean plain = text.matches("[^{},\"\\\\\\s]+") && !text.equalsIgnoreCase("NULL");
        return plain ? text : '"' + text.replace("\\", "\\\\").replace("\"", "\\\"") + '"';
    }

    /**
     * The list in a column; null for NULL.
     *
     * @throws SQLException if it is a list of lists, which a column of one dimension may hold all the same
     */
    public static <T> List<T> get(ResultSet row, int column, Class<T> type) throws SQLException {
        String text = row.getString(column);
        if (text != null && (text.startsWith("{{") || text.startsWith("["))) {
            throw new SQLException("Column " + column + " holds a list of lists, or one that does not begin at 1.");
        }
        return read(text, type);
    }

    /** The list that a text stands for; null for null. */
    static <T> List<T> read(String text, Class<T> type) {
        if (text == null) {
            return null;
        }
        List<T> list = new ArrayList<>();
        int i = 1;
        while (i < text.length() - 1) {
            StringBuilder element = new StringBuilder();
            boolean quoted = text.charAt(i) == '"';
            for (i += quoted ? 1 : 0; i < text.length() - 1 && text.charAt(i) != (quoted ? '"' : ','); i++) {
                i += quoted && text.charAt(i) == '\\' ? 1 : 0;
                element.append(text.charAt(i));
            }
            i += quoted ? 2 : 1;
            list.add(!quoted && element.toString().equals("NULL") ? null : value(element.toString(), type));
        }
        return Collections.unmodifiableList(list);
    }

    /** A value as PostgreSQL writes it, with a blank between date and time, and hours alone as an offset. */
    private static <T> T value(String text, Class<T> type) {
        if (type == String.class) {
            return type.cast(text);
        } else if (type == Boolean.class) {
            return type.cast(text.equals("t"));
<#if s.binary>
        } else if (type == Binary.class) {
            return type.cast(Binary.of(HexFormat.of().parseHex(text.substring(2))));
</#if>
        }
        boolean timed = Temporal.class.isAssignableFrom(type);
        return PathKeys.parse(timed ? text.replace(' ', 'T').replaceFirst("(:[0-9.]+[+-][0-9]{2})$", "$1:00") : text, type);
    }
}
</#if>
