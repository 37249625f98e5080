<#if s.metrics>
import io.micrometer.core.instrument.Metrics;
import io.micrometer.core.instrument.Timer;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * Measures what the service does, in Micrometer's global registry: whoever wants to see it adds one of theirs to that. Where
 * OpenTelemetry's semantic conventions have a name for something, it is theirs. No label tells which row a request is about.
 */
final class Measures {
    /** Those that the conventions advise for requests. */
    private static final Duration[] LIMITS = Stream.of(5, 10, 25, 50, 75, 100, 250, 500, 750, 1000, 2500, 5000, 7500, 10_000)
            .map(Duration::ofMillis).toArray(Duration[]::new);

    /** A client may send any word for a method. */
    private static final Set<String> METHODS = Set.of("GET", "HEAD", "POST", "PUT", "PATCH", "DELETE", "OPTIONS");

    private static final Map<Answered, Timer> REQUESTS = new ConcurrentHashMap<>();
    private static final Map<String, Timer> STATEMENTS = new ConcurrentHashMap<>();

    private Measures() {
    }

    /** What requests are told apart by. */
    private record Answered(String method, String route, int status) {
    }

    /**
     * A request whose answer has been made.
     *
     * @param route the path, with names for the keys in it; null if there is nothing at the path
     * @param begin as {@link System#nanoTime}
     */
    static void request(String method, String route, int status, long begin) {
        long time = System.nanoTime() - begin;
        Answered answered = new Answered(METHODS.contains(method) ? method : "_OTHER", route == null ? "none" : route, status);
        REQUESTS.computeIfAbsent(answered, Measures::timer).record(time, TimeUnit.NANOSECONDS);
    }

    private static Timer timer(Answered answered) {
        return Timer.builder("http.server.request.duration").description("Requests until their answers were made")
                .tags("http.request.method", answered.method, "http.route", answered.route,
                        "http.response.status_code", String.valueOf(answered.status))
                .serviceLevelObjectives(LIMITS).register(Metrics.globalRegistry);
    }

    /** A request that was refused, by the rule that it broke, or by what is wrong with it. */
    static void refusal(String rule) {
        Metrics.counter("service.refusals", "rule", rule).increment();
    }

    /** A request that was refused, by all rules that it broke. */
    static void refusal(Problem problem) {
        List<Violation> violations = problem.violations();
        if (violations.isEmpty()) {
            refusal(problem.title());
        }
        violations.forEach(violation -> refusal(violation.rule()));
    }

    /**
     * A statement that has run, by the method that it is of.
     *
     * @param begin as {@link System#nanoTime}
     */
    static void statement(String sql, long begin) {
        long time = System.nanoTime() - begin;
        STATEMENTS.computeIfAbsent(Origin.method(sql), Measures::timer).record(time, TimeUnit.NANOSECONDS);
    }

    private static Timer timer(String method) {
        return Timer.builder("db.client.operation.duration").description("Statements, with the reading of their rows")
                .tag("code.function.name", method).register(Metrics.globalRegistry);
    }
}
</#if>
