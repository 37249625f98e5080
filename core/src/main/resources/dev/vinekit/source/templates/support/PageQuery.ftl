import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.OptionalLong;
import java.util.function.UnaryOperator;

/**
 * Which rows of a table are wanted.
 *
 * @param order by which rows come first; where it leaves them side by side, and if it is empty, that of the key
 * @param after the values by which the last row before the page stands in the whole order; for a table without a key the
 *     number of rows before the page; empty to begin at the first row
 * @param limit the greatest number of rows
 * @param counted whether the number of rows on all pages is wanted too
<#if s.deleting>
 * @param deleted whether rows are wanted that have been deleted, and no others
</#if>
 */
public record PageQuery(Condition condition, List<OrderBy> order, List<Object> after, int limit, boolean counted<#if s.deleting>, boolean deleted</#if>) {
    /** A page ends where its rows have so many characters and bytes, though it may have more rows. */
    static final int MOST_CHARACTERS = 1 << 21;

    /** Every row, however large they are. */
    public static PageQuery all() {
        return first(Integer.MAX_VALUE);
    }

    public static PageQuery first(int limit) {
        return new PageQuery(Condition.NONE, List.of(), List.of(), limit, false<#if s.deleting>, false</#if>);
    }

    /** The rows after the one with this key, whose parts are given in their order. */
    public PageQuery after(Object... key) {
        return new PageQuery(condition, order, Arrays.asList(key), limit, counted<#if s.deleting>, deleted</#if>);
    }

    /** Whether the database may have to read all rows for it. */
    boolean scans() {
        return counted || condition.scans();
    }

    /** Of these rows those that fulfil another condition too. */
    public PageQuery where(UnaryOperator<Condition> narrower) {
        return new PageQuery(narrower.apply(condition), order, after, limit, counted<#if s.deleting>, deleted</#if>);
    }

    /**
     * Reads the rows.
     *
     * @param select the query for all rows, with the end of its line
     * @param count the query for their number
     */
    public <T extends Record> PageResult<T> read(
            Connection connection, Filters filters, String select, String count, StoredRow<T> mapper)
            throws SQLException {
        List<OrderBy> whole = filters.complete(order);
        String clause = whole.isEmpty() ? "ORDER BY 1\n" : OrderBy.clause(whole);
        StoredRow<T> ordered = mapper.orderedBy(whole.stream().map(by -> by.column().name()).toList());
        List<T> rows = new ArrayList<>();
        long[] left = {limit == Integer.MAX_VALUE ? Long.MAX_VALUE : MOST_CHARACTERS};
        Sql.Taker taker = row -> {
            T next = ordered.map(row);
            rows.add(next);
            left[0] -= ordered.size(next);
            return left[0] > 0;
        };
        boolean ended;
        if (filters.isKeyed()) {
            Condition wanted = after.isEmpty() ? condition : OrderBy.after(condition, whole, after);
            ended = Sql.each(connection, select + wanted.where() + clause + ${s.limit}, ordered.rowsAtATime(limit), taker,
                    wanted.arguments(limit));
        } else {
            long offset = after.isEmpty() ? 0 : (Long) after.get(0);
            ended = Sql.each(connection, select + condition.where() + clause + ${s.page}, ordered.rowsAtATime(limit), taker,
                    condition.arguments(<#if s.offsetFirst>offset, limit<#else>limit, offset</#if>));
        }
        boolean more = !ended || rows.size() >= limit;
        rows.removeIf(Objects::isNull);
        return new PageResult<>(rows, more, counted
                ? OptionalLong.of(Sql.count(connection, count + condition.where(), condition.arguments()))
                : OptionalLong.empty());
    }
}
