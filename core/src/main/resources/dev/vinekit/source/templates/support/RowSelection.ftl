import com.fasterxml.jackson.databind.node.ObjectNode;
import jakarta.ws.rs.core.SecurityContext;
import jakarta.ws.rs.core.UriInfo;
import java.util.List;
import java.util.function.BiFunction;
import java.util.stream.Stream;

/**
 * What a client wants of rows.
 *
 * @param include the references whose rows are wanted too
 * @param fields the properties wanted; all if there are none
 */
public record RowSelection(List<String> include, List<String> fields) {
    /** The query parameters that it is read from. */
    static final List<String> PARAMETERS = List.of("fields", "include");

    /**
     * Reads the query parameters of a request for a row.
     *
     * @throws ProblemException 400 naming what there is
     */
    static RowSelection ofRow(UriInfo uri<#if s.secured>, SecurityContext caller</#if>, Class<?> type, Includes<?> includes) {
        uri.getQueryParameters().forEach((name, values) -> {
            if (!PARAMETERS.contains(name) || values.size() > 1) {
                throw ProblemException.malformed("The parameter " + name
                        + (values.size() > 1 ? " is given more than once." : " is not one that this path takes: "
                        + String.join(", ", PARAMETERS) + "."));
            }
        });
        return of(uri<#if s.secured>, caller</#if>, type, includes);
    }

    /**
     * Reads the parameters that narrow or widen an answer.
     *
     * @throws ProblemException 400 naming what there is
     */
    static RowSelection of(UriInfo uri<#if s.secured>, SecurityContext caller</#if>, Class<?> type, Includes<?> includes) {
        String fields = uri.getQueryParameters().getFirst("fields");
        List<String> names = fields == null ? List.of() : List.of(fields.split(",", -1));
        for (String name : names) {
            if (!Json.properties(type).contains(name)) {
                throw ProblemException.malformed("There is no field " + name + "; there is "
                        + String.join(", ", Json.properties(type)) + ".");
            }
        }
        return new RowSelection(includes.asked(uri<#if s.secured>, caller</#if>), names);
    }

    /** Whether rows are wanted as they are. */
    boolean isWhole() {
        return include.isEmpty() && fields.isEmpty();
    }

    /**
     * Rows as they are wanted.
     *
     * @param embed adds what is to be included; not asked if nothing is
     */
    <T> List<?> of(List<T> rows, BiFunction<List<String>, List<T>, List<ObjectNode>> embed) {
        if (isWhole()) {
            return rows;
        }
        List<ObjectNode> objects = include.isEmpty() ? rows.stream().map(Json::tree).toList() : embed.apply(include, rows);
        if (!fields.isEmpty()) {
            List<String> kept = Stream.concat(fields.stream(), include.stream()).toList();
            objects.forEach(object -> object.retain(kept));
        }
        return objects;
    }
}
