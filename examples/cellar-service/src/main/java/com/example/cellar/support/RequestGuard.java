package com.example.cellar.support;

import io.undertow.server.HttpHandler;
import io.undertow.server.HttpServerExchange;
import io.undertow.server.handlers.GracefulShutdownHandler;
import io.undertow.server.handlers.HttpContinueReadHandler;
import io.undertow.util.AttachmentKey;
import io.undertow.util.HeaderMap;
import io.undertow.util.HeaderValues;
import io.undertow.util.Headers;
import io.undertow.util.HttpString;
import io.undertow.util.StatusCodes;
import java.net.URLDecoder;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Semaphore;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** What every request passes on its way in: limits, an identifier, the access log, and an orderly stop. */
final class RequestGuard implements HttpHandler {
    /** The trace that a request belongs to. */
    static final AttachmentKey<String> TRACE = AttachmentKey.create(String.class);

    private static final Logger ACCESS = LoggerFactory.getLogger(RequestGuard.class);

    private static final HttpString REQUEST_ID = new HttpString(RequestIds.HEADER);
    private static final HttpString NO_SNIFFING = new HttpString("X-Content-Type-Options");
    private static final HttpString POLICY = new HttpString("Content-Security-Policy");
    private static final String NOTHING_ELSE = "default-src 'none'; frame-ancestors 'none'";
    private static final int MISDIRECTED = 421;

    private static final String TOKEN = "[!#$%&'*+.^_`|~0-9A-Za-z-]++";
    private static final String PARAMETERS = "(?:[ \\t]*+;[ \\t]*+" + TOKEN + "(?:=(?:" + TOKEN
            + "|\"[^\"\\\\]*+\"))?+)*+[ \\t]*+";
    private static final Pattern MEDIA_TYPE
            = Pattern.compile("[!#$%&'+.^_`|~0-9A-Za-z-]++/[!#$%&'+.^_`|~0-9A-Za-z-]++" + PARAMETERS);
    private static final Pattern MEDIA_RANGES = Pattern.compile(
            "(?:[ \\t]*+(?:" + TOKEN + "/" + TOKEN + PARAMETERS + ")?+(?:,|$))*+");
    private static final Pattern CHARSET = Pattern.compile("(?i);[ \\t]*+charset=\"?+([^\";, \\t]*+)");

    private final GracefulShutdownHandler next;
    private final Workload workload;
    private final Settings.Http settings;
    private final CrossOrigin origins;
    private final Semaphore requests;
    private final AtomicBoolean leaving = new AtomicBoolean();

    RequestGuard(HttpHandler service, Workload workload, Settings.Http settings) {
        this.next = new GracefulShutdownHandler(new HttpContinueReadHandler(service));
        this.workload = workload;
        this.settings = settings;
        this.origins = new CrossOrigin(settings.origins());
        this.requests = new Semaphore(settings.maxRequests());
    }

    @Override
    public void handleRequest(HttpServerExchange exchange) throws Exception {
        String id = RequestIds.of(exchange.getRequestHeaders().getFirst(REQUEST_ID));
        exchange.getResponseHeaders().put(REQUEST_ID, id).put(NO_SNIFFING, "nosniff").put(POLICY, NOTHING_ELSE)
                .put(Headers.REFERRER_POLICY, "no-referrer");
        if (leaving.get()) {
            exchange.setPersistent(false);
        }
        exchange.addDefaultResponseListener(RequestGuard::explain);
        boolean admitted = requests.tryAcquire();
        long begin = System.nanoTime();
        exchange.addExchangeCompleteListener((done, then) -> {
            if (admitted) {
                requests.release();
            }
            if (ACCESS.isInfoEnabled()) {
                log(done, (System.nanoTime() - begin) / 1_000_000, id);
            }
            then.proceed();
        });
        int refusal = admitted && !workload.refuses(exchange.getRequestPath()) ? refusal(exchange)
                : StatusCodes.SERVICE_UNAVAILABLE;
        if (origins.answers(exchange)) {
            return;
        }
        if (refusal == 0) {
            next.handleRequest(exchange);
        } else {
            exchange.setStatusCode(refusal).setReasonPhrase(reason(refusal)).endExchange();
        }
    }

    private static void log(HttpServerExchange done, long millis, String id) {
        RequestIds.begin(id);
        Traces.tell(done.getAttachment(TRACE));
        ACCESS.info("{} {} {} {} bytes {} ms", done.getRequestMethod(), path(done), done.getStatusCode(),
                done.getResponseBytesSent(), millis);
        RequestIds.end();
        Traces.tell(null);
    }

    /** The path as it was sent, without what it was sent to. */
    private static String path(HttpServerExchange exchange) {
        return exchange.isHostIncludedInRequestURI() ? exchange.getRequestPath() : exchange.getRequestURI();
    }

