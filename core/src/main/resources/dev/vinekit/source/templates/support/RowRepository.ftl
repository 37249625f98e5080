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

    /**
     * For one table.
     *
     * @param table as SQL spells it
     * @param columns those that {@code row} reads, in its order
     */
    protected RowRepository(String table, String columns, Filters filters, StoredRow<R> row) {
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
        return page.read(connection, filters, select, "SELECT COUNT(*)\n" + from, row);
    }

    /** The number of rows that fulfil a condition. */
    public long count(Connection connection, Condition condition) throws SQLException {
        return Sql.count(connection, "SELECT COUNT(*)\n" + from + condition.where(), condition.arguments());
    }

    /** The first row that a condition, which begins with WHERE, picks out. */
    protected Optional<R> firstWhere(Connection connection, String where, Object... values) throws SQLException {
        return Sql.first(connection, select + where, row, values);
    }

    /** Deletes the rows that a condition, which begins with WHERE, picks out, and tells how many. */
    protected int deleteWhere(Connection connection, String where, Object... values) throws SQLException {
        return Sql.update(connection, "DELETE " + from + where, values);
    }
}
