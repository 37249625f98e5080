package com.example.cellar.support;

import io.undertow.server.HttpHandler;
import io.undertow.server.HttpServerExchange;
import io.undertow.server.handlers.GracefulShutdownHandler;
import io.undertow.server.handlers.HttpContinueReadHandler;
import io.undertow.util.HeaderMap;
import io.undertow.util.HeaderValues;
import io.undertow.util.Headers;
import io.undertow.util.StatusCodes;
import java.net.URLDecoder;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** What every request passes on its way in: limits, an identifier, the access log, and an orderly stop. */
final class Gate implements HttpHandler {
    private static final Logger ACCESS = LoggerFactory.getLogger(Gate.class);

    private final GracefulShutdownHandler next;
    private final Settings.Http settings;

    Gate(HttpHandler service, Settings.Http settings) {
        this.next = new GracefulShutdownHandler(new HttpContinueReadHandler(service));
        this.settings = settings;
    }

    @Override
    public void handleRequest(HttpServerExchange exchange) throws Exception {
        String id = RequestIds.of(exchange.getRequestHeaders().getFirst(RequestIds.HEADER));
        exchange.getResponseHeaders().put(RequestIds.HEADER, id);
        exchange.addDefaultResponseListener(Gate::explain);
        if (ACCESS.isInfoEnabled()) {
            long begin = System.nanoTime();
            exchange.addExchangeCompleteListener((done, then) -> {
                ACCESS.info("{} {} {} {} bytes {} ms {}", done.getRequestMethod(), done.getRequestURI(),
                        done.getStatusCode(), done.getResponseBytesSent(), (System.nanoTime() - begin) / 1_000_000, id);
                then.proceed();
            });
        }
        int refusal = refusal(exchange);
        if (refusal == 0) {
            next.handleRequest(exchange);
        } else {
            exchange.setStatusCode(refusal).endExchange();
        }
    }

    /** The status for a request that is out of bounds; 0 for others. */
    private int refusal(HttpServerExchange exchange) {
        String url = exchange.getRequestURI();
        String query = exchange.getQueryString();
        if (url.length() + query.length() > settings.greatestUrl()) {
            return StatusCodes.REQUEST_URI_TOO_LARGE;
        } else if (size(exchange.getRequestHeaders()) > settings.greatestHeaders()) {
            return StatusCodes.REQUEST_HEADER_FIELDS_TOO_LARGE;
        } else if (exchange.getRequestContentLength() > settings.greatestBody()) {
            return StatusCodes.REQUEST_ENTITY_TOO_LARGE;
        }
        return isText(url) && isText(query) ? 0 : StatusCodes.BAD_REQUEST;
    }

    private static int size(HeaderMap headers) {
        int size = 0;
        for (HeaderValues values : headers) {
            for (String value : values) {
                size += values.getHeaderName().length() + value.length();
            }
        }
        return size;
    }

    /** Whether the percent-encoding of a URL is that of text in UTF-8. */
    private static boolean isText(String url) {
        if (url.indexOf('%') < 0) {
            return true;
        }
        try {
            byte[] decoded = URLDecoder.decode(url, StandardCharsets.ISO_8859_1).getBytes(StandardCharsets.ISO_8859_1);
            StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(decoded));
            return true;
        } catch (IllegalArgumentException | CharacterCodingException e) {
            return false;
        }
    }

    /** Answers with a problem where nothing else has said what is wrong. */
    private static boolean explain(HttpServerExchange exchange) {
        int status = exchange.getStatusCode();
        if (status < 400 || !exchange.isResponseChannelAvailable()) {
            return false;
        }
        String detail = switch (status) {
            case StatusCodes.BAD_REQUEST -> "The URL is not text in UTF-8, percent-encoded.";
            case StatusCodes.NOT_FOUND -> "There is nothing at this path.";
            case StatusCodes.REQUEST_ENTITY_TOO_LARGE -> "The body is too large.";
            case StatusCodes.REQUEST_URI_TOO_LARGE -> "The URL is too long.";
            case StatusCodes.REQUEST_HEADER_FIELDS_TOO_LARGE -> "The headers are too large.";
            case StatusCodes.SERVICE_UNAVAILABLE -> "The service is about to stop.";
            default -> "The request cannot be carried out.";
        };
        if (status == StatusCodes.SERVICE_UNAVAILABLE) {
            exchange.getResponseHeaders().put(Headers.RETRY_AFTER, ProblemMapper.SECONDS_TO_WAIT);
        }
        exchange.getResponseHeaders().put(Headers.CONTENT_TYPE, Problem.MEDIA_TYPE);
        exchange.getResponseSender().send(Json.tree(Problem.of(status, StatusCodes.getReason(status), detail, List.of())
                .to(exchange.getResponseHeaders().getFirst(RequestIds.HEADER))).toString());
        return true;
    }

    /** Takes no new requests, and waits for those that are running. */
    void close(Duration most) {
        next.shutdown();
        try {
            next.awaitShutdown(most.toMillis());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
