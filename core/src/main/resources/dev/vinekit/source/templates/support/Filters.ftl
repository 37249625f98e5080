<#if s.deleting && s.secured>
import jakarta.ws.rs.core.SecurityContext;
</#if>
import java.time.temporal.Temporal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What the rows of a table can be filtered and sorted by. */
public final class Filters {
    private static final int MOST_OPTIONS = 100;

    private final Map<String, Column> columns;
    private final List<OrderBy> order;
    private final boolean keyed;
<#if s.deleting>
    private final boolean deletable;
<#if s.secured>
    private final AccessRight restorer;
</#if>
</#if>

    /**
     * A column to filter or sort by.
     *
     * @param name of its JSON property
     * @param sql the column as statements spell it
     * @param marker its parameter marker
     * @param nullable whether rows may have no value in it
     * @param whole whether its texts are compared as a whole, and nothing is looked for in them
     */
    public record Column(String name, String sql, String marker, Class<?> type, boolean nullable, boolean whole) {
        /** The same column, where rows may have no value in it. */
        public Column orNull() {
            return new Column(name, sql, marker, type, true, whole);
        }

        /** The same column, whose values are something else than text and are only told as text. */
        public Column asWhole() {
            return new Column(name, sql, marker, type, nullable, true);
        }
    }

