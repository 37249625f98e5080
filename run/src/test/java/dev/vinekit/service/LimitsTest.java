package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import dev.vinekit.QuickCompiler;
import dev.vinekit.TestDatabases;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What a client can make a service do has an end: in time, in memory, in connections. */
class LimitsTest {
    private static final String NOTES = """
            CREATE TABLE cask (id INT PRIMARY KEY, label %2$s NOT NULL);
            CREATE TABLE note (id INT PRIMARY KEY, cask_id INT NOT NULL REFERENCES cask (id), body %2$s,
                mail %1$s CHECK (mail LIKE '%%@%%@%%.%%'));
            """;
    private static final int LARGE = 600_000;
    private static final int FIRST = 1000;
    private static final int ROWS = 9;

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void aPageEndsWhereItsRowsGetTooLargeAndTheNextGoesOn(String engine) throws Exception {
        TestDatabases.require(engine);
        try (ServedCellar served = ServedCellar.alone(project(engine), Map.of())) {
            Http http = served.http();
            try (Connection connection = served.connect(); Statement statement = connection.createStatement()) {
                String large = "'" + "x".repeat(LARGE) + "'";
                for (int i = FIRST; i < FIRST + ROWS; i++) {
                    statement.executeUpdate("INSERT INTO cask (id, label) VALUES (" + i + ", " + large + ")");
                    statement.executeUpdate("INSERT INTO note (id, cask_id, body) VALUES (" + i + ", " + i
                            + ", 'short')");
                }
            }
            List<Integer> seen = new ArrayList<>();
            int pages = 0;
            for (String next = "/casks?limit=500"; next != null; pages++) {
                Http.Answer page = http.get(next);
                assertThat(page.status()).as(page.text()).isEqualTo(200);
                assertThat(page.text().length()).isLessThan(6 * LARGE);
                for (JsonNode row : page.body()) {
                    seen.add(row.path("id").asInt());
                }
                next = page.next("/casks");
            }

            assertThat(seen).filteredOn(id -> id >= FIRST).hasSize(ROWS).isSorted().doesNotHaveDuplicates();
            assertThat(pages).isGreaterThan(1);
            assertThat(http.get("/notes?include=cask&id[atLeast]=1000&limit=2").status()).isEqualTo(200);
            Http.Answer tooMuch = http.get("/notes?include=cask&id[atLeast]=1000");
            assertThat(tooMuch.status()).isEqualTo(400);
            assertThat(tooMuch.text()).contains("too large together");
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql"})
    @Timeout(value = 60, unit = TimeUnit.SECONDS)
    void patternsTakeNoLongerThanTheirTextsAreLong(String engine) throws Exception {
        TestDatabases.require(engine);
        String checks = engine.equals("h2") ? ""
                : " CREATE TABLE place (id INT PRIMARY KEY, path TEXT CHECK (path ~ '^(/[a-z0-9]+)*$'), "
                + "name TEXT CHECK (name ~ '^([a-z]+)*x$'));";
        try (ServedCellar served = ServedCellar.alone(ServedCellar.project(engine, script(engine) + checks, "{}\n"),
                Map.of())) {
            Http http = served.http();

            assertThat(http.post("/notes", "{\"id\":2000,\"caskId\":1,\"mail\":\"" + "@".repeat(400_000) + "\"}")
                    .status()).isEqualTo(400);
            if (!checks.isEmpty()) {
                String path = "/abc9".repeat(100_000);
                Http.Answer taken = http.post("/places", "{\"id\":2000,\"path\":\"" + path + "\"}");
                assertThat(taken.status()).as(taken.text()).isEqualTo(201);
                assertThat(taken.body().path("path").asText()).isEqualTo(path);
                assertThat(http.post("/places", "{\"id\":2001,\"name\":\"" + "a".repeat(400_000) + "\"}").status())
                        .isEqualTo(400);
            }
        }
    }

    @Test
    void whatComesAndGoesTooSlowlyIsCutOff() throws Exception {
        try (ServedCellar served = ServedCellar.alone(project("h2"),
                Map.of("HTTP_REQUEST_SECONDS", "1", "HTTP_ANSWER_SECONDS", "1"))) {
            try (Socket socket = connect(served)) {
                OutputStream out = socket.getOutputStream();
                out.write(head("POST /api/casks", "Content-Type: application/json\r\nContent-Length: 1000\r\n"));
                int sent = sendUntilAnswered(socket, out);
                assertThat(sent).isLessThan(1000);
                assertThat(new String(socket.getInputStream().readAllBytes(), StandardCharsets.ISO_8859_1))
                        .startsWith("HTTP/1.1 408 ");
            }
            try (Connection connection = served.connect(); Statement statement = connection.createStatement()) {
                statement.executeUpdate("INSERT INTO cask (id, label) VALUES (1, '" + "x".repeat(50 * LARGE) + "')");
            }
            try (Socket socket = connect(served)) {
                socket.getOutputStream().write(head("GET /api/casks/1", ""));
                assertThat(readSlowly(socket.getInputStream())).isLessThan(50L * LARGE);
            }
        }
    }

    @Test
    void bodiesTogetherHaveALimit() throws Exception {
        try (ServedCellar served = ServedCellar.alone(project("h2"), Map.of("HTTP_MAX_BYTES_COMING", "1500000"));
                Socket one = connect(served); Socket other = connect(served)) {
            byte[] part = "x".repeat(900_000).getBytes(StandardCharsets.UTF_8);
            String headers = "Content-Type: application/json\r\nContent-Length: 1000000\r\n";
            one.getOutputStream().write(head("POST /api/casks", headers));
            one.getOutputStream().write(part);
            one.getOutputStream().flush();
            assertThat(served.http().get("/casks").status()).isEqualTo(200);
            other.getOutputStream().write(head("POST /api/casks", headers));
            other.getOutputStream().write(part);
            Socket refused = answered(one, other);

            assertThat(new String(refused.getInputStream().readNBytes(12), StandardCharsets.ISO_8859_1))
                    .isEqualTo("HTTP/1.1 503");
            assertThat(served.http().get("/casks").status()).isEqualTo(200);
        }
    }

    /** Whichever of two the server answers first: which one goes beyond a limit is for it to see. */
    private static Socket answered(Socket one, Socket other) throws IOException {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(60);
        while (one.getInputStream().available() == 0 && other.getInputStream().available() == 0) {
            assertThat(System.nanoTime()).as("neither is answered").isLessThan(end);
            Thread.onSpinWait();
        }
        return one.getInputStream().available() > 0 ? one : other;
    }

    @Test
    void requestsThatAreOverHoldNoPlaceWhateverTheirAnswer() throws Exception {
        try (ServedCellar served = ServedCellar.alone(project("h2"), Map.of("HTTP_MAX_REQUESTS", "3"))) {
            Http root = new Http(served.url().substring(0, served.url().lastIndexOf("/api")));
            for (int i = 0; i < 10; i++) {
                assertThat(root.get("/nowhere").status()).isEqualTo(404);
                assertThat(root.get("/page/no-such-file").status()).isEqualTo(404);
                assertThat(root.with("Accept", "SECRET;;").get("/api/casks").status()).isEqualTo(400);
                assertThat(root.post("/api/casks", "{").status()).isEqualTo(400);
                assertThat(root.get("/api/casks").status()).isEqualTo(200);
            }
        }
    }

    @Test
    void theServiceIsAliveAndReadyThoughAllConnectionsAreBusy() throws Exception {
        try (ServedCellar served = ServedCellar.alone(project("h2"),
                Map.of("DB_POOL_SIZE", "1", "DB_POOL_WAIT_SECONDS", "2"));
                Connection connection = served.connect(); Statement statement = connection.createStatement()) {
            Http http = served.http();
            assertThat(http.post("/casks", "{\"id\":1,\"label\":\"a\"}").status()).isEqualTo(201);
            connection.setAutoCommit(false);
            statement.executeUpdate("UPDATE cask SET label = 'b' WHERE id = 1");
            CompletableFuture<Http.Answer> waiting =
                    CompletableFuture.supplyAsync(() -> http.send("PUT", "/casks/1", "{\"label\":\"c\"}"));
            while (http.get("/casks").status() == 200 && !waiting.isDone()) {
                Thread.onSpinWait();
            }

            assertThat(http.get("/health").status()).isEqualTo(200);
            assertThat(http.get("/health/live").status()).isEqualTo(200);
            connection.rollback();
            waiting.get(30, TimeUnit.SECONDS);
        }
    }

    @Test
    void aTableMayDemandThatAChangeSaysOfWhichState() throws Exception {
        Project project = ServedCellar.project("h2", script("h2"), "entities: {cask: {require-if-match: true}}\n");
        assertThat(Runner.test(project, QuickCompiler.compile(project)).failures()).isEmpty();
        try (ServedCellar served = ServedCellar.alone(project, Map.of())) {
            Http http = served.http();
            Http.Answer created = http.post("/casks", "{\"id\":1,\"label\":\"a\"}");

            assertThat(http.send("PUT", "/casks/1", "{\"label\":\"b\"}").status()).isEqualTo(428);
            assertThat(http.send("PATCH", "/casks/1", "{\"label\":\"b\"}").status()).isEqualTo(428);
            assertThat(http.send("DELETE", "/casks/1", "").status()).isEqualTo(428);
            assertThat(http.with("If-Match", created.header("ETag")).send("PATCH", "/casks/1", "{\"label\":\"b\"}")
                    .status()).isEqualTo(200);
            assertThat(http.with("If-Match", created.header("ETag")).send("DELETE", "/casks/1", "").status())
                    .isEqualTo(412);
        }
    }

    private static Project project(String engine) throws Exception {
        return ServedCellar.project(engine, script(engine), "{}\n");
    }

    private static String script(String engine) {
        return switch (engine) {
            case "h2" -> NOTES.formatted("VARCHAR", "VARCHAR(1000000000)");
            case "mariadb", "mysql" -> NOTES.formatted("LONGTEXT", "LONGTEXT");
            default -> NOTES.formatted("TEXT", "TEXT");
        };
    }

    private static Socket connect(ServedCellar served) throws IOException {
        URI service = URI.create(served.http().url());
        Socket socket = new Socket(InetAddress.getByName(service.getHost()), service.getPort());
        socket.setSoTimeout(20_000);
        return socket;
    }

    private static byte[] head(String request, String headers) {
        return (request + " HTTP/1.1\r\nHost: localhost\r\n" + headers + "\r\n").getBytes(StandardCharsets.ISO_8859_1);
    }

    /** Sends byte after byte, and returns how many the service took. */
    private static int sendUntilAnswered(Socket socket, OutputStream out) throws Exception {
        for (int sent = 0; sent < 1000; sent++) {
            if (socket.getInputStream().available() > 0) {
                return sent;
            }
            out.write(' ');
            out.flush();
            TimeUnit.MILLISECONDS.sleep(50);
        }
        return 1000;
    }

    /** Reads a little now and then, and returns how much came before the service lost patience. */
    private static long readSlowly(InputStream in) throws Exception {
        byte[] part = new byte[100_000];
        long read = 0;
        try {
            for (int count = in.read(part); count >= 0; count = in.read(part)) {
                read += count;
                TimeUnit.MILLISECONDS.sleep(20);
            }
        } catch (IOException e) {
            assertThat(e).hasMessageContaining("reset");
        }
        return read;
    }

    @ParameterizedTest
    @ValueSource(strings = {"postgresql", "mariadb", "mysql"})
    @Timeout(30)
    void eightWritersOfTheSameRowsInTwoOrdersDoNotWaitForEachOther(String engine) throws Exception {
        TestDatabases.require(engine);
        try (ServedCellar served = ServedCellar.alone(project(engine), Map.of())) {
            List<CompletableFuture<List<Integer>>> writers = new ArrayList<>();
            for (int writer = 0; writer < 8; writer++) {
                boolean upwards = writer % 2 == 0;
                String rows = IntStream.range(0, 200).map(i -> FIRST + (upwards ? i : 199 - i))
                        .mapToObj(id -> "{\"id\":" + id + ",\"label\":\"x\"}")
                        .collect(Collectors.joining(",", "[", "]"));
                writers.add(CompletableFuture.supplyAsync(() -> IntStream.range(0, 3)
                        .mapToObj(i -> served.http().post("/casks", rows).status()).toList()));
            }
            List<Integer> answers = writers.stream().flatMap(writer -> writer.join().stream()).toList();

            assertThat(answers).hasSize(24).containsOnly(201, 409).containsOnlyOnce(201);
            assertThat(served.http().get("/casks?id[atLeast]=1000&count=true&limit=1").header("Total-Count"))
                    .isEqualTo("200");
        }
    }
}
