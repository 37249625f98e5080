import java.time.Duration;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** What the environment says. Each setting has a default but the database's URL<#if s.secured> and what tokens are verified by</#if>. */
public record Settings(Database database, Http http<#if s.secured>, Access access</#if>) {
    /** Names that this machine alone calls itself by: those of RFC 6761 and RFC 1122, the same everywhere. */
    @SuppressWarnings("PMD.AvoidUsingHardCodedIP")
    private static final Set<String> LOOPBACK = Set.of("localhost", "127.0.0.1", "[::1]");
    private static final int GREATEST = 1_000_000_000;

    /** What a connection is reckoned at, with the headers that it may be sending. */
    private static final int BYTES_OF_CONNECTION = 1 << 17;

    /**
     * The database.
     *
     * @param url {@code DB_URL}
     * @param user {@code DB_USER}; empty by default
     * @param password {@code DB_PASSWORD}; empty by default
     * @param poolSize {@code DB_POOL_SIZE}: connections kept at most
     * @param poolWait {@code DB_POOL_WAIT_SECONDS}: how long a request waits for a connection
     * @param statementTime {@code DB_STATEMENT_SECONDS}: how long a statement may take
     * @param maxScans {@code DB_MAX_SCANS}: how many lists may be read at a time for which the database may have to read all
     *     rows: those that search in texts, or count; half of the connections by default
     */
    public record Database(
            String url, String user, String password, int poolSize, Duration poolWait, Duration statementTime,
            int maxScans) {
        /** The settings, without the password. */
        @Override
        public String toString() {
            return "Database[" + user + "]";
        }
    }

    /**
     * The HTTP server.
     *
     * @param host {@code HTTP_HOST}: the address to listen on; 0.0.0.0 for all
     * @param port {@code HTTP_PORT}; 0 picks a free one
     * @param basePath {@code HTTP_BASE_PATH}: what every path begins with
     * @param threads {@code HTTP_THREADS}: requests worked on at a time where Java has no virtual threads
     * @param maxBodyBytes {@code HTTP_MAX_BODY_BYTES}
     * @param maxUrlBytes {@code HTTP_MAX_URL_BYTES}
     * @param maxHeaderBytes {@code HTTP_MAX_HEADER_BYTES}: of all headers together
     * @param idleTime {@code HTTP_IDLE_SECONDS}: after which a client that sends or reads nothing is cut off
     * @param requestTime {@code HTTP_REQUEST_SECONDS}: within which a request must have come
     * @param responseTime {@code HTTP_ANSWER_SECONDS}: within which a client must have read its answer
     * @param stopTime {@code HTTP_STOP_SECONDS}: how long running requests may go on when the service is stopped
     * @param hosts {@code HTTP_HOSTS}: the names, with commas between, that requests may call the service by; any if empty,
     *     which is the default only where the service listens on more than this machine's own addresses
     * @param maxConnections {@code HTTP_MAX_CONNECTIONS}; by default as many as the heap has room for, at most 10,000
     * @param maxRequests {@code HTTP_MAX_REQUESTS}: in work at a time; others are answered with 503
     * @param maxBodyBytesInWork {@code HTTP_MAX_BYTES_COMING}: of all bodies in work together; a 64th of the heap by default
     * @param maxResponseBytesInWork {@code HTTP_MAX_BYTES_GOING}: of all answers on their way together; an 8th of the heap by
     *     default
<#if s.withPage>
     * @param page {@code HTTP_PAGE}: whether there is a page for people at {@code /}; by default where nobody but this
     *     machine reaches the service
</#if>
     */
    public record Http(
            String host,
            int port,
            String basePath,
            int threads,
            int maxBodyBytes,
            int maxUrlBytes,
            int maxHeaderBytes,
            Duration idleTime,
            Duration requestTime,
            Duration responseTime,
            Duration stopTime,
            Set<String> hosts,
            int maxConnections,
            int maxRequests,
            int maxBodyBytesInWork,
            int maxResponseBytesInWork<#if s.withPage>,
            boolean page</#if>) {
    }
<#if s.secured>

    /**
     * How tokens are verified.
     *
     * @param secret {@code AUTH_SECRET}: verifies tokens signed with HS256; at least 32 bytes, empty if there is none
     * @param keys {@code AUTH_KEYS}: the file or URL of a JSON Web Key Set for tokens signed with RS256 or ES256; empty if there is
     *     none
     * @param audience {@code AUTH_AUDIENCE}: which tokens must be meant for; any if empty
     * @param issuer {@code AUTH_ISSUER}: which tokens must come from; any if empty
     * @param rolesClaim {@code AUTH_ROLES_CLAIM}: where a token has its roles; with dots where it lies deeper
     * @param clockSkew {@code AUTH_CLOCK_SKEW_SECONDS}: by which the clocks of services may differ
     * @param everywhere {@code AUTH_EVERYWHERE}: whether the entry point and the description of the service need a token too
     */
    public record Access(
            String secret, String keys, String audience, String issuer, String rolesClaim, Duration clockSkew,
            boolean everywhere) {
        /** The settings, without the secret. */
        @Override
        public String toString() {
            return "Access[" + keys + " for " + audience + "]";
        }
    }
</#if>

    /**
     * Reads the settings.
     *
     * @throws IllegalArgumentException naming the variable that is missing or cannot be read
     */
    public static Settings from(Map<String, String> environment) {
        Reader read = new Reader(environment);
        String url = read.text("DB_URL", "");
        if (url.isEmpty()) {
            throw new IllegalArgumentException("DB_URL is not set: the JDBC URL of the database, for example ${s.exampleUrl}");
        }
        int poolSize = read.number("DB_POOL_SIZE", 10, 1, 1000);
        Database database = new Database(
                url,
                read.text("DB_USER", ""),
                read.text("DB_PASSWORD", ""),
                poolSize,
                read.seconds("DB_POOL_WAIT_SECONDS", 5, 1, 600),
                read.seconds("DB_STATEMENT_SECONDS", 30, 1, 86_400),
                read.number("DB_MAX_SCANS", Math.max(1, poolSize / 2), 1, 1000));
        String host = read.text("HTTP_HOST", "localhost");
        int maxBodyBytes = read.number("HTTP_MAX_BODY_BYTES", 1_000_000, 1000, 100_000_000);
        Http http = new Http(
                host,
                read.number("HTTP_PORT", 8080, 0, 65_535),
                read.path("HTTP_BASE_PATH", ${s.basePath}),
                read.number("HTTP_THREADS", 64, 1, 10_000),
                maxBodyBytes,
                read.number("HTTP_MAX_URL_BYTES", 8000, 100, 100_000),
                read.number("HTTP_MAX_HEADER_BYTES", 16_000, 1000, 100_000),
                read.seconds("HTTP_IDLE_SECONDS", 60, 1, 3600),
                read.seconds("HTTP_REQUEST_SECONDS", 30, 1, 3600),
                read.seconds("HTTP_ANSWER_SECONDS", 60, 1, 3600),
                read.seconds("HTTP_STOP_SECONDS", 20, 0, 3600),
                read.names("HTTP_HOSTS", LOOPBACK.contains(host) ? String.join(",", LOOPBACK) : ""),
                read.number("HTTP_MAX_CONNECTIONS", (int) Math.min(10_000, heap() / BYTES_OF_CONNECTION), 1, 1_000_000),
                read.number("HTTP_MAX_REQUESTS", 1000, 1, 1_000_000),
                read.number("HTTP_MAX_BYTES_COMING", Math.max(maxBodyBytes, shareOfHeap(64)), maxBodyBytes, GREATEST),
                read.number("HTTP_MAX_BYTES_GOING", shareOfHeap(8), 1_000_000, GREATEST)<#if s.withPage>,
                read.truth("HTTP_PAGE", LOOPBACK.contains(host))</#if>);
<#if s.secured>
        Access access = new Access(
                read.text("AUTH_SECRET", ""),
                read.text("AUTH_KEYS", ""),
                read.text("AUTH_AUDIENCE", ""),
                read.text("AUTH_ISSUER", ""),
                read.text("AUTH_ROLES_CLAIM", "roles"),
                read.seconds("AUTH_CLOCK_SKEW_SECONDS", 30, 0, 600),
                read.truth("AUTH_EVERYWHERE", false));
        return new Settings(database, http, access);
<#else>
        return new Settings(database, http);
</#if>
    }

    /** One in so many bytes of the greatest heap. */
    private static int shareOfHeap(int parts) {
        return (int) Math.max(1_000_000, Math.min(GREATEST, heap() / parts));
    }

    private static long heap() {
        return Runtime.getRuntime().maxMemory();
    }

    private record Reader(Map<String, String> environment) {
        String text(String name, String otherwise) {
            return environment.getOrDefault(name, otherwise);
        }

        int number(String name, int otherwise, int least, int most) {
            String text = text(name, String.valueOf(otherwise));
            long number = text.matches("[0-9]{1,10}") ? Long.parseLong(text) : -1;
            if (number < least || number > most) {
                throw new IllegalArgumentException(
                        name + " is not a number from " + least + " to " + most + ": " + text);
            }
            return (int) number;
        }

        Duration seconds(String name, int otherwise, int least, int most) {
            return Duration.ofSeconds(number(name, otherwise, least, most));
        }

<#if s.withPage || s.secured>
        boolean truth(String name, boolean otherwise) {
            String text = text(name, String.valueOf(otherwise));
            if (!text.equals("true") && !text.equals("false")) {
                throw new IllegalArgumentException(name + " is neither true nor false: " + text);
            }
            return text.equals("true");
        }

</#if>
        Set<String> names(String name, String otherwise) {
            String text = text(name, otherwise);
            if (!text.matches("(?:[A-Za-z0-9._:\\[\\]-]+(?:,[A-Za-z0-9._:\\[\\]-]+)*)?")) {
                throw new IllegalArgumentException(name + " is not a list of host names with commas between: " + text);
            }
            return text.isEmpty() ? Set.of() : Set.of(text.toLowerCase(Locale.ROOT).split(","));
        }

        String path(String name, String otherwise) {
            String path = text(name, otherwise);
            if (!path.matches("(/[A-Za-z0-9._~-]+)+")) {
                throw new IllegalArgumentException(name + " is not a path such as /api: " + path);
            }
            return path;
        }
    }
}
