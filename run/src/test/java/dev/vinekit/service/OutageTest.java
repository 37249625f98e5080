package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.RunningService;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.IOException;
import java.net.ServerSocket;
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
import java.util.Queue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The database is stopped and started again while clients go on asking. */
class OutageTest {
    private static final int CLIENTS = 8;
    private static final int POOL = 5;
    private static final int SECONDS_TO_RECOVER = 5;
    private static final int SECONDS_TO_WAIT = 60;

    @Tag("thorough")
    @Test
    void onlyUnavailableMeanwhileAndWellAgainSoonAfterwards(@TempDir Path data) throws Exception {
        int port = freePort();
        Project project = ServedCellar.project("postgresql", "");
        EmbeddedPostgres database = started(data, port);
        String url = database.getJdbcUrl("postgres", "postgres");
        fill(url, project);
        Queue<Integer> statuses = new ConcurrentLinkedQueue<>();
        AtomicBoolean done = new AtomicBoolean();
        try (RunningService service = Runner.serve(project, Map.of("DB_URL", url, "HTTP_PORT", "0",
                "DB_POOL_SIZE", String.valueOf(POOL), "DB_POOL_WAIT_SECONDS", "2", "HTTP_HOST", "127.0.0.1"))) {
            Http http = new Http(service.url());
            List<CompletableFuture<Void>> clients = new ArrayList<>();
            for (int c = 0; c < CLIENTS; c++) {
                clients.add(CompletableFuture.runAsync(() -> ask(http, statuses, done)));
            }
            until(() -> statuses.stream().filter(status -> status == 200).count() >= 10 * CLIENTS);
            statuses.clear();

            database.close();
            until(() -> statuses.stream().filter(status -> status == 503).count() >= 3 * CLIENTS);
            assertThat(statuses).containsOnly(200, 503);
            assertThat(http.get("/health").status()).isEqualTo(503);
            database = started(data, port);
            long begin = System.nanoTime();
            while (http.get("/labels/1").status() != 200) {
                assertThat(TimeUnit.NANOSECONDS.toSeconds(System.nanoTime() - begin)).isLessThan(SECONDS_TO_RECOVER);
            }
            done.set(true);
            CompletableFuture.allOf(clients.toArray(new CompletableFuture<?>[0])).get(30, TimeUnit.SECONDS);

            assertThat(statuses).containsOnly(200, 503);
            for (int i = 0; i < 3 * POOL; i++) {
                assertThat(http.get("/labels/1").status()).isEqualTo(200);
            }
            assertThat(connections(url)).isLessThanOrEqualTo(POOL + 1);
        } finally {
            done.set(true);
            database.close();
        }
    }

    private static void until(BooleanSupplier condition) throws InterruptedException {
        long begin = System.nanoTime();
        while (!condition.getAsBoolean()) {
            assertThat(TimeUnit.NANOSECONDS.toSeconds(System.nanoTime() - begin)).isLessThan(SECONDS_TO_WAIT);
            TimeUnit.MILLISECONDS.sleep(20);
        }
    }

    private static void ask(Http http, Queue<Integer> statuses, AtomicBoolean done) {
        for (int n = 0; !done.get(); n++) {
            statuses.add(n % 4 == 0 ? http.send("PATCH", "/labels/" + (n % 5 + 1), "{\"backText\":\"" + n + "\"}")
                    .status()
                    : http.get("/vessels?limit=20").status());
        }
    }

    private static EmbeddedPostgres started(Path data, int port) throws IOException {
        return EmbeddedPostgres.builder().setPort(port).setDataDirectory(data).setCleanDataDirectory(false)
                .setServerConfig("fsync", "off").start();
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    private static void fill(String url, Project project) throws SQLException, IOException {
        Path scripts = project.directory().resolve("src/main/resources/db");
        try (Connection connection = DriverManager.getConnection(url);
                Statement statement = connection.createStatement()) {
            statement.execute(Files.readString(scripts.resolve("schema.sql")));
            statement.execute(Files.readString(scripts.resolve("seed.sql")));
        }
    }

    /** How many connections others have. */
    private static int connections(String url) throws SQLException {
        try (Connection connection = DriverManager.getConnection(url);
                Statement statement = connection.createStatement();
                ResultSet row =
                        statement.executeQuery("SELECT COUNT(*) FROM pg_stat_activity WHERE datname = 'postgres' "
                        + "AND backend_type = 'client backend' AND pid <> pg_backend_pid()")) {
            row.next();
            return row.getInt(1);
        }
    }
}
