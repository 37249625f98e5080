import java.util.UUID;
import java.util.concurrent.atomic.AtomicLong;
import java.util.regex.Pattern;
import org.slf4j.MDC;

/** Gives each request an identifier, unless it brings one: it is in the log, in the answer and in problems. */
final class RequestIds {
    static final String HEADER = "X-Request-Id";

    private static final String KEY = "request";
<#if s.metrics>
    private static final String ROUTE = "route";
</#if>
    private static final Pattern GIVEN = Pattern.compile("[A-Za-z0-9._~-]{1,64}");
    private static final String PROCESS = UUID.randomUUID().toString().substring(0, 8) + "-";
    private static final AtomicLong NUMBER = new AtomicLong();

    private RequestIds() {
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

    /** Puts an identifier into what this thread logs until {@link #end}. */
    static void begin(String id) {
        MDC.put(KEY, id);
    }

    static void end() {
        MDC.remove(KEY);
<#if s.metrics>
        MDC.remove(ROUTE);
</#if>
    }
<#if s.metrics>

    /** Puts the route of the request into what this thread logs until {@link #end}. */
    static void route(String route) {
        MDC.put(ROUTE, route);
    }

    /** The route of the request; null if none is known. */
    static String route() {
        return MDC.get(ROUTE);
    }
</#if>
}
