package com.example.cellar.support;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.AppenderBase;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import org.slf4j.LoggerFactory;

/** What a test has asked the service, and the SQL that ran for it: told when the test fails. */
final class Exchanges extends AppenderBase<ILoggingEvent> {
    private static final int LONGEST = 2000;
    private static final String RUN = UUID.randomUUID().toString().substring(0, 8);
    private static final AtomicLong NUMBER = new AtomicLong();
    private static final Map<String, List<String>> STATEMENTS = new ConcurrentHashMap<>();
    private static final ThreadLocal<List<String>> TOLD = ThreadLocal.withInitial(ArrayList::new);

    private Exchanges() {
    }

    /** Listens to the log of statements, from now on. */
    static void listen() {
        ch.qos.logback.classic.Logger sql = (ch.qos.logback.classic.Logger) LoggerFactory.getLogger(Sql.class);
        Exchanges listener = new Exchanges();
        listener.setContext(sql.getLoggerContext());
        listener.start();
        sql.addAppender(listener);
        sql.setAdditive(false);
        sql.setLevel(Level.TRACE);
    }

    /** A name for the next request, by which its statements are known. */
    static String next() {
        String id = "test-" + RUN + "-" + NUMBER.incrementAndGet();
        STATEMENTS.put(id, Collections.synchronizedList(new ArrayList<>()));
        return id;
    }

    @Override
    protected void append(ILoggingEvent event) {
        List<String> statements = STATEMENTS.get(event.getMDCPropertyMap().getOrDefault("request", ""));
        if (statements != null) {
            statements.add(event.getFormattedMessage());
        }
    }

    /** Notes a request that has been answered. */
    static void note(String id, String method, String path, String contentType, String body, ApiResponse response) {
        StringBuilder text = new StringBuilder(method + " " + path + (body == null ? "" : "  " + body) + "\n");
        STATEMENTS.remove(id)
                .forEach(statement -> text.append("  SQL ").append(statement.replaceAll("\\s+", " ")).append('\n'));
        text.append("  ").append(response.status()).append(' ').append(response.text()).append('\n');
        text.append("  curl -i -X ").append(method).append(' ').append(quoted("http://localhost:8080" + "/api" + path));
        if (body != null) {
            text.append(" -H ").append(quoted("Content-Type: " + contentType)).append(" -d ").append(quoted(body));
        }
        TOLD.get().add(text.length() > LONGEST ? text.substring(0, LONGEST) + " ..." : text.toString());
    }

    private static String quoted(String text) {
        return "'" + text.replace("'", "'\\''") + "'";
    }

    /** Forgets what other tests have asked. */
    static void begin() {
        TOLD.get().clear();
    }

    /** What this test has asked so far, as text. */
    static String all() {
        return String.join("\n", TOLD.get());
    }

    /** The failure of a test, with the last request that it sent. */
    static Throwable told(Throwable failure) {
        List<String> told = TOLD.get();
        if (told.isEmpty()) {
            return failure;
        }
        String reason = failure instanceof AssertionError ? failure.getMessage() : failure.toString();
        AssertionError whole = new AssertionError(
                String.valueOf(reason).strip() + "\n\nThe last request:\n" + told.get(told.size() - 1), failure);
        whole.setStackTrace(failure.getStackTrace());
        return whole;
    }
}
