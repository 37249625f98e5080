<#if s.scoped>
<#if s.owned>
import java.math.BigInteger;
</#if>
import java.sql.Connection;
import java.sql.SQLException;
import java.util.Arrays;
<#if s.owned>
import java.util.Collections;
</#if>
import java.util.List;
import java.util.Objects;
import java.util.function.Predicate;

/** The rows of a table that are there for the caller<#if s.owned>: those that belong to the caller, by a claim of the token</#if><#if s.deleting><#if s.owned>, and<#else>: those that</#if> have not been deleted</#if>. */
public final class RowScope {
<#if s.owned>
    private final String claim;
    private final Class<?> type;
    private final List<String> everything;
    private final String condition;
    private final int parameters;
</#if>
<#if s.deleting>
    private final String deletion;
</#if>

    private RowScope(<#if s.owned>String claim, Class<?> type, List<String> everything, String condition, int parameters</#if><#if s.owned && s.deleting>, </#if><#if s.deleting>String deletion</#if>) {
<#if s.owned>
        this.claim = claim;
        this.type = type;
        this.everything = everything;
        this.condition = condition;
        this.parameters = parameters;
</#if>
<#if s.deleting>
        this.deletion = deletion;
</#if>
    }

<#if s.deleting>
    /** The rows that have not been deleted: those without a time in a column. */
    public static RowScope undeleted(String column) {
        return new RowScope(<#if s.owned>null, null, List.of(), null, 0, </#if>column);
    }

</#if>
<#if s.owned>
    /**
     * Rows that a condition tells from those of others.
     *
     * @param type of the values that the claim is compared with
     * @param everything the roles to which all rows are shown
     * @param parameters how many times the condition takes the value of the claim
     */
    public static RowScope of(String claim, Class<?> type, List<String> everything, String condition, int parameters) {
        return new RowScope(claim, type, everything, condition, parameters<#if s.deleting>, null</#if>);
    }

<#if s.deleting>
    /** Those of these rows that have not been deleted. */
    public RowScope andUndeleted(String column) {
        return new RowScope(claim, type, everything, condition, parameters, column);
    }

</#if>
    /** Whether every row is shown to the caller. */
    private boolean showsAll() {
        return condition == null || Caller.current().isService() || everything.stream().anyMatch(Caller.current()::hasRole);
    }

    /** A condition, and that a row belongs to the caller. */
    private Condition owned(Condition wanted) {
        return showsAll() ? wanted : wanted.and(condition, Collections.nCopies(parameters, mine()).toArray());
    }

</#if>
    /**
     * A condition, and that a row is there for the caller.
     *
<#if s.owned>
     * @throws ProblemException 403 if the token does not say who that is
</#if>
     */
    Condition narrow(Condition wanted) {
<#assign owned = s.owned?then("owned(wanted)", "wanted")>
<#if s.deleting>
        return deletion == null ? ${owned} : ${owned}.and(deletion + " IS NULL");
<#else>
        return ${owned};
</#if>
    }

<#if s.deleting>
    /** A condition, and that a row would be there if it had not been deleted. */
    Condition deleted(Condition wanted) {
        return ${owned}.and(deletion + " IS NOT NULL");
    }

</#if>
    /** A condition with a query of this table's rows in it that is still open, and that the rows are there for the caller. */
    public Condition within(String open, Object... values) {
        Condition whole = narrow(Condition.NONE.and(open, values));
        return Condition.NONE.and(String.join(" AND ", whole.parts()) + ")", whole.arguments());
    }

    /**
     * Makes sure that a row which another one is to refer to is there for the caller<#if s.deleting>, and stays until the transaction ends</#if>.
     *
     * @param rows of this table, as SQL spells it
     * @param path of their collection
     * @param fields that refer to one of them
     * @param changed the fields that are written
     * @param match the condition that picks it out
     * @throws ProblemException 422 as for a row that is not there at all
     */
    public void verifyReference(Connection connection, String rows, String path, List<String> fields,
            Predicate<String> changed, String match, Object... values) throws SQLException {
        boolean any = <#if s.owned>showsAll()<#if s.deleting> && deletion == null</#if><#else>deletion == null</#if>;
        if (any || fields.stream().noneMatch(changed) || Arrays.stream(values).anyMatch(Objects::isNull)) {
            return;
        }
        Condition row = narrow(Condition.NONE.and(match, values));
        String query = "SELECT 1\nFROM " + rows + "\n" + row.where();
<#if s.deleting && s.sharedLock??>
        query = deletion == null ? query : query + ${s.sharedLock};
</#if>
        if (Sql.first(connection, query, found -> 1, row.arguments()).isEmpty()) {
            throw ProblemException.missingReference(path, fields, null);
        }
    }
<#if s.owned>

    /**
     * Whose a row is to be: the caller's, unless every row is shown to the caller, who says whose it is.
     *
     * @param value what the client says; null if nothing
     * @throws ProblemException 403 if it is somebody else, or the token does not say who the caller is
     */
    public Object given(Object value) {
        if (showsAll()) {
            return value != null || Caller.current().claim(claim) == null ? value : mine();
        }
        Object mine = mine();
        if (value != null && !value.equals(mine)) {
            throw ProblemException.foreign("The row would belong to somebody else. It is yours if you leave that out.");
        }
        return mine;
    }

    /**
     * The owner that a changed row gets; null to keep the one that it has.
     *
     * @param value the owner that the client names; null if none
     * @throws ProblemException 403 if it is another owner and the caller may not choose one, or if the token does not
     *     identify the caller
     */
    public Object changed(Object value) {
        return value == null ? null : given(value);
    }

    private Object mine() {
        Object value = Caller.current().claim(claim);
        boolean plain = value instanceof String || value instanceof Integer || value instanceof Long || value instanceof BigInteger;
        if (!plain) {
            throw ProblemException.foreign("The token does not say whose rows are meant: the claim " + claim
                    + (value == null ? " is missing." : " is neither a text nor a whole number."));
        }
        try {
            return PathKeys.part(value.toString(), type);
        } catch (IllegalArgumentException e) {
            throw ProblemException.foreign("The token does not say whose rows are meant: the claim " + claim + " "
                    + InputReader.expected(type) + ".");
        }
    }
</#if>
}
</#if>
