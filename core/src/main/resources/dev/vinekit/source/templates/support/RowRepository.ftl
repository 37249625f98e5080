import java.sql.Connection;
import java.sql.SQLException;
import java.util.Optional;

/**
 * The SQL that is the same for every table but for its names. Where one table needs another statement, its repository
 * overrides the method.
 *
 * @param <R> a row
 */
public abstract class RowRepository<R extends Record> {
    private final String from;
    private final String select;
    private final Filters filters;
    private final StoredRow<R> row;
<#if s.owned>
    private final OwnRows own;
</#if>

    /**
     * For one table.
     *
     * @param table as SQL spells it
     * @param columns those that {@code row} reads, in its order
     */
    protected RowRepository(String table, String columns, Filters filters, StoredRow<R> row) {
<#if s.owned>
        this(table, columns, filters, row, null);
    }

    /** For a table whose rows belong to somebody. */
    protected RowRepository(String table, String columns, Filters filters, StoredRow<R> row, OwnRows own) {
        this.own = own;
</#if>
        this.from = "FROM " + table + "\n";
        this.select = "SELECT " + columns + "\n" + from;
        this.filters = filters;
        this.row = row;
    }

    /**
     * The rows of a page, by ascending key if it does not say otherwise. Of a table without a key, what
     * {@link PageQuery#after} says is how many to pass over.
     */
    public PageResult<R> list(Connection connection, PageQuery page) throws SQLException {
        return page<#if s.owned>.where(this::narrowed)</#if>.read(connection, filters, select, "SELECT COUNT(*)\n" + from, row);
    }

    /** The number of rows that fulfil a condition. */
    public long count(Connection connection, Condition condition) throws SQLException {
<#if s.owned>
        Condition narrowed = narrowed(condition);
        return Sql.count(connection, "SELECT COUNT(*)\n" + from + narrowed.where(), narrowed.arguments());
<#else>
        return Sql.count(connection, "SELECT COUNT(*)\n" + from + condition.where(), condition.arguments());
</#if>
    }

<#if s.owned>
    /** A condition, and of a table whose rows belong to somebody that they belong to the caller. */
    protected final Condition narrowed(Condition condition) {
        return own == null ? condition : own.narrow(condition);
    }

    /** The same for a condition that begins with WHERE. */
    protected final Condition narrowed(String where, Object... values) {
        return narrowed(Condition.NONE.and("(" + where.substring("WHERE ".length()) + ")", values));
    }

    /** The first row that a condition, which begins with WHERE and has nothing behind it, picks out. */
    protected Optional<R> firstWhere(Connection connection, String where, Object... values) throws SQLException {
        Condition narrowed = narrowed(where, values);
        return Sql.first(connection, select + narrowed.where(), row, narrowed.arguments());
    }
<#if s.lock??>

    /** The same row, which nobody else changes before the transaction ends. */
    protected Optional<R> lockWhere(Connection connection, String where, Object... values) throws SQLException {
        Condition narrowed = narrowed(where, values);
        return Sql.first(connection, select + narrowed.where() + ${s.lock}, row, narrowed.arguments());
    }
</#if>
<#else>
    /** The first row that a condition, which begins with WHERE, picks out. */
    protected Optional<R> firstWhere(Connection connection, String where, Object... values) throws SQLException {
        return Sql.first(connection, select + where, row, values);
    }
</#if>

    /** Deletes the rows that a condition, which begins with WHERE, picks out, and tells how many. */
    protected int deleteWhere(Connection connection, String where, Object... values) throws SQLException {
<#if s.owned>
        Condition narrowed = narrowed(where, values);
        return Sql.update(connection, "DELETE " + from + narrowed.where(), narrowed.arguments());
<#else>
        return Sql.update(connection, "DELETE " + from + where, values);
</#if>
    }
}
