import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;

/**
 * The body of an answer that reports an error (RFC 9457).
 *
 * @param status the HTTP status
 * @param request the identifier of the request, which is also in the log; left out if there is none
 * @param violations the fields at fault; left out of the JSON if there are none
 */
public record Problem(
        String type,
        String title,
        int status,
        String detail,
        @JsonInclude(JsonInclude.Include.NON_NULL)
        String request,
        @JsonInclude(JsonInclude.Include.NON_EMPTY)
        List<Violation> violations) {
    public static final String MEDIA_TYPE = "application/problem+json";

    /** A problem whose title is the status's own. */
    public static Problem of(int status, String title, String detail, List<Violation> violations) {
        return new Problem("about:blank", title, status, detail, null, List.copyOf(violations));
    }

    /** The same in answer to a request. */
    Problem to(String requestId) {
        return new Problem(type, title, status, detail, requestId, violations);
    }
}
