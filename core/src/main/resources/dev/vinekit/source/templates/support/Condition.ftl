import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.stream.Stream;

/**
 * What rows must fulfil: the parts of a WHERE clause, all of which hold, and the values of their parameters in order.
 *
 * @param parts SQL that is ours, never text of a client
 */
public record Condition(List<String> parts, List<Object> values) {
    /** Every row fulfils it. */
    public static final Condition NONE = new Condition(List.of(), List.of());

    private static final String SEARCH = " LIKE ? ESCAPE '!'";

    public Condition {
        parts = List.copyOf(parts);
        values = List.copyOf(values);
    }

    /** This condition, and another. */
    public Condition and(String sql, Object... more) {
        return and(sql, Arrays.asList(more));
    }

    /**
     * This condition, and that a column has one of some values; no row does if there are none.
     *
     * @param marker the column's parameter marker
     */
    public Condition in(String column, String marker, Collection<?> options) {
        return options.isEmpty() ? and("1 = 0")
                : and(column + " IN (" + String.join(", ", Collections.nCopies(options.size(), marker)) + ")", options);
    }

<#if s.scoped>
    /** This condition, and another. */
    public Condition and(Condition other) {
        return new Condition(Stream.concat(parts.stream(), other.parts.stream()).toList(),
                Stream.concat(values.stream(), other.values.stream()).toList());
    }

</#if>
<#if s.compositeLookups>
    /**
     * This condition, and that several columns together have one of some rows of values.
     *
     * @param each the comparison of the columns with one row
     */
    public Condition inRows(String each, Collection<List<Object>> rows) {
        return rows.isEmpty() ? and("1 = 0")
                : and("(" + String.join(" OR ", Collections.nCopies(rows.size(), each)) + ")",
                        rows.stream().flatMap(List::stream).toList());
    }

</#if>
    /** This condition, and that a text is in a column. */
    public Condition contains(String column, String text) {
        return and(column + SEARCH, "%" + escaped(text) + "%");
    }

    /** This condition, and that a column begins with a text. */
    public Condition startsWith(String column, String text) {
        return and(column + SEARCH, escaped(text) + "%");
    }

    /** Whether it looks inside texts, for which the database may have to read all rows. */
    boolean scans() {
        return parts.stream().anyMatch(part -> part.endsWith(SEARCH));
    }

    private static String escaped(String text) {
        return text.replaceAll("[!%_]", "!$0");
    }

    private Condition and(String sql, Collection<?> more) {
        return new Condition(
                Stream.concat(parts.stream(), Stream.of(sql)).toList(),
                Stream.concat(values.stream(), more.stream()).toList());
    }

    /** The WHERE clause with the end of its line; empty for no condition. */
    public String where() {
        return parts.isEmpty() ? "" : "WHERE " + String.join("\nAND ", parts) + "\n";
    }

    /** The values for a statement that has more parameters behind the WHERE clause. */
    public Object[] arguments(Object... more) {
        return Stream.concat(values.stream(), Arrays.stream(more)).toArray();
    }
}
