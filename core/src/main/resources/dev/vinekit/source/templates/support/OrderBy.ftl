import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * A column that rows are ordered by. A row without a value comes before every other one, in descending order after it.
 */
public record OrderBy(Filters.Column column, boolean descending) {
    /** The ORDER BY clause with the end of its line. */
    static String clause(List<OrderBy> order) {
        return order.stream().map(OrderBy::sql).collect(Collectors.joining(", ", "ORDER BY ", "\n"));
    }

    private String sql() {
<#if s.sortsNullsFirst>
        return column.sql() + (descending ? " DESC" : "");
<#else>
        String empty = column.nullable() ? descending ? " NULLS LAST" : " NULLS FIRST" : "";
        return column.sql() + (descending ? " DESC" : "") + empty;
</#if>
    }

    /** A condition, and that rows come after one with these values. */
    static Condition after(Condition condition, List<OrderBy> order, List<Object> values) {
<#if s.comparesRows>
        boolean alike = order.stream().allMatch(each -> !each.column.nullable()
                && each.descending == order.get(0).descending);
        if (alike) {
            String comparison = order.get(0).descending ? " < " : " > ";
            return condition.and(row(order, Filters.Column::sql) + comparison + row(order, Filters.Column::marker),
                    values.toArray());
        }
</#if>
        List<String> cases = new ArrayList<>();
        List<Object> bound = new ArrayList<>();
        for (int i = 0; i < order.size(); i++) {
            Optional<String> beyond = order.get(i).beyond(values.get(i));
            if (beyond.isPresent()) {
                List<String> parts = new ArrayList<>();
                for (int j = 0; j < i; j++) {
                    parts.add(order.get(j).same(values.get(j)));
                }
                parts.add(beyond.get());
                cases.add(String.join(" AND ", parts));
                values.subList(0, i + 1).stream().filter(Objects::nonNull).forEach(bound::add);
            }
        }
        Optional<String> boundary = order.size() == 1 ? Optional.empty() : order.get(0).boundary(values.get(0));
        return (boundary.isPresent() ? condition.and(boundary.get(), values.get(0)) : condition)
                .and(cases.isEmpty() ? "1 = 0" : "(" + String.join(" OR ", cases) + ")", bound.toArray());
    }
<#if s.comparesRows>

    private static String row(List<OrderBy> order, Function<Filters.Column, String> part) {
        String list = order.stream().map(OrderBy::column).map(part).collect(Collectors.joining(", "));
        return order.size() == 1 ? list : "(" + list + ")";
    }
</#if>

    /** What leaves out rows that come before a value, so that an index can be used. */
    private Optional<String> boundary(Object value) {
        return value == null || descending && column.nullable() ? Optional.empty()
                : Optional.of(column.sql() + (descending ? " <= " : " >= ") + column.marker());
    }

    /** That a row comes after a value; nothing if none does. */
    private Optional<String> beyond(Object value) {
        if (value == null) {
            return descending ? Optional.empty() : Optional.of(column.sql() + " IS NOT NULL");
        }
        String comparison = column.sql() + (descending ? " < " : " > ") + column.marker();
        return Optional.of(descending && column.nullable()
                ? "(" + comparison + " OR " + column.sql() + " IS NULL)" : comparison);
    }

    private String same(Object value) {
        return value == null ? column.sql() + " IS NULL" : column.sql() + " = " + column.marker();
    }
}
