package com.example.cellar.support;

import java.net.URLDecoder;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.eclipse.jetty.http.HttpField;
import org.eclipse.jetty.http.HttpFields;
import org.eclipse.jetty.http.HttpHeader;
import org.eclipse.jetty.http.HttpStatus;
import org.eclipse.jetty.http.HttpURI;
import org.eclipse.jetty.server.Handler;
import org.eclipse.jetty.server.Request;
import org.eclipse.jetty.server.Response;
import org.eclipse.jetty.util.Callback;

/**
 * What every request passes first: its identifier, the headers of every response, and limits that the server does not
 * have.
 */
final class RequestGuard extends Handler.Wrapper {
    private static final int MOST_HEADERS = 200;
    private static final String TOKEN = "[!#$%&'*+.^_`|~0-9A-Za-z-]++";
    private static final String PARAMETERS = "(?:[ \\t]*+;[ \\t]*+" + TOKEN + "(?:=(?:" + TOKEN
            + "|\"[^\"\\\\]*+\"))?+)*+[ \\t]*+";
    private static final Pattern MEDIA_TYPE
            = Pattern.compile("[!#$%&'+.^_`|~0-9A-Za-z-]++/[!#$%&'+.^_`|~0-9A-Za-z-]++" + PARAMETERS);
    private static final Pattern MEDIA_RANGES = Pattern.compile(
            "(?:[ \\t]*+(?:" + TOKEN + "/" + TOKEN + PARAMETERS + ")?+(?:,|$))*+");
    private static final Pattern CHARSET = Pattern.compile("(?i);[ \\t]*+charset=\"?+([^\";, \\t]*+)");

    private final Settings.Http settings;
    private final AtomicInteger requests = new AtomicInteger();
    private final AtomicBoolean leaving = new AtomicBoolean();

    RequestGuard(Settings.Http settings) {
        this.settings = settings;
    }

    @Override
    public boolean handle(Request request, Response response, Callback callback) throws Exception {
        prepare(request, response);
        if (leaving.get()) {
            response.getHeaders().put(HttpHeader.CONNECTION, "close");
        }
        Request.addCompletionListener(request, failure -> requests.decrementAndGet());
        int refusal = requests.incrementAndGet() > settings.maxRequests() ? HttpStatus.SERVICE_UNAVAILABLE_503
                : refusal(request);
        if (refusal == 0) {
            return super.handle(request, response, callback);
        }
        Response.writeError(request, response, callback, refusal);
        return true;
    }

    /** Gives a response the headers that every one has. */
    static void prepare(Request request, Response response) {
        response.getHeaders().put(RequestIds.HEADER, RequestIds.of(request.getHeaders().get(RequestIds.HEADER)))
                .put("X-Content-Type-Options", "nosniff")
                .put("Content-Security-Policy", "default-src 'none'; frame-ancestors 'none'")
                .put("Referrer-Policy", "no-referrer")
                .put("Cross-Origin-Resource-Policy", "same-origin");
    }

    /** The status for a request that is out of bounds; 0 for others. */
    private int refusal(Request request) {
        HttpFields headers = request.getHeaders();
        HttpURI url = request.getHttpURI();
        String path = url.getPath() == null ? "" : url.getPath();
        if (!isKnown(Request.getServerName(request))) {
            return HttpStatus.MISDIRECTED_REQUEST_421;
        } else if (url.getPathQuery() != null && url.getPathQuery().length() > settings.maxUrlBytes()) {
            return HttpStatus.URI_TOO_LONG_414;
        } else if (headers.size() > MOST_HEADERS || headers.stream().mapToInt(RequestGuard::length)
                .sum() > settings.maxHeaderBytes()) {
            return HttpStatus.REQUEST_HEADER_FIELDS_TOO_LARGE_431;
        } else if (request.getLength() > settings.maxBodyBytes()) {
            return HttpStatus.PAYLOAD_TOO_LARGE_413;
        } else if (!isText(path) || url.getQuery() != null && !isText(url.getQuery()) || path.indexOf(';') >= 0
                || !headers.getValuesList(HttpHeader.ACCEPT).stream()
                        .allMatch(value -> MEDIA_RANGES.matcher(value).matches())) {
            return HttpStatus.BAD_REQUEST_400;
        }
        return isReadable(headers) ? 0 : HttpStatus.UNSUPPORTED_MEDIA_TYPE_415;
    }

    private static int length(HttpField header) {
        return header.getName().length() + (header.getValue() == null ? 0 : header.getValue().length());
    }

    /** Whether the service goes by a name: others may be of pages that make a browser ask it for them. */
    private boolean isKnown(String name) {
        return settings.hosts().isEmpty() || name == null || settings.hosts().contains(name.toLowerCase(Locale.ROOT))
                || settings.hosts().contains("[" + name + "]");
    }

    /** Whether a body is text in UTF-8, as far as its headers say. */
    private static boolean isReadable(HttpFields headers) {
        List<String> encodings = headers.getValuesList(HttpHeader.CONTENT_ENCODING);
        String type = headers.get(HttpHeader.CONTENT_TYPE);
        Matcher charset = type == null ? null : CHARSET.matcher(type);
        return encodings.stream().allMatch("identity"::equalsIgnoreCase)
                && (type == null || MEDIA_TYPE.matcher(type).matches()
                && (!charset.find() || charset.group(1).equalsIgnoreCase("utf-8")));
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

    /** Lets every connection end with its next response. */
    void leave() {
        leaving.set(true);
    }
}
