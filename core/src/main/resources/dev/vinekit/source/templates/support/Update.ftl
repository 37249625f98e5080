import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Predicate;

/** An UPDATE of one row that gives a value to the columns of some fields, and leaves all others as they are. */
public final class Update {
    /** Every field. */
    public static final Predicate<String> ALL = field -> true;

    private final String table;
    private final Predicate<String> fields;
    private final List<String> assignments = new ArrayList<>();
    private final List<Object> values = new ArrayList<>();

    /**
     * Begins the statement; names of tables and columns are spelled as SQL wants them.
     *
     * @param fields those that get a value, by their names in JSON
     */
    public Update(String table, Predicate<String> fields) {
        this.table = table;
        this.fields = fields;
    }

    /** Gives the column of a field a value, null for none, if it is one of those that get one. */
    public Update set(String field, String column, Object value) {
        return set(field, column, "?", value);
    }

    /** Sets a column whose parameter marker is more than a question mark. */
    public Update set(String field, String column, String marker, Object value) {
        if (fields.test(field)) {
            assignments.add(column + " = " + marker);
            values.add(value);
        }
        return this;
    }
<#if s.owned>

    /** Sets a column that keeps its value unless another one is given. */
    public Update setIfGiven(String field, String column, Object value) {
        return setIfGiven(field, column, "?", value);
    }

    /** Sets such a column whose parameter marker is more than a question mark. */
    public Update setIfGiven(String field, String column, String marker, Object value) {
        return value == null ? this : set(field, column, marker, value);
    }
</#if>
<#if s.secretive>

    /** Sets a column that clients may leave out of a whole row: without a value it stays as it is. */
    public Update setOrKeep(String field, String column, Object value) {
        return setOrKeep(field, column, "?", value);
    }

    /** Sets or keeps a column whose parameter marker is more than a question mark. */
    public Update setOrKeep(String field, String column, String marker, Object value) {
        return value == null && fields == ALL ? this : set(field, column, marker, value);
    }
</#if>
<#if s.deleting>

    /** Sets a column to what SQL says. */
    public Update to(String column, String sql) {
        assignments.add(column + " = " + sql);
        return this;
    }
</#if>
<#if s.stamped>

    /** Sets a column to what SQL says, with the values of its parameters, if another one has been set. */
    public Update put(String column, String sql, Object... bound) {
        if (!assignments.isEmpty()) {
            assignments.add(column + " = " + sql);
            values.addAll(Arrays.asList(bound));
        }
        return this;
    }
</#if>
<#if s.versioned>

    /** Counts a column up if another one has been set. */
    public Update count(String column) {
        if (!assignments.isEmpty()) {
            assignments.add(column + " = " + column + " + 1");
        }
        return this;
    }
</#if>

    /** Updates the row of this condition and says whether it is there. With no column to set, it is taken to be. */
    public boolean where(Connection connection, String condition, Object... bound) throws SQLException {
        if (assignments.isEmpty()) {
            return true;
        }
        values.addAll(Arrays.asList(bound));
        return Sql.update(connection, "UPDATE " + table + "\nSET " + String.join(",\n    ", assignments)
                + "\nWHERE " + condition, values.toArray()) == 1;
    }
<#if s.scoped>

    /** The same for a condition with its values. */
    public boolean where(Connection connection, Condition condition) throws SQLException {
        return where(connection, String.join("\nAND ", condition.parts()), condition.arguments());
    }
</#if>
}
