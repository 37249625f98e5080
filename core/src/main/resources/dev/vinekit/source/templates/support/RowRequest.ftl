import com.fasterxml.jackson.databind.node.ObjectNode;
import jakarta.ws.rs.core.HttpHeaders;
import jakarta.ws.rs.core.Response;
import jakarta.ws.rs.core.SecurityContext;
import jakarta.ws.rs.core.UriInfo;
import java.util.List;
import java.util.function.BiFunction;

/** What a client wants of a row. */
public record RowRequest(HttpHeaders headers, RowSelection selection) {
    /**
     * Reads the query parameters.
     *
     * @param type of the row
     * @throws ProblemException 400 for an unknown parameter or name
     */
    public static RowRequest of(UriInfo uri, HttpHeaders headers<#if s.secured>, SecurityContext caller</#if>, Class<?> type, Includes<?> includes) {
        return new RowRequest(headers, RowSelection.ofRow(uri<#if s.secured>, caller</#if>, type, includes));
    }

    /**
     * Answers with the row and its entity tag, or with 304 if the client has it already. An answer with the rows that the
     * row refers to has no tag.
     *
     * @param embed adds what is to be included; not asked if nothing is
     */
    public <T> Response response(T row, BiFunction<List<String>, List<T>, List<ObjectNode>> embed) {
        if (!selection.include().isEmpty()) {
            return Response.ok(selection.of(List.of(row), embed).get(0)).build();
        }
        RowState whole = RowState.of(row);
        Precondition.toRead(headers).verify(row);
        if (Precondition.isKnown(headers, whole.tag())) {
            return Response.notModified().header(HttpHeaders.ETAG, whole.tag()).build();
        }
        Object body = selection.isWhole() ? whole.json() : selection.of(List.of(row), embed).get(0);
        return Response.ok(body).header(HttpHeaders.ETAG, whole.tag()).build();
    }

    /** Answers with a row as it is stored now. */
    public static Response stored(Object row) {
        RowState stored = RowState.of(row);
        return Response.ok(stored.json()).header(HttpHeaders.ETAG, stored.tag()).build();
    }

    /**
     * Answers with a new row as it is stored.
     *
     * @param collection where it is
     * @param segment the key as a segment of a path
     */
    public static Response created(UriInfo collection, String segment, Object row) {
        String path = collection.getAbsolutePath().getRawPath();
        RowState stored = RowState.of(row);
        return Response.status(Response.Status.CREATED).header(HttpHeaders.LOCATION, path.endsWith("/") ? path + segment : path + "/" + segment)
                .entity(stored.json()).header(HttpHeaders.ETAG, stored.tag()).build();
    }
}
