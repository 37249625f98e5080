<#if s.returnsRows>
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;

/** An INSERT of one row. Columns without a value are left out, so that the database's defaults apply. */
public final class Insert {
    private final String table;
    private final List<String> columns = new ArrayList<>();
    private final List<String> markers = new ArrayList<>();
    private final List<Object> values = new ArrayList<>();

    /** Begins the statement; names of tables and columns are spelled as SQL wants them. */
    public Insert(String table) {
        this.table = table;
    }

    public Insert set(String column, Object value) {
        return set(column, "?", value);
    }

    /** Sets a column whose parameter marker is more than a question mark. */
    public Insert set(String column, String marker, Object value) {
        if (value != null) {
            columns.add(column);
            markers.add(marker);
            values.add(value);
        }
        return this;
    }

<#if s.stamped>
    /** Sets a column to what SQL says. */
    public Insert put(String column, String sql) {
        columns.add(column);
        markers.add(sql);
        return this;
    }

</#if>
    /** Inserts the row and returns it as stored, with everything that the database filled in. */
    public <T> T returning(Connection connection, String returned, Sql.RowMapper<T> mapper) throws SQLException {
        return Sql.list(connection, sql(returned), mapper, values.toArray()).get(0);
    }

    private String sql(String returned) {
        String insert = columns.isEmpty()
                ? "INSERT INTO " + table + " " + ${s.insertOfDefaults}
                : "INSERT INTO " + table + " (" + String.join(", ", columns) + ")\n"
                        + "VALUES (" + String.join(", ", markers) + ")";
        return <#include "_returning.ftl">;
    }
}
<#else>
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;

/** An INSERT of one row. Columns without a value are left out, so that the database's defaults apply. */
public final class Insert {
    private final String table;
    private final List<String> columns = new ArrayList<>();
<#if s.stamped>
    private final List<String> markers = new ArrayList<>();
</#if>
    private final List<Object> values = new ArrayList<>();

    /** Begins the statement; names of tables and columns are spelled as SQL wants them. */
    public Insert(String table) {
        this.table = table;
    }

    public Insert set(String column, Object value) {
        if (value != null) {
            columns.add(column);
<#if s.stamped>
            markers.add("?");
</#if>
            values.add(value);
        }
        return this;
    }
<#if s.stamped>

    /** Sets a column to what SQL says. */
    public Insert put(String column, String sql) {
        columns.add(column);
        markers.add(sql);
        return this;
    }
</#if>

    /**
     * Inserts the row and returns it as stored, with everything that the database filled in.
     *
     * @param returned the names of the columns that the driver is asked for
     */
    public <T> T returning(Connection connection, String[] returned, Sql.RowMapper<T> mapper) throws SQLException {
        String sql = sql();
        Execution execution = new Execution(sql);
        try (PreparedStatement statement = Sql.bind(connection.prepareStatement(sql, returned), values.toArray())) {
            statement.executeUpdate();
            try (ResultSet row = statement.getGeneratedKeys()) {
                row.next();
                return mapper.map(row);
            }
        } finally {
            execution.end(values.toArray());
        }
    }

    private String sql() {
        return columns.isEmpty()
                ? "INSERT INTO " + table + " " + ${s.insertOfDefaults}
                : "INSERT INTO " + table + " (" + String.join(", ", columns) + ")\n"
                        + "VALUES (" + <#if s.stamped>String.join(", ", markers) + ")"<#else>"?, ".repeat(columns.size() - 1) + "?)"</#if>;
    }
}
</#if>