    /** The status for a request that is out of bounds; 0 for others. */
    private int refusal(HttpServerExchange exchange) {
        HeaderMap headers = exchange.getRequestHeaders();
        String url = exchange.getRequestURI();
        String query = exchange.getQueryString();
        if (!isKnown(exchange.getHostName())) {
            return MISDIRECTED;
        } else if (exchange.getRequestContentLength() > settings.maxBodyBytes()) {
            return StatusCodes.REQUEST_ENTITY_TOO_LARGE;
        } else if (!isText(url) || !isText(query) || url.indexOf(';') >= 0 || !isList(headers.get(Headers.ACCEPT))) {
            return StatusCodes.BAD_REQUEST;
        }
        return isReadable(headers) ? 0 : StatusCodes.UNSUPPORTED_MEDIA_TYPE;
    }

    /** Whether the service goes by a name: others may be of pages that make a browser ask it for them. */
    private boolean isKnown(String name) {
        return settings.hosts().isEmpty() || name == null || settings.hosts().contains(name.toLowerCase(Locale.ROOT))
                || settings.hosts().contains("[" + name + "]");
    }

    /** Whether a header lists ranges of media types (RFC 9110, section 12.5.1). */
    private static boolean isList(HeaderValues accept) {
        return accept == null || accept.stream().allMatch(value -> MEDIA_RANGES.matcher(value).matches());
    }

    /** Whether a body is text in UTF-8, as far as its headers say. */
    private static boolean isReadable(HeaderMap headers) {
        String encoding = headers.getFirst(Headers.CONTENT_ENCODING);
        String type = headers.getFirst(Headers.CONTENT_TYPE);
        if (encoding != null && !encoding.equalsIgnoreCase("identity")) {
            return false;
        }
        Matcher charset = type == null ? null : CHARSET.matcher(type);
        return type == null || MEDIA_TYPE.matcher(type).matches()
                && (!charset.find() || charset.group(1).equalsIgnoreCase("utf-8"));
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
        exchange.getResponseSender().send(explanation(exchange));
        return true;
    }

    /** What is wrong, as a problem, with its headers set. */
    static String explanation(HttpServerExchange exchange) {
        int status = exchange.getStatusCode();
        if (status == StatusCodes.SERVICE_UNAVAILABLE) {
            exchange.getResponseHeaders().put(Headers.RETRY_AFTER, ProblemMapper.SECONDS_TO_WAIT);
        }
        exchange.getResponseHeaders().put(Headers.CONTENT_TYPE, Problem.MEDIA_TYPE);
        return problem(status, exchange.getResponseHeaders().getFirst(REQUEST_ID));
    }

    /** A whole answer, for a connection that is then closed. */
    static String refusal(int status) {
        String id = RequestIds.of(null);
        String body = problem(status, id);
        return "HTTP/1.1 " + status + " " + reason(status) + "\r\nConnection: close\r\nContent-Type: "
                + Problem.MEDIA_TYPE
                + "\r\nContent-Length: " + body.length() + "\r\n" + RequestIds.HEADER + ": " + id + "\r\n\r\n" + body;
    }

    private static String problem(int status, String id) {
        Measures.refusal(reason(status));
        String detail = switch (status) {
            case StatusCodes.BAD_REQUEST -> "This is not a request of HTTP/1.1: the URL is text in UTF-8, "
                    + "percent-encoded, a semicolon too; headers have a name, a colon and their own form; "
                    + "bodies are as long as they say.";
            case StatusCodes.NOT_FOUND -> "There is nothing at this path.";
            case StatusCodes.REQUEST_TIME_OUT -> "The request took too long to come.";
            case StatusCodes.REQUEST_ENTITY_TOO_LARGE -> "The body is too large.";
            case StatusCodes.REQUEST_URI_TOO_LARGE -> "The URL is too long.";
            case StatusCodes.UNSUPPORTED_MEDIA_TYPE -> "A body is JSON in UTF-8, without a content encoding.";
            case MISDIRECTED -> "The service does not go by this name. HTTP_HOSTS says which it goes by.";
            case StatusCodes.REQUEST_HEADER_FIELDS_TOO_LARGE -> "The headers are too large, or too many.";
            case StatusCodes.SERVICE_UNAVAILABLE -> "The service has too much to do, or is about to stop. "
                    + "Try again later.";
            default -> "The request cannot be carried out.";
        };
        return Json.tree(Problem.of(status, reason(status), detail, List.of()).to(id)).toString();
    }

    private static String reason(int status) {
        return status == MISDIRECTED ? "Misdirected Request" : StatusCodes.getReason(status);
    }

    /** Answers as before, but lets every connection end, so that whoever has others does not come back. */
    void leave() {
        leaving.set(true);
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