    private Filters(Map<String, Column> columns, List<OrderBy> order, boolean keyed) {
<#if s.deleting>
        this(columns, order, keyed, false<#if s.secured>, null</#if>);
    }

    private Filters(Map<String, Column> columns, List<OrderBy> order, boolean keyed, boolean deletable<#if s.secured>, AccessRight restorer</#if>) {
        this.deletable = deletable;
<#if s.secured>
        this.restorer = restorer;
</#if>
</#if>
        this.columns = columns;
        this.order = order;
        this.keyed = keyed;
    }

    public static Filters of(Column... columns) {
        Map<String, Column> byName = new LinkedHashMap<>();
        Arrays.stream(columns).forEach(column -> byName.put(column.name(), column));
        return new Filters(byName, List.of(), false);
    }

    public static Column on(String name, String sql, Class<?> type) {
        return new Column(name, sql, "?", type, false, false);
    }

    /** A column whose parameter marker is more than a question mark. */
    public static Column on(String name, String sql, String marker, Class<?> type) {
        return new Column(name, sql, marker, type, false, false);
    }

    /** The same for rows that these columns tell apart, which are their order too. */
    public Filters key(Column... key) {
        return new Filters(columns, ascending(Arrays.stream(key)), true);
    }

    /** The same for rows that these columns tell apart, each of which is to filter by. */
    public Filters key(String... key) {
        return new Filters(columns, ascending(Arrays.stream(key).map(columns::get)), true);
    }

    /** The same for rows without a key, which come in the order of these columns. */
    public Filters order(Column... first) {
        return new Filters(columns, ascending(Arrays.stream(first)), false);
    }

<#if s.deleting>
<#if s.secured>
    /** The same for rows that stay when they are deleted, and who may list those. */
    public Filters deletable(AccessRight right) {
        return new Filters(columns, order, keyed, true, right);
    }
<#else>
    /** The same for rows that stay when they are deleted. */
    public Filters deletable() {
        return new Filters(columns, order, keyed, true);
    }
</#if>

    /** Whether a parameter asks for rows that have been deleted. */
    boolean isDeleted(String parameter) {
        return deletable && parameter.equals("deleted");
    }

    /**
     * Whether rows are wanted that have been deleted.
     *
     * @param text of the parameter; null if there is none
<#if s.secured>
     * @throws ProblemException 403 if the caller may not list them
</#if>
     */
    boolean deleted(String text<#if s.secured>, SecurityContext caller</#if>) {
        boolean wanted = deletable && text != null && truth("deleted", text);
<#if s.secured>
        if (wanted && !restorer.belongsTo(caller)) {
            throw ProblemException.forbidden();
        }
</#if>
        return wanted;
    }

</#if>
    private static List<OrderBy> ascending(Stream<Column> columns) {
        return columns.map(column -> new OrderBy(column, false)).toList();
    }

    /** Whether rows have a key, so that a page can begin after a row; otherwise rows are counted. */
    boolean isKeyed() {
        return keyed;
    }

    /** The names to filter by. */
    Set<String> names() {
        return columns.keySet();
    }

    /** An order, and where it leaves rows side by side that of the key. */
    List<OrderBy> complete(List<OrderBy> asked) {
        if (asked.isEmpty()) {
            return order;
        }
        Set<String> names = asked.stream().map(first -> first.column().name()).collect(Collectors.toSet());
        return Stream.concat(
                asked.stream(),
                order.stream().filter(last -> !names.contains(last.column().name()))).toList();
    }

    /**
     * The order that a client asks for: names, each with a minus in front of it for a descending one.
     *
     * @param text null for none
     * @throws ProblemException 400 naming what can be sorted by
     */
    List<OrderBy> sort(String text) {
        List<OrderBy> asked = new ArrayList<>();
        for (String part : text == null ? new String[0] : text.split(",", -1)) {
            String name = part.startsWith("-") ? part.substring(1) : part;
            boolean again = asked.stream().anyMatch(before -> before.column().name().equals(name));
            Column column = sortable().filter(candidate -> candidate.name().equals(name) && !again).findFirst()
                    .orElseThrow(() -> ProblemException.malformed("The parameter sort takes, each once, "
                            + sortable().map(Column::name).collect(Collectors.joining(", "))
                            + "; with a minus in front for descending order. It does not take " + part + "."));
            asked.add(new OrderBy(column, part.startsWith("-")));
        }
        return asked;
    }

    /** The columns of the order, and those whose values survive a way through JSON: a float does not always. */
    private Stream<Column> sortable() {
        Stream<Column> exact = columns.values().stream().filter(column -> column.type() != Float.class);
        return Stream.concat(order.stream().map(OrderBy::column), exact).distinct();
    }

    /** What a parameter asks of a column. */
    private record Comparison(Column column, String word) {
        @Override
        public String toString() {
            return column.name() + "[" + word + "]";
        }
    }

    /** Whether a parameter, such as {@code code} or {@code code[startsWith]}, is about one of the columns. */
    boolean isAbout(String parameter) {
        return columns.containsKey(parameter) || columns.containsKey(before('[', parameter));
    }

    /** A parameter with its comparison in brackets, as {@code code[is]} for {@code code}. */
    String whole(String parameter) {
        return comparison(parameter).map(Comparison::toString).orElse(parameter);
    }

    /** How a comparison is written that stands behind a point. */
    Optional<String> inBrackets(String parameter) {
        String name = before('.', parameter);
        return columns.containsKey(name)
                ? comparison(name + "[" + parameter.substring(name.length() + 1) + "]").map(Comparison::toString) : Optional.empty();
    }

    /**
     * A condition, and what a parameter says.
     *
     * @throws ProblemException 400 if the comparison or the value does not fit the column
     */
    Condition narrow(Condition condition, String parameter, String value) {
        Comparison asked = comparison(parameter).orElseThrow(() -> {
            Column column = columns.get(before('[', parameter));
            return ProblemException.malformed("There is no parameter " + parameter + "; " + column.name() + " takes "
                    + comparisons(column).stream().map(word -> column.name() + "[" + word + "]")
                            .collect(Collectors.joining(", ", column.name() + ", ", ".")));
        });
        Column column = asked.column();
        String sql = column.sql();
        return switch (asked.word()) {
            case "not" -> condition.and(sql + " <> " + column.marker(), parse(column, parameter, value));
            case "in" -> condition.in(sql, column.marker(), options(column, parameter, value));
            case "atLeast" -> condition.and(sql + " >= " + column.marker(), parse(column, parameter, value));
            case "atMost" -> condition.and(sql + " <= " + column.marker(), parse(column, parameter, value));
            case "greater" -> condition.and(sql + " > " + column.marker(), parse(column, parameter, value));
            case "less" -> condition.and(sql + " < " + column.marker(), parse(column, parameter, value));
            case "contains" -> condition.contains(sql, text(parameter, value));
            case "startsWith" -> condition.startsWith(sql, text(parameter, value));
            case "isNull" -> condition.and(sql + (truth(parameter, value) ? " IS NULL" : " IS NOT NULL"));
            default -> condition.and(sql + " = " + column.marker(), parse(column, parameter, value));
        };
    }

    /** A column may have brackets in its name: what can be read as a comparison is one. */
    private Optional<Comparison> comparison(String parameter) {
        String name = before('[', parameter);
        Column column = columns.get(name);
        if (column != null && parameter.endsWith("]")) {
            String word = parameter.substring(name.length() + 1, parameter.length() - 1);
            if (comparisons(column).contains(word)) {
                return Optional.of(new Comparison(column, word));
            }
        }
        return Optional.ofNullable(columns.get(parameter)).map(whole -> new Comparison(whole, "is"));
    }

    /** What stands before the last of these characters; nothing if there is none. */
    private static String before(char sign, String parameter) {
        return parameter.substring(0, Math.max(0, parameter.lastIndexOf(sign)));
    }

    private static List<String> comparisons(Column column) {
        Class<?> type = column.type();
        List<String> words = new ArrayList<>(List.of("is", "not", "in", "isNull"));
        if (Number.class.isAssignableFrom(type) || Temporal.class.isAssignableFrom(type) || type == String.class) {
            words.addAll(List.of("atLeast", "atMost", "greater", "less"));
        }
        if (type == String.class && !column.whole()) {
            words.addAll(List.of("contains", "startsWith"));
        }
        return words;
    }

    private static List<Object> options(Column column, String parameter, String value) {
        String[] options = value.split(",", -1);
        if (options.length > MOST_OPTIONS) {
            throw ProblemException.malformed("The parameter " + parameter + " takes at most " + MOST_OPTIONS + " values.");
        }
        return Arrays.stream(options).map(option -> parse(column, parameter, decoded(parameter, option))).toList();
    }

    /** An option, in which a comma of its own is percent-encoded once more. */
    private static String decoded(String parameter, String option) {
        try {
            return PathKeys.decoded(option);
        } catch (IllegalArgumentException e) {
            throw ProblemException.malformed("The value of the parameter " + parameter + " has a broken percent-encoding.");
        }
    }

    private static Object parse(Column column, String parameter, String value) {
        try {
            return PathKeys.parse(value, column.type());
        } catch (IllegalArgumentException e) {
<#if s.binary>
            String form = column.type() == Binary.class ? " for URLs, without padding" : "";
            throw ProblemException.malformed(
                    "The value of the parameter " + parameter + " " + InputReader.expected(column.type()) + form + ".");
<#else>
            throw ProblemException.malformed(
                    "The value of the parameter " + parameter + " " + InputReader.expected(column.type()) + ".");
</#if>
        }
    }

    private static String text(String parameter, String value) {
        if (value.indexOf('\0') >= 0) {
            throw ProblemException.malformed("The value of the parameter " + parameter + " has a NUL character.");
        }
        return value;
    }

    /** What {@code true} and {@code false} say. */
    static boolean truth(String parameter, String value) {
        if (!value.equals("true") && !value.equals("false")) {
            throw ProblemException.malformed("The parameter " + parameter + " takes true or false.");
        }
        return value.equals("true");
    }
}
