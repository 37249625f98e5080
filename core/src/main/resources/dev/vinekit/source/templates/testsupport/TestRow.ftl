import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.ResultSetMetaData;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;

/** A row as plain JDBC reads it, without any of the service's own code. */
public final class TestRow {
    private final Map<String, Object> values = new LinkedHashMap<>();
<#if s.asText>
    private final Map<String, String> texts = new HashMap<>();
</#if>

    private TestRow() {
    }

    /** The row of a table with this key. */
    public static TestRow find(Connection connection, Tables table, Object... key) throws SQLException {
        return Sql.list(connection, table.query() + " WHERE " + table.match(), TestRow::of, key)
                .get(0);
    }

    static TestRow of(ResultSet row) throws SQLException {
        TestRow read = new TestRow();
        ResultSetMetaData columns = row.getMetaData();
        for (int i = 1; i <= columns.getColumnCount(); i++) {
            read.values.put(columns.getColumnName(i), TestValues.read(row, i, columns.getColumnTypeName(i)));
<#if s.asText>
            read.texts.put(columns.getColumnName(i), row.getString(i));
</#if>
        }
        return read;
    }

    /** The value of a column as the Java type that the service uses for it; text for an enumeration. */
    public Object get(String column) {
        assertThat(values).containsKey(column);
        return values.get(column);
    }

<#if s.asText>
    /** The value of a column as the database writes it. */
    public String text(String column) {
        assertThat(texts).containsKey(column);
        return texts.get(column);
    }

</#if>
    @Override
    public String toString() {
        return values.toString();
    }
}
