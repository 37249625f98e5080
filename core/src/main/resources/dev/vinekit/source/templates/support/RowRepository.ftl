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
<#if s.scoped>
    private final RowScope scope;
</#if>

    /**
     * For one table.
     *
     * @param table as SQL spells it
     * @param columns those that {@code row} reads, in its order
     */
    protected RowRepository(String table, String columns, Filters filters, StoredRow<R> row) {
<#if s.scoped>
        this(table, columns, filters, row, null);
    }

    /** For a table of which not all rows are there for everybody. */
    protected RowRepository(String table, String columns, Filters filters, StoredRow<R> row, RowScope scope) {
        this.scope = scope;
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
        return page<#if s.deleting>.where(page.deleted() ? this::gone : this::narrowed)<#elseif s.scoped>.where(this::narrowed)</#if>.read(connection, filters, select, "SELECT COUNT(*)\n" + from, row);
    }

    /** The number of rows that fulfil a condition. */
    public long count(Connection connection, Condition condition) throws SQLException {
<#if s.scoped>
        Condition narrowed = narrowed(condition);
        return Sql.count(connection, "SELECT COUNT(*)\n" + from + narrowed.where(), narrowed.arguments());
<#else>
        return Sql.count(connection, "SELECT COUNT(*)\n" + from + condition.where(), condition.arguments());
</#if>
    }

<#if s.scoped>
    /** A condition, and that a row is there for the caller. */
    protected final Condition narrowed(Condition condition) {
        return scope == null ? condition : scope.narrow(condition);
    }

    /** The same for a condition that begins with WHERE. */
    protected final Condition narrowed(String where, Object... values) {
        return narrowed(Condition.NONE.and("(" + where.substring("WHERE ".length()) + ")", values));
    }
<#if s.deleting>

    /** A condition, and that a row has been deleted. */
    private Condition gone(Condition condition) {
        return scope.deleted(condition);
    }

    /** The same for a condition that begins with WHERE. */
    protected final Condition gone(String where, Object... values) {
        return gone(Condition.NONE.and("(" + where.substring("WHERE ".length()) + ")", values));
    }

    /**
     * Makes sure that no row refers to one.
     *
     * @param path of the collection that may
     * @param query for their number
     * @throws ProblemException 409 if some do
     */
    protected final void verifyUnreferred(Connection connection, String path, String query, Object... values) throws SQLException {
        if (Sql.count(connection, query, values) > 0) {
            throw ProblemException.stillReferredTo(path, null);
        }
    }
</#if>

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
<#if s.scoped>
        Condition narrowed = narrowed(where, values);
        return Sql.update(connection, "DELETE " + from + narrowed.where(), narrowed.arguments());
<#else>
        return Sql.update(connection, "DELETE " + from + where, values);
</#if>
    }
}
