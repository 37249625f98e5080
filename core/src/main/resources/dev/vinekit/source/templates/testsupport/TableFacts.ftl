import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/**
 * What the tests of a table need to know of it: where it is, how tests get at its rows, and what its properties are good
 * for.
 *
 * @param <R> a row
 * @param <I> what a row is made from
 */
public final class TableFacts<R extends Record, I extends Record> {
    private enum Fact {
        KEY, DIFFERING, SORTABLE, FILTERS, ORDERED, SEARCHED, UNIQUE, OVERWRITTEN<#if s.secretive>, SECRET</#if>, FOLLOWING, CHANGEABLE, CHILDREN<#if s.stamped>, STAMPS, SIGNATURES</#if>
    }

    private final String path;
    private final TestRows<R, I, ?> rows;
    private final List<Tables> touched;
    private final Map<Fact, List<String>> facts;
<#if s.owned>
    private final Owned owned;

    /**
     * Whose the rows are.
     *
     * @param claim that says who somebody is
     * @param query for whose a row is, by the row's key
     * @param property that says it; empty if the row itself does not, or clients do not
     * @param references the properties by which the rows refer to others that belong to somebody
     * @param operations that are for those to whom not all rows are shown
     */
    public record Owned(String claim, String query, String property, List<String> references, List<String> operations) {
    }
</#if>

    private TableFacts(String path, TestRows<R, I, ?> rows, List<Tables> touched, Map<Fact, List<String>> facts<#if s.owned>, Owned owned</#if>) {
<#if s.owned>
        this.owned = owned;
</#if>
        this.path = path;
        this.rows = rows;
        this.touched = touched;
        this.facts = facts;
    }

    /** A table of which nothing is known but the path of its collection and how tests get at its rows. */
    public static <R extends Record, I extends Record> TableFacts<R, I> of(String path, TestRows<R, I, ?> rows) {
        return new TableFacts<>(path, rows, List.of(), new EnumMap<>(Fact.class)<#if s.owned>, null</#if>);
    }

    /** The tables that its tests write to, each after those that it refers to. */
    public TableFacts<R, I> touching(Tables... tables) {
        return new TableFacts<>(path, rows, List.of(tables), facts<#if s.owned>, owned</#if>);
    }

    /** The properties of the key. */
    public TableFacts<R, I> key(String... properties) {
        return with(Fact.KEY, properties);
    }

    /** The properties of the key that differ from row to row; all of them if nothing else is said. */
    public TableFacts<R, I> differing(String... properties) {
        return with(Fact.DIFFERING, properties);
    }

    /** The properties outside the key that rows can be sorted by. */
    public TableFacts<R, I> sortable(String... properties) {
        return with(Fact.SORTABLE, properties);
    }

    /** The properties to filter by in which new rows have a value. */
    public TableFacts<R, I> filters(String... properties) {
        return with(Fact.FILTERS, properties);
    }

    /** A property by whose order every row is before, beside or after another. */
    public TableFacts<R, I> ordered(String property) {
        return with(Fact.ORDERED, property);
    }

    /** A property with text to look into, in which new rows have a value. */
    public TableFacts<R, I> searched(String property) {
        return with(Fact.SEARCHED, property);
    }

    /** The properties of a key of which a new row can be a duplicate. */
    public TableFacts<R, I> unique(String... properties) {
        return with(Fact.UNIQUE, properties);
    }

    /** The properties that triggers give values of their own to. */
    public TableFacts<R, I> overwritten(String... properties) {
        return with(Fact.OVERWRITTEN, properties);
    }

<#if s.secretive>
    /** The properties that are sent and not told. */
    public TableFacts<R, I> secret(String... properties) {
        return with(Fact.SECRET, properties);
    }

</#if>
    /** The properties that a change of others may change, like times of the last change; the overwritten ones if nothing else is said. */
    public TableFacts<R, I> following(String... properties) {
        return with(Fact.FOLLOWING, properties);
    }

    /** The properties that can change without the rest of the row following. */
    public TableFacts<R, I> changeable(String... properties) {
        return with(Fact.CHANGEABLE, properties);
    }

    /** The paths of the collections below a row, which {@code {key}} stands for. */
    public TableFacts<R, I> children(String... paths) {
        return with(Fact.CHILDREN, paths);
    }

<#if s.stamped>
    /** The properties that say when and by whom a row was made and changed. */
    public TableFacts<R, I> stamps(String... properties) {
        return with(Fact.STAMPS, properties);
    }

    /** Those of them that say by whom. */
    public TableFacts<R, I> signatures(String... properties) {
        return with(Fact.SIGNATURES, properties);
    }

    List<String> stamps() {
        return get(Fact.STAMPS);
    }

    List<String> signatures() {
        return get(Fact.SIGNATURES);
    }

</#if>
<#if s.owned>
    /** Says whose the rows are. */
    public TableFacts<R, I> owned(Owned rows) {
        return new TableFacts<>(path, this.rows, touched, facts, rows);
    }

    Owned owned() {
        return owned;
    }

</#if>
    String path() {
        return path;
    }

    TestRows<R, I, ?> rows() {
        return rows;
    }

    List<Tables> touched() {
        return touched;
    }

    List<String> key() {
        return get(Fact.KEY);
    }

    List<String> differing() {
        return facts.containsKey(Fact.DIFFERING) ? get(Fact.DIFFERING) : key();
    }

    List<String> sortable() {
        return get(Fact.SORTABLE);
    }

    List<String> filters() {
        return get(Fact.FILTERS);
    }

    String ordered() {
        return get(Fact.ORDERED).get(0);
    }

    String searched() {
        return get(Fact.SEARCHED).get(0);
    }

    List<String> unique() {
        return get(Fact.UNIQUE);
    }

<#if s.secretive>
    /** The properties whose values are not told as they were sent. */
    List<String> overwritten() {
        return Stream.concat(get(Fact.OVERWRITTEN).stream(), get(Fact.SECRET).stream()).toList();
    }

    List<String> secret() {
        return get(Fact.SECRET);
    }
<#else>
    List<String> overwritten() {
        return get(Fact.OVERWRITTEN);
    }
</#if>

    List<String> following() {
        return facts.containsKey(Fact.FOLLOWING) ? get(Fact.FOLLOWING) : overwritten();
    }

    List<String> changeable() {
        return get(Fact.CHANGEABLE);
    }

    List<String> children() {
        return get(Fact.CHILDREN);
    }

    private List<String> get(Fact fact) {
        return facts.getOrDefault(fact, List.of());
    }

    private TableFacts<R, I> with(Fact fact, String... names) {
        Map<Fact, List<String>> more = new EnumMap<>(facts);
        more.put(fact, List.of(names));
        return new TableFacts<>(path, rows, touched, more<#if s.owned>, owned</#if>);
    }
}
