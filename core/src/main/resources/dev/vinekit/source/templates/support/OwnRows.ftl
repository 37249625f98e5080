<#if s.owned>
import java.math.BigInteger;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import java.util.function.Predicate;

/** The rows of a table that belong to the caller, by a claim of the token. To everybody else they are not there. */
public final class OwnRows {
    private final String claim;
    private final Class<?> type;
    private final List<String> everything;
    private final String condition;
    private final int parameters;

    private OwnRows(String claim, Class<?> type, List<String> everything, String condition, int parameters) {
        this.claim = claim;
        this.type = type;
        this.everything = everything;
        this.condition = condition;
        this.parameters = parameters;
    }

    /**
     * Rows that a condition tells from those of others.
     *
     * @param type of the values that the claim is compared with
     * @param everything the roles to which all rows are shown
     * @param parameters how many times the condition takes the value of the claim
     */
    public static OwnRows of(String claim, Class<?> type, List<String> everything, String condition, int parameters) {
        return new OwnRows(claim, type, everything, condition, parameters);
    }

    /** Whether every row is shown to the caller. */
    private boolean showsAll() {
        Caller caller = Caller.current();
        return everything.stream().anyMatch(caller::hasRole) || caller.isService();
    }

    /**
     * A condition, and that a row belongs to the caller.
     *
     * @throws ProblemException 403 if the token does not say who that is
     */
    Condition narrow(Condition wanted) {
        return showsAll() ? wanted : wanted.and(condition, Collections.nCopies(parameters, mine()).toArray());
    }

    /** A condition with a query of this table's rows in it that is still open, and that the rows belong to the caller. */
    public Condition within(String open, Object... values) {
        Condition whole = narrow(Condition.NONE.and(open, values));
        return Condition.NONE.and(String.join(" AND ", whole.parts()) + ")", whole.arguments());
    }

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
     * Makes sure that a row which another one is to refer to is there for the caller.
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
        if (showsAll() || fields.stream().noneMatch(changed) || Arrays.stream(values).anyMatch(Objects::isNull)) {
            return;
        }
        Condition row = narrow(Condition.NONE.and(match, values));
        if (Sql.count(connection, "SELECT COUNT(*)\nFROM " + rows + "\n" + row.where(), row.arguments()) == 0) {
            throw ProblemException.missingReference(path, fields, null);
        }
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
}
</#if>
