package com.example.cellar.support;

import io.undertow.server.HttpHandler;
import io.undertow.server.HttpServerExchange;
import io.undertow.util.HttpString;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicLong;
import java.util.regex.Pattern;
import org.slf4j.MDC;

/** Gives each request an identifier, unless it brings one: it is in the log, in the answer and in problems. */
final class RequestIds implements HttpHandler {
    static final HttpString HEADER = new HttpString("X-Request-Id");

    private static final String KEY = "request";
    private static final Pattern GIVEN = Pattern.compile("[A-Za-z0-9._~-]{1,64}");
    private static final String PROCESS = UUID.randomUUID().toString().substring(0, 8) + "-";
    private static final AtomicLong NUMBER = new AtomicLong();

    private final HttpHandler next;

    /** Puts the identifier of each request into what its thread logs. */
    RequestIds(HttpHandler next) {
        this.next = next;
    }

    @Override
    public void handleRequest(HttpServerExchange exchange) throws Exception {
        MDC.put(KEY, exchange.getResponseHeaders().getFirst(HEADER));
        try {
            next.handleRequest(exchange);
        } finally {
            MDC.remove(KEY);
        }
    }

    /** The identifier that a client or a proxy gives, if it is fit for a log; otherwise a new one. */
    static String of(String given) {
        return given != null && GIVEN.matcher(given).matches()
                ? given : PROCESS + Long.toString(NUMBER.incrementAndGet(), 36);
    }

    /** That of the request which this thread answers; null outside of one. */
    static String current() {
        return MDC.get(KEY);
    }
}
