package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.run.RunningService;
import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIf;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The service as something that runs: limits, clients that dawdle, a database without time, an orderly stop. */
class ServingTest {
    @Test
    void slowClientsHoldNoConnectionToTheDatabase() throws Exception {
        try (RunningService service = ServedCellar.on("h2").replica(Map.of("DB_POOL_SIZE", "2", "HTTP_THREADS", "4"))) {
            List<Socket> slow = new ArrayList<>();
            for (int i = 0; i < 20; i++) {
                slow.add(opened(service, "POST", "/vessels", "Content-Length: 5000\r\n\r\n{\"code\":"));
                slow.add(opened(service, "GET", "/vessels", "X-Never-Ends: "));
            }

            for (int i = 0; i < 20; i++) {
                assertThat(new Http(service.url()).get("/vessels/1").status()).isEqualTo(200);
            }
            for (Socket socket : slow) {
                socket.close();
            }
        }
    }

    @Test
    void clientsThatSayNothingAreCutOff() throws Exception {
        try (RunningService service = ServedCellar.on("h2").replica(Map.of("HTTP_IDLE_SECONDS", "1"));
                Socket half = opened(service, "POST", "/vessels", "Content-Length: 5000\r\n\r\n{\"code\":")) {
            half.setSoTimeout(10_000);
            assertThat(half.getInputStream().readAllBytes().length).isLessThan(1000);
        }
    }

    private static Socket opened(RunningService service, String method, String path, String rest) throws IOException {
        URI url = URI.create(service.url());
        Socket socket = new Socket(url.getHost(), url.getPort());
        socket.getOutputStream().write((method + " " + url.getPath() + path + " HTTP/1.1\r\nHost: localhost\r\n"
                + "Content-Type: application/json\r\n" + rest).getBytes(StandardCharsets.UTF_8));
        socket.getOutputStream().flush();
        return socket;
    }

