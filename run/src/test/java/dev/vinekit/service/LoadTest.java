package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.run.RunningService;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;

/** A service that has too much to do, whose clients do not wait, or that is about to leave. */
class LoadTest {
    /** Clients of a service with a bound, and a row that they all have to wait for. */
    private static final class Crowd implements AutoCloseable {
        private final ExecutorService clients = Executors.newCachedThreadPool();
        private final RunningService service;
        private final Http http;
        private final Connection locking;
        private final Statement lock;

        Crowd(int maxWorking, int label) throws SQLException {
            ServedCellar cellar = ServedCellar.on("postgresql");
            service = cellar.replica(Map.of("HTTP_MAX_WORKING", String.valueOf(maxWorking)));
            http = new Http(service.url());
            locking = cellar.connect();
            lock = locking.createStatement();
            locking.setAutoCommit(false);
            lock.execute("UPDATE label SET back_text = 'locked' WHERE id = " + label);
        }

        @Override
        public void close() throws SQLException {
            clients.shutdownNow();
            locking.close();
            service.close();
        }
    }

    @Test
    void moreThanCanBeAnsweredIsRefusedAtOnce() throws Exception {
        try (Crowd crowd = new Crowd(3, 5)) {
            Http http = crowd.http;
            List<CompletableFuture<Http.Answer>> taken = new ArrayList<>();
            for (int i = 1; i <= 4; i++) {
                taken.add(CompletableFuture.supplyAsync(() ->
                        http.send("PATCH", "/labels/5", "{\"backText\":\"taken\"}"), crowd.clients));
                await(crowd.lock, "SELECT COUNT(*) FROM pg_locks WHERE NOT granted", i);
            }
            TimeUnit.MILLISECONDS.sleep(700);
            long begin = System.nanoTime();
            Http.Answer refused = http.get("/labels/1");
            assertThat(TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - begin)).isLessThan(1000);
            assertThat(refused.status()).isEqualTo(503);
            assertThat(refused.header("Retry-After")).isEqualTo("2");
            assertThat(refused.body().path("detail").asText()).startsWith("The service has too much to do");
            assertThat(http.get("/health").status()).isEqualTo(200);

            crowd.locking.rollback();
            for (CompletableFuture<Http.Answer> answer : taken) {
                assertThat(answer.get(30, TimeUnit.SECONDS).status()).isEqualTo(200);
            }
            assertThat(http.get("/labels/1").status()).isEqualTo(200);
        }
    }

    @Test
    void whatComesAllAtOnceHasABoundToo() throws Exception {
        try (Crowd crowd = new Crowd(2, 8)) {
            Http http = crowd.http;
            List<CompletableFuture<Integer>> answers = new ArrayList<>();
            for (int i = 0; i < 25; i++) {
                answers.add(CompletableFuture.supplyAsync(() ->
                        http.send("PATCH", "/labels/8", "{\"backText\":\"taken\"}").status(), crowd.clients));
            }
            long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(4);
            while (answers.stream().filter(CompletableFuture::isDone).count() < 15 && System.nanoTime() < end) {
                TimeUnit.MILLISECONDS.sleep(20);
            }
            TimeUnit.MILLISECONDS.sleep(200);
            List<Integer> refused
                    = answers.stream().filter(CompletableFuture::isDone).map(CompletableFuture::join).toList();
            assertThat(refused).hasSizeBetween(15, 23).containsOnly(503);

            crowd.locking.rollback();
            assertThat(answers.stream().map(CompletableFuture::join).filter(status -> status == 200))
                    .hasSize(25 - refused.size());
        }
    }

    /** What a client sends ahead is answered in its turn. */
    @Test
    void requestsThatAreSentAheadAreAnswered() throws Exception {
        ServedCellar cellar = ServedCellar.on("postgresql");
        try (RunningService service = cellar.replica(Map.of());
                Connection locking = cellar.connect(); Statement lock = locking.createStatement()) {
            locking.setAutoCommit(false);
            lock.execute("UPDATE label SET back_text = 'locked' WHERE id = 7");
            try (Socket client = sent(service, "PATCH", "/labels/7", "{\"backText\":\"first\"}")) {
                client.getOutputStream().write(request(service, "GET", "/labels/7", ""));
                TimeUnit.MILLISECONDS.sleep(1500);
                locking.rollback();
                client.setSoTimeout(10_000);
                String answers = read(client, "HTTP/1.1 200 OK", 2);
                assertThat(answers.split("\"backText\":\"first\"", -1)).hasSize(3);
            }
        }
    }

    private static String read(Socket client, String what, int times) throws Exception {
        StringBuilder all = new StringBuilder();
        byte[] some = new byte[4096];
        while (all.toString().split(what, -1).length <= times || !all.toString().endsWith("}")) {
            int count = client.getInputStream().read(some);
            assertThat(count).as("%s", all).isPositive();
            all.append(new String(some, 0, count, StandardCharsets.UTF_8));
        }
        return all.toString();
    }

    private static Socket sent(RunningService service, String method, String path, String body) throws Exception {
        URI url = URI.create(service.url());
        Socket socket = new Socket(url.getHost(), url.getPort());
        socket.getOutputStream().write(request(service, method, path, body));
        return socket;
    }

    private static byte[] request(RunningService service, String method, String path, String body) {
        return (method + " " + URI.create(service.url()).getPath() + path + " HTTP/1.1\r\nHost: localhost\r\n"
                + (body.isEmpty() ? "" : "Content-Type: application/merge-patch+json\r\n")
                + "Content-Length: " + body.length() + "\r\n\r\n" + body).getBytes(StandardCharsets.UTF_8);
    }

    private static void await(Statement statement, String query, long count) throws SQLException, InterruptedException {
        for (int i = 0; i < 100; i++) {
            try (ResultSet row = statement.executeQuery(query)) {
                row.next();
                if (row.getLong(1) == count) {
                    return;
                }
            }
            TimeUnit.MILLISECONDS.sleep(100);
        }
        throw new AssertionError(query + " is not " + count + " within ten seconds");
    }

    @Test
    void serviceThatIsToldToStopSaysSoBeforeItDoes() throws Exception {
        RunningService service = ServedCellar.on("h2").replica(Map.of("HTTP_LEAVE_SECONDS", "3"));
        Http http = new Http(service.url());
        assertThat(http.get("/vessels/1").header("Connection")).isEmpty();
        CompletableFuture<Void> stopped = CompletableFuture.runAsync(service::close);
        while (http.get("/health").status() == 200) {
            assertThat(stopped).isNotDone();
        }

        assertThat(http.get("/health").body().path("status").asText()).isEqualTo("leaving");
        assertThat(http.get("/health/live").status()).isEqualTo(200);
        Http.Answer last = http.get("/vessels/1");
        assertThat(last.status()).isEqualTo(200);
        assertThat(last.header("Connection")).isEqualTo("close");
        stopped.get(30, TimeUnit.SECONDS);
    }
}
