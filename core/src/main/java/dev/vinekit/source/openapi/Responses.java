package dev.vinekit.source.openapi;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;

/** The answers that operations share: those that report what went wrong. */
final class Responses {
    private static final Map<String, String> MEANINGS = new LinkedHashMap<>();

    static {
        MEANINGS.put("304", "The client has this state already");
        MEANINGS.put("400", "The request is malformed, or the body breaks rules");
        MEANINGS.put("401", "There is no valid token");
        MEANINGS.put("403", "None of the token's roles may do this");
        MEANINGS.put("404", "There is no such row");
        MEANINGS.put("409", "Another row has the same key or unique values, or rows still refer to this one");
        MEANINGS.put("412", "The row is in another state");
        MEANINGS.put("428", "The request does not say which state of the row it means");
        MEANINGS.put("422", "A reference names no row");
    }

    /**
     * What may come of any request: the answer can be JSON only, the body is too large or no JSON, something is out of
     * order.
     */
    private static final Set<String> COMMON = Set.of("406", "413", "415", "500", "503");

    private final boolean secured;
    private final boolean guarded;

    Responses(boolean secured, boolean guarded) {
        this.secured = secured;
        this.guarded = guarded;
    }

    ObjectNode all() {
        ObjectNode responses = OpenApi.MAPPER.createObjectNode();
        MEANINGS.forEach((status, meaning) -> {
            boolean aboutTokens = status.equals("401") || status.equals("403");
            if ((secured || !aboutTokens) && (guarded || !status.equals("428"))) {
                ObjectNode response = responses.putObject(status).put("description", meaning);
                if (status.equals("304")) {
                    response.putObject("headers").set("ETag", OpenApi.reference("headers", "ETag"));
                } else {
                    response.putObject("content").putObject("application/problem+json")
                            .set("schema", OpenApi.reference("schemas", "Problem"));
                }
                if (aboutTokens) {
                    response.putObject("headers").set("WWW-Authenticate",
                            OpenApi.reference("headers", "WWW-Authenticate"));
                }
            }
        });
        ObjectNode common = responses.putObject("common")
                .put("description", "Not acceptable (406), a body that is too large (413) or of another "
                + "kind (415), an error that the log has under the incident number (500), or a service that cannot do it now (503)");
        common.putObject("headers").set("Retry-After", OpenApi.reference("headers", "Retry-After"));
        common.putObject("content").putObject("application/problem+json")
                .set("schema", OpenApi.reference("schemas", "Problem"));
        return responses;
    }

    /** Adds references to answers; those that any request may have are told together. */
    static void refer(ObjectNode responses, String... statuses) {
        for (String status : statuses) {
            if (!COMMON.contains(status)) {
                responses.set(status, OpenApi.reference("responses", status));
            }
        }
        responses.remove("default");
        responses.set("default", OpenApi.reference("responses", "common"));
    }

    static ObjectNode headers() {
        ObjectNode headers = OpenApi.MAPPER.createObjectNode();
        header(headers, "ETag", "Names this state of the row", "string");
        header(headers, "Link", "Leads to the next page, as next (RFC 8288)", "string");
        header(headers, "Location", "Where the new row is", "string");
        header(headers, "Retry-After", "Seconds to wait", "integer");
        header(headers, "Total-Count", "The number of rows on all pages", "integer");
        header(headers, "WWW-Authenticate", "What a token must be like (RFC 6750)", "string");
        return headers;
    }

    private static void header(ObjectNode headers, String name, String description, String type) {
        headers.putObject(name).put("description", description).putObject("schema").put("type", type);
    }
}