    @ParameterizedTest
    @ValueSource(strings = {"postgresql", "mariadb", "mysql"})
    void poolWithoutConnectionsAndSlowStatementsAreUnavailableInTime(String engine) throws Exception {
        ServedCellar cellar = ServedCellar.on(engine);
        Map<String, String> settings = cellar.with(Map.of());
        try (RunningService service = cellar.replica(Map.of(
                        "DB_POOL_SIZE", "1", "DB_POOL_WAIT_SECONDS", "1", "DB_STATEMENT_SECONDS", "6"));
                Connection locking = DriverManager.getConnection(
                        settings.get("DB_URL"), settings.get("DB_USER"), settings.get("DB_PASSWORD"));
                Statement lock = locking.createStatement()) {
            Http http = new Http(service.url());
            locking.setAutoCommit(false);
            lock.execute("UPDATE label SET back_text = 'locked' WHERE id = 3");
            CompletableFuture<Http.Answer> blocked
                    = CompletableFuture.supplyAsync(() -> http.send("PATCH", "/labels/3", "{\"backText\":\"x\"}"));
            Http.Answer waiting;
            long begin;
            do {
                begin = System.nanoTime();
                waiting = http.get("/labels/1");
            } while (waiting.status() == 200 && !blocked.isDone());
            assertThat(waiting.status()).as(waiting.text()).isEqualTo(503);
            assertThat(waiting.header("Retry-After")).isNotEmpty();
            assertThat(TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - begin)).isBetween(900L, 2500L);
            assertThat(http.get("/health").status()).isEqualTo(200);
            assertThat(blocked.get(20, TimeUnit.SECONDS).status()).isEqualTo(503);

            locking.rollback();
            assertThat(http.send("PATCH", "/labels/3", "{\"backText\":null}").status()).isEqualTo(200);
        }
    }

    @Test
    void runningRequestsAreFinishedWhenTheServiceStops() throws Exception {
        ServedCellar cellar = ServedCellar.on("postgresql");
        Map<String, String> settings = cellar.with(Map.of());
        RunningService service = cellar.replica(Map.of("HTTP_STOP_SECONDS", "10"));
        Http http = new Http(service.url());
        CompletableFuture<Http.Answer> running;
        CompletableFuture<Void> stopped;
        try (Connection locking = DriverManager.getConnection(
                        settings.get("DB_URL"), settings.get("DB_USER"), settings.get("DB_PASSWORD"));
                Statement lock = locking.createStatement()) {
            locking.setAutoCommit(false);
            lock.execute("UPDATE label SET back_text = 'locked' WHERE id = 4");
            running = CompletableFuture.supplyAsync(() ->
                    http.send("PATCH", "/labels/4", "{\"backText\":\"finished\"}"));
            while (count(lock, "SELECT COUNT(*) FROM pg_locks WHERE NOT granted") == 0 && !running.isDone()) {
                TimeUnit.MILLISECONDS.sleep(20);
            }
            stopped = CompletableFuture.runAsync(service::close);
            while (http.get("/labels/1").status() == 200) {
                assertThat(running).isNotDone();
            }
            assertThat(http.get("/labels/1").status()).isEqualTo(503);
            assertThat(stopped).isNotDone();
            locking.rollback();
        }

        assertThat(running.get(10, TimeUnit.SECONDS).body().path("backText").asText()).isEqualTo("finished");
        stopped.get(10, TimeUnit.SECONDS);
    }

    private static long count(Statement statement, String query) throws SQLException {
        try (ResultSet row = statement.executeQuery(query)) {
            row.next();
            return row.getLong(1);
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "HTTP_PORT=99999          | HTTP_PORT is not a number from 0 to 65535: 99999",
        "DB_POOL_WAIT_SECONDS=0   | DB_POOL_WAIT_SECONDS is not a number from 1 to 600: 0",
        "HTTP_BASE_PATH=api       | HTTP_BASE_PATH is not a path such as /api: api",
        "DB_URL=                  | DB_URL is not set",
        "DB_URL=jdbc:h2:tcp://127.0.0.1:1/x | The database does not answer",
        "HTTP_PORT=taken          | is in use. Set HTTP_PORT to another one; 0 picks a free one."})
    void wrongSettingIsNamedAndTheProcessEnds(String setting, String message,
            @TempDir Path directory) throws Exception {
        ServedCellar cellar = ServedCellar.on("h2");
        String taken = String.valueOf(URI.create(cellar.http().url()).getPort());
        String[] parts = setting.split("=", 2);
        Path log = directory.resolve("log");
        Process process = process(cellar, "", log, Map.of(parts[0], parts[1].equals("taken") ? taken : parts[1]));

        assertThat(process.waitFor(30, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue()).isEqualTo(1);
        assertThat(log).content().contains(message).doesNotContain("\tat ");
    }

    @Test
    void startAndRequestsAreInTheLogAndValuesAreNot(@TempDir Path directory) throws Exception {
        Path log = directory.resolve("log");
        Process process = process(ServedCellar.on("sqlite"), "", log, Map.of("SQL_LOG", "DEBUG"));
        try {
            Http http = new Http(urlOnceReady(process, log));
            assertThat(http.with("X-Request-Id", "seen-before").get("/vessels?code=V-SECRET-9").status())
                    .isEqualTo(200);
        } finally {
            process.destroy();
        }
        assertThat(process.waitFor(30, TimeUnit.SECONDS)).isTrue();

        boolean virtual = Runtime.version().feature() >= 21;
        String threads = "Requests run on " + (virtual ? "virtual threads" : "64 threads");
        assertThat(log).content().contains("/api/vessels/{key}", threads, "no access control")
                .containsPattern("Sql seen-before - [0-9.]+ ms  SELECT")
                .containsPattern("AccessLog seen-before - GET /api/vessels 200 2 bytes \\d+ ms")
                .doesNotContain("V-SECRET-9");
    }

    @Test
    void rehearsalNeedsNoDatabaseAndEnds(@TempDir Path directory) throws Exception {
        Path classes = ServedCellar.project("h2", "features: { class-archive: true }\n").directory()
                .resolve("target/classes");
        Path log = directory.resolve("log");
        Process process = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin/java").toString(),
                "-Dlogback.configurationFile=" + classes + "/logback.xml",
                "-cp", classes + System.getProperty("path.separator") + System.getProperty("java.class.path"),
                "com.example.cellar.support.Main", "rehearse").redirectErrorStream(true).redirectOutput(log.toFile())
                .start();

        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue()).as(Files.readString(log)).isZero();
        assertThat(log).content().contains("paths are answered", "GET /api/openapi.json 200");
    }

    static boolean hasLaterJava() {
        return laterJava() != null;
    }

    /** A Java with virtual threads on this machine; continuous integration has one. */
    private static Path laterJava() {
        try (Stream<Path> homes = Files.list(Path.of("/usr/lib/jvm"))) {
            return homes.map(home -> home.resolve("bin/java")).filter(Files::isExecutable)
                    .filter(java -> java.toString().matches(".*[-/](2[1-9]|3\\d)[-/].*")).findFirst().orElse(null);
        } catch (IOException e) {
            return null;
        }
    }

    @Test
    @EnabledIf("hasLaterJava")
    void laterJavaRunsRequestsOnVirtualThreads(@TempDir Path directory) throws Exception {
        Path log = directory.resolve("log");
        Process process = process(ServedCellar.on("sqlite"), laterJava().toString(), log, Map.of());
        try {
            assertThat(new Http(urlOnceReady(process, log)).get("/vessels/1").status()).isEqualTo(200);
        } finally {
            process.destroy();
        }
        assertThat(log).content().contains("Requests run on virtual threads");
    }

    static Process process(ServedCellar cellar, String java, Path log, Map<String, String> settings)
            throws IOException {
        String classes = cellar.project().directory().resolve("target/classes").toString();
        ProcessBuilder builder = new ProcessBuilder(
                java.isEmpty() ? Path.of(System.getProperty("java.home"), "bin/java").toString() : java,
                "-Dlogback.configurationFile=" + classes + "/logback.xml",
                "-cp", classes + System.getProperty("path.separator") + System.getProperty("java.class.path"),
                "com.example.cellar.support.Main").redirectErrorStream(true).redirectOutput(log.toFile());
        builder.environment().putAll(cellar.with(settings));
        return builder.start();
    }

    static String urlOnceReady(Process process, Path log) throws Exception {
        for (int i = 0; i < 300 && process.isAlive(); i++) {
            if (Files.readString(log).contains("Ready at ")) {
                return found(log, "Ready at (\\S+)/ ");
            }
            TimeUnit.MILLISECONDS.sleep(100);
        }
        throw new AssertionError("the service did not start: " + Files.readString(log));
    }

    /** What the log tells in the place of the parentheses. */
    static String found(Path log, String pattern) throws IOException {
        String text = Files.readString(log).replace("\\/", "/");
        Matcher found = Pattern.compile(pattern).matcher(text);
        assertThat(found.find()).as("%s in %s", pattern, text).isTrue();
        return found.group(1);
    }
}
