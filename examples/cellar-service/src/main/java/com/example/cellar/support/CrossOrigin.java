package com.example.cellar.support;

import io.undertow.server.HttpServerExchange;
import io.undertow.util.HeaderMap;
import io.undertow.util.Headers;
import io.undertow.util.HttpString;
import io.undertow.util.Methods;
import io.undertow.util.StatusCodes;
import java.util.Set;

/**
 * Lets the pages of other origins use the service, as far as the settings name them (the Fetch standard of WHATWG,
 * "CORS protocol"). Tokens are sent by such pages themselves; cookies are of no use here.
 */
final class CrossOrigin {
    private static final HttpString ALLOWED_ORIGIN = new HttpString("Access-Control-Allow-Origin");
    private static final HttpString WANTED_METHOD = new HttpString("Access-Control-Request-Method");
    private static final HttpString RESOURCE_POLICY = new HttpString("Cross-Origin-Resource-Policy");
    private static final String SECONDS_KNOWN = "600";

    private final Set<String> origins;

    CrossOrigin(Set<String> origins) {
        this.origins = origins;
    }

    /**
     * Says in an answer who may read it; true if that is the whole answer, for the request only asks what may be asked.
     */
    boolean answers(HttpServerExchange exchange) {
        HeaderMap answer = exchange.getResponseHeaders();
        answer.put(RESOURCE_POLICY, origins.isEmpty() ? "same-origin" : "cross-origin");
        if (origins.isEmpty()) {
            return false;
        }
        String origin = exchange.getRequestHeaders().getFirst(Headers.ORIGIN);
        boolean anybody = origins.contains("*");
        if (!anybody) {
            answer.add(Headers.VARY, Headers.ORIGIN_STRING);
        }
        if (origin == null || !anybody && !origins.contains(origin)) {
            return false;
        }
        answer.put(ALLOWED_ORIGIN, anybody ? "*" : origin);
        if (!exchange.getRequestMethod().equals(Methods.OPTIONS) || !exchange.getRequestHeaders()
                .contains(WANTED_METHOD)) {
            answer.put(new HttpString("Access-Control-Expose-Headers"),
                    "ETag, Link, Location, Retry-After, Total-Count, "
                    + RequestIds.HEADER);
            return false;
        }
        answer.put(new HttpString("Access-Control-Allow-Methods"), "GET, HEAD, POST, PUT, PATCH, DELETE")
                .put(new HttpString("Access-Control-Allow-Headers"), "Accept, Authorization, Content-Type, If-Match, "
                        + "If-None-Match, " + "traceparent, tracestate, " + RequestIds.HEADER)
                .put(new HttpString("Access-Control-Max-Age"), SECONDS_KNOWN);
        exchange.setStatusCode(StatusCodes.NO_CONTENT).endExchange();
        return true;
    }
}
