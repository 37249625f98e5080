package com.example.cellar.support;

import java.time.Duration;
import java.util.Arrays;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What the environment says. Each setting has a default but the database's URL.
 *
 * @param database of the database
 * @param http of the HTTP server
 * @param metricsPort {@code METRICS_PORT}: the port where the metrics are, if it is not that of the service
 */
public record Settings(Database database, Http http, OptionalInt metricsPort) {
    /** Names that this machine alone calls itself by: those of RFC 6761 and RFC 1122, the same everywhere. */
    @SuppressWarnings("PMD.AvoidUsingHardCodedIP")
    private static final Set<String> LOOPBACK = Set.of("localhost", "127.0.0.1", "[::1]");
    private static final int GREATEST = 1_000_000_000;
    private static final String NAMES = "[a-z0-9._:\\[\\]-]+";

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
     * @param maxScans {@code DB_MAX_SCANS}: how many lists may be read at a time for which the database may have to
     *     read all rows: those that search in texts, or count; half of the connections by default
     */
    public record Database(
            String url,
            String user,
            String password,
            int poolSize,
            Duration poolWait,
            Duration statementTime,
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
     * @param hosts {@code HTTP_HOSTS}: the names, with commas between, that requests may call the service by; any if
     *     empty, which is the default only where the service listens on more than this machine's own addresses
     * @param maxConnections {@code HTTP_MAX_CONNECTIONS}; by default as many as the heap has room for, at most 10,000
     * @param maxRequests {@code HTTP_MAX_REQUESTS}: in work at a time; others are answered with 503
     * @param maxWorking {@code HTTP_MAX_WORKING}: worked on at a time, if there are more for longer than a moment;
     *     others are answered with 503 at once; four for each connection to the database by default
     * @param maxBodyBytesInWork {@code HTTP_MAX_BYTES_COMING}: of all bodies in work together; a 64th of the heap by
     *     default
     * @param maxResponseBytesInWork {@code HTTP_MAX_BYTES_GOING}: of all answers on their way together; an 8th of the
     *     heap by default
     * @param leavingTime {@code HTTP_LEAVE_SECONDS}: how long the service goes on, and says that it is not ready,
     *     before it stops
     * @param compression {@code HTTP_COMPRESSION}: whether long answers are compressed for clients that ask for it
     * @param page {@code HTTP_PAGE}: whether there is a page for people at {@code /}; by default where nobody but this
     *     machine reaches the service
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
            int maxWorking,
            int maxBodyBytesInWork,
            int maxResponseBytesInWork,
            Duration leavingTime,
            boolean compression,
            boolean page) {
    }

    /**
     * Reads the settings.
     *
     * @throws IllegalArgumentException naming the variable that is missing or cannot be read
     */
    public static Settings from(Map<String, String> environment) {
        Reader read = new Reader(environment);
        String url = read.text("DB_URL", "");
        if (url.isEmpty()) {
            throw new IllegalArgumentException(
                    "DB_URL is not set: the JDBC URL of the database, for example jdbc:h2:./data/cellar");
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
                read.path("HTTP_BASE_PATH", "/api"),
                read.number("HTTP_THREADS", 64, 1, 10_000),
                maxBodyBytes,
                read.number("HTTP_MAX_URL_BYTES", 8000, 100, 100_000),
                read.number("HTTP_MAX_HEADER_BYTES", 16_000, 1000, 100_000),
                read.seconds("HTTP_IDLE_SECONDS", 60, 1, 3600),
                read.seconds("HTTP_REQUEST_SECONDS", 30, 1, 3600),
                read.seconds("HTTP_ANSWER_SECONDS", 60, 1, 3600),
                read.seconds("HTTP_STOP_SECONDS", 20, 0, 3600),
                read.list("HTTP_HOSTS", LOOPBACK.contains(host) ? String.join(",", LOOPBACK) : "", NAMES, "host names"),
                read.number("HTTP_MAX_CONNECTIONS", (int) Math.min(10_000, heap() / BYTES_OF_CONNECTION), 1, 1_000_000),
                read.number("HTTP_MAX_REQUESTS", 1000, 1, 1_000_000),
                read.number("HTTP_MAX_WORKING", 4 * poolSize, 1, 1_000_000),
                read.number("HTTP_MAX_BYTES_COMING", Math.max(maxBodyBytes, shareOfHeap(64)), maxBodyBytes, GREATEST),
                read.number("HTTP_MAX_BYTES_GOING", shareOfHeap(8), 1_000_000, GREATEST),
                read.seconds("HTTP_LEAVE_SECONDS", 0, 0, 3600),
                read.truth("HTTP_COMPRESSION", true),
                read.truth("HTTP_PAGE", LOOPBACK.contains(host)));
        OptionalInt metricsPort = read.text("METRICS_PORT", "").isEmpty() ? OptionalInt.empty()
                : OptionalInt.of(read.number("METRICS_PORT", 0, 0, 65_535));
        return new Settings(database, http, metricsPort);
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

        boolean truth(String name, boolean otherwise) {
            String text = text(name, String.valueOf(otherwise));
            if (!text.equals("true") && !text.equals("false")) {
                throw new IllegalArgumentException(name + " is neither true nor false: " + text);
            }
            return text.equals("true");
        }

        Set<String> list(String name, String otherwise, String form, String what) {
            String text = text(name, otherwise).toLowerCase(Locale.ROOT);
            if (!text.matches("(?:" + form + "(?:," + form + ")*)?")) {
                throw new IllegalArgumentException(name + " is not a list of " + what + " with commas between: "
                        + text);
            }
            return text.isEmpty() ? Set.of() : Arrays.stream(text.split(",")).collect(Collectors.toUnmodifiableSet());
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
