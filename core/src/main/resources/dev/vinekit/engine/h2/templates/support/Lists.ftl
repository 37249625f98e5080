<#if s.lists>
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/** Lists as H2's driver takes and gives arrays. */
public final class Lists {
    private Lists() {
    }

    /** The array for a list. */
    public static Object[] stored(List<?> list) {
        return list == null ? null : list.stream().map(Sql::databaseValue).toArray();
    }

    /** The list in a column; null for NULL. */
    public static <T> List<T> get(ResultSet row, int column, Class<T> type) throws SQLException {
        Class<?> arrays = <#if s.binary>type == Binary.class ? byte[][].class : </#if>type.arrayType();
        Object array = row.getObject(column, arrays);
        if (array == null) {
            return null;
        }
        List<T> list = new ArrayList<>();
        for (Object element : (Object[]) array) {
<#if s.binary>
            list.add(type.cast(element instanceof byte[] bytes ? Binary.of(bytes) : element));
<#else>
            list.add(type.cast(element));
</#if>
        }
        return Collections.unmodifiableList(list);
    }
}
</#if>
