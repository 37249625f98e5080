import com.fasterxml.jackson.databind.node.ObjectNode;
import jakarta.ws.rs.core.HttpHeaders;
import jakarta.ws.rs.core.MultivaluedMap;
import jakarta.ws.rs.core.Response;
import jakarta.ws.rs.core.SecurityContext;
import jakarta.ws.rs.core.UriInfo;
import java.net.URI;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;

/**
 * Which part of a collection a client wants, and what of its rows.
 *
 * @param page the rows wanted, and one more, which tells whether another page follows
 */
public record PageRequest(UriInfo uri, Filters filters, PageQuery page, RowSelection selection) {
    private static final int DEFAULT_LIMIT = ${s.limits.usualPage};
    private static final int GREATEST_LIMIT = ${s.limits.page};
    static final List<String> PARAMETERS = List.of("after", "count", "fields", "include", "limit", "sort");

    /**
     * Reads the query parameters.
     *
     * @param type of the rows
     * @throws ProblemException 400 for an unknown parameter, a value that does not fit or a cursor that is not ours
     */
    public static PageRequest of(UriInfo uri<#if s.secured>, SecurityContext caller</#if>, Class<?> type, Filters filters, Includes<?> includes) {
        MultivaluedMap<String, String> query = uri.getQueryParameters();
        Condition condition = Condition.NONE;
        Set<String> asked = new HashSet<>();
        for (Map.Entry<String, List<String>> parameter : query.entrySet()) {
            String name = parameter.getKey();
            boolean isFilter = !PARAMETERS.contains(name)<#if s.deleting> && !filters.isDeleted(name)</#if>;
            if (isFilter && !filters.isAbout(name)) {
                throw unknown(name, filters);
            }
            if (parameter.getValue().size() > 1 || isFilter && !asked.add(filters.whole(name))) {
                throw ProblemException.malformed("The parameter " + name + " is given more than once.");
            }
            if (isFilter) {
                condition = filters.narrow(condition, name, parameter.getValue().get(0));
            }
        }
        String sort = query.getFirst("sort");
        List<OrderBy> order = filters.sort(sort);
        List<Object> after = Cursor.read(query.getFirst("after"), sort, filters, filters.complete(order));
        String counted = query.getFirst("count");
        PageQuery page = new PageQuery(condition, order, after, limit(query.getFirst("limit")) + 1,
                counted != null && Filters.truth("count", counted)<#if s.deleting>,
                filters.deleted(query.getFirst("deleted")<#if s.secured>, caller</#if>)</#if>);
        return new PageRequest(uri, filters, page, RowSelection.of(uri<#if s.secured>, caller</#if>, type, includes));
    }

    private static ProblemException unknown(String parameter, Filters filters) {
        Optional<String> meant = filters.inBrackets(parameter);
        if (meant.isPresent()) {
            return ProblemException.malformed("There is no parameter " + parameter + "; write " + meant.get() + ".");
        }
        String columns = filters.names().isEmpty() ? "" : ", and to filter by " + String.join(", ", filters.names());
        return ProblemException.malformed("There is no parameter " + parameter + "; this path takes "
                + String.join(", ", PARAMETERS) + columns + ".");
    }

    private static int limit(String text) {
        if (text == null) {
            return DEFAULT_LIMIT;
        }
        int limit = text.matches("[0-9]{1,3}") ? Integer.parseInt(text) : 0;
        if (limit < 1 || limit > GREATEST_LIMIT) {
            throw ProblemException.malformed("The parameter limit takes a whole number from 1 to " + GREATEST_LIMIT
                    + ".");
        }
        return limit;
    }

    /**
     * Answers with the rows, the number of all if that is wanted, and a link to the next page (RFC 8288) if there is one.
     *
     * @param found the rows of {@link #page}
     * @param embed adds what is to be included; not asked if nothing is
     */
    public <T> Response response(PageResult<T> found, BiFunction<List<String>, List<T>, List<ObjectNode>> embed) {
        int limit = page.limit() - 1;
        List<T> rows = found.rows();
        List<T> shown = rows.size() <= limit ? rows : rows.subList(0, limit);
        Response.ResponseBuilder response = Response.ok(selection.of(shown, embed));
        found.total().ifPresent(total -> response.header("Total-Count", total));
        if (found.more() && !shown.isEmpty()) {
            URI next = uri.getRequestUriBuilder()
                    .replaceQueryParam("limit", limit)
                    .replaceQueryParam("after", cursor(shown))
                    .build();
            response.header(HttpHeaders.LINK, "<" + next.getRawPath() + "?" + next.getRawQuery() + ">; rel=\"next\"");
        }
        return response.build();
    }

    private String cursor(List<?> shown) {
        String sort = uri.getQueryParameters().getFirst("sort");
        return filters.isKeyed()
                ? Cursor.at(sort, shown.get(shown.size() - 1), filters.complete(page.order()))
                : Cursor.at(sort, (page.after().isEmpty() ? 0 : (Long) page.after().get(0)) + shown.size());
    }
}
