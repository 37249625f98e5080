package dev.vinekit.source.openapi;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.LinkedHashMap;
import java.util.Map;

/** The answers that operations share: those that report what went wrong. */
final class Responses {
    private static final Map<String, String> MEANINGS = new LinkedHashMap<>();

    static {
        MEANINGS.put("304", "The client has this state already");
        MEANINGS.put("400", "The request is malformed, or the body breaks rules");
        MEANINGS.put("401", "There is no valid token");
        MEANINGS.put("403", "None of the token's roles may do this");
        MEANINGS.put("404", "There is no such row");
        MEANINGS.put("406", "The answer can be JSON only");
        MEANINGS.put("409", "Another row has the same key or unique values, or rows still refer to this one");
        MEANINGS.put("412", "The row is in another state");
        MEANINGS.put("428", "The request does not say which state of the row it means");
        MEANINGS.put("413", "The body is too large");
        MEANINGS.put("415", "The body is not JSON of the kind that this takes");
        MEANINGS.put("422", "A reference names no row");
        MEANINGS.put("500", "Something went wrong; the log has it under the incident number");
        MEANINGS.put("503", "The database does not answer, or not in time");
    }

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
                ObjectNode response = responses.putObject("status" + status).put("description", meaning);
                if (status.equals("304")) {
                    response.putObject("headers").set("ETag", OpenApi.reference("headers", "ETag"));
                } else {
                    response.putObject("content").putObject("application/problem+json")
                            .set("schema", OpenApi.reference("schemas", "Problem"));
                }
                if (status.equals("503")) {
                    response.putObject("headers").set("Retry-After", OpenApi.reference("headers", "Retry-After"));
                } else if (aboutTokens) {
                    response.putObject("headers").set("WWW-Authenticate", OpenApi.reference("headers", "WWW-Authenticate"));
                }
            }
        });
        return responses;
    }

    /** Adds references to answers. */
    static void refer(ObjectNode responses, String... statuses) {
        for (String status : statuses) {
            responses.set(status, OpenApi.reference("responses", "status" + status));
        }
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
