package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.sun.net.httpserver.HttpServer;
import dev.vinekit.run.RunningService;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What can be seen of a running service from outside: metrics, traces and its log. */
class ObservedTest {
    private static final String TRACE = "0af7651916cd43dd8448eb211c80319c";
    private static final String PARENT = "00-" + TRACE + "-b7ad6b7169203331-01";

    @Test
    void metricsTellRoutesMethodsAndRulesButNoRows() throws Exception {
        try (RunningService service = ServedCellar.on("h2").replica(Map.of())) {
            Http http = new Http(service.url());
            String root = service.url().substring(0, service.url().lastIndexOf("/api"));
            http.get("/vessels/3");
            http.get("/vessels/987654");
            http.get("/vessels?code=V-SECRET-9");
            http.get("/grape-varieties/SECRET-KEY");
            http.get("/no-such-place/SECRET-PATH");
            http.send("SECRETMETHOD", "/vessels", "");
            http.post("/parcels", "{\"name\":\"SECRET-NAME\",\"areaHa\":-1}");
            http.with("Accept", "SECRET;;").get("/vessels");
            Http.Answer scraped = new Http(root).get("/metrics");

            assertThat(scraped.header("Content-Type")).isEqualTo("text/plain; version=0.0.4; charset=utf-8");
            assertThat(scraped.text()).doesNotContain("SECRET", "987654").contains(
                    "# TYPE http_server_request_duration_seconds histogram",
                    "http_server_request_duration_seconds_bucket{http_request_method=\"GET\","
                            + "http_response_status_code=\"200\",http_route=\"/api/vessels/{key}\",le=\"0.005\"}",
                    "http_server_request_duration_seconds_count{http_request_method=\"GET\","
                            + "http_response_status_code=\"404\",http_route=\"/api/vessels/{key}\"} ",
                    "http_server_request_duration_seconds_count{http_request_method=\"GET\","
                            + "http_response_status_code=\"404\",http_route=\"none\"} ",
                    "http_server_request_duration_seconds_count{http_request_method=\"_OTHER\",",
                    "service_refusals_total{rule=\"NotNull\"} ",
                    "service_refusals_total{rule=\"Bad Request\"} ",
                    "db_client_operation_duration_seconds_count{code_function_name=\"VesselRepository.findById\"} ",
                    "db_client_operation_duration_seconds_count{code_function_name=\"VesselService.list\"} ",
                    "hikaricp_connections_max{pool=\"database\"} 10.0",
                    "http_server_active_requests 0.0",
                    "http_server_active_requests_limit 40.0",
                    "jvm_memory_used_bytes{",
                    "jvm_threads_live_threads ",
                    "process_files_open_files ");
            for (String line : scraped.text().split("\n")) {
                assertThat(line).matches("# (HELP|TYPE) [a-z][a-z0-9_]* .+"
                        + "|[a-z][a-z0-9_]*(\\{[^}]+(\\{key})?[^}]*})? -?[0-9NaE.+-]+");
            }
            assertThat(new Http(root).send("POST", "/metrics", "").status()).isEqualTo(405);
        }
    }

    @Test
    void metricsCanHaveAPortOfTheirOwn(@TempDir Path directory) throws Exception {
        Path log = directory.resolve("log");
        Process process = ServingTest.process(ServedCellar.on("sqlite"), "", log, Map.of("METRICS_PORT", "0"));
        try {
            String url = ServingTest.urlOnceReady(process, log);
            String metrics = ServingTest.found(log, "Metrics are at (http://127.0.0.1:\\d+)/metrics");

            assertThat(new Http(metrics).get("/metrics").text()).contains("jvm_memory_used_bytes{");
            assertThat(new Http(metrics).get("/api/vessels").status()).isEqualTo(404);
            assertThat(new Http(url.replace("/api", "")).get("/metrics").status()).isEqualTo(404);
        } finally {
            process.destroy();
        }
        assertThat(process.waitFor(30, TimeUnit.SECONDS)).isTrue();
    }

    @Test
    void tracesGoToWhoeverIsNamedAndHaveNoValues(@TempDir Path directory) throws Exception {
        BlockingQueue<byte[]> received = new LinkedBlockingQueue<>();
        HttpServer collector = HttpServer.create(new InetSocketAddress("127.0.0.1", 0), 0);
        collector.createContext("/v1/traces", exchange -> {
            received.add(exchange.getRequestBody().readAllBytes());
            exchange.sendResponseHeaders(200, -1);
            exchange.close();
        });
        collector.start();
        Path log = directory.resolve("log");
        Process process = ServingTest.process(ServedCellar.on("sqlite"), "", log, Map.of(
                "OTEL_EXPORTER_OTLP_ENDPOINT", "http://127.0.0.1:" + collector.getAddress().getPort(),
                "OTEL_BSP_SCHEDULE_DELAY", "200"));
        try {
            Http http = new Http(ServingTest.urlOnceReady(process, log)).with("traceparent", PARENT);
            assertThat(http.get("/grape-varieties/SECRET-KEY").status()).isEqualTo(404);
            String spans = "";
            while (!spans.contains("GET /api")) {
                byte[] more = received.poll(30, TimeUnit.SECONDS);
                assertThat(more).as(spans).isNotNull();
                spans += new String(more, StandardCharsets.ISO_8859_1);
            }

            assertThat(spans).contains("cellar-service", "GET /api/grape-varieties/{key}",
                    "GrapeVarietyService.find", "GrapeVarietyRepository.findById", "FROM grape_variety",
                    new String(HexFormat.of().parseHex(TRACE), StandardCharsets.ISO_8859_1),
                    new String(HexFormat.of().parseHex("b7ad6b7169203331"), StandardCharsets.ISO_8859_1))
                    .doesNotContain("SECRET");
        } finally {
            process.destroy();
            collector.stop(0);
        }
    }

    @Test
    void logIsJsonOnDemandAndTellsRequestAndTrace(@TempDir Path directory) throws Exception {
        Path log = directory.resolve("log");
        Process process = ServingTest.process(ServedCellar.on("sqlite"), "", log,
                Map.of("LOG_FORMAT", "json", "SQL_LOG", "DEBUG"));
        try {
            String url = ServingTest.urlOnceReady(process, log);
            new Http(url).with("traceparent", PARENT).with("X-Request-Id", "r\"1").get("/vessels/3");
            new Http(url).with("traceparent", "00-nonsense").with("X-Request-Id", "r2").get("/vessels/3");
        } finally {
            process.destroy();
        }
        assertThat(process.waitFor(30, TimeUnit.SECONDS)).isTrue();

        List<JsonNode> lines = Files.readAllLines(log).stream().map(ObservedTest::json).toList();
        List<JsonNode> ofTrace = lines.stream().filter(line -> line.at("/mdc/trace").asText().equals(TRACE)).toList();
        assertThat(ofTrace).extracting(line -> line.path("formattedMessage").asText())
                .anyMatch(message -> message.contains("FROM vessel"))
                .anyMatch(message -> message.startsWith("GET /api/vessels/3 200 "));
        assertThat(ofTrace).allMatch(line -> line.at("/mdc/request").asText().length() > 3);
        assertThat(lines.stream().filter(line -> line.at("/mdc/request").asText().equals("r2")))
                .hasSize(2).allMatch(line -> line.at("/mdc/trace").isMissingNode());
    }

    private static JsonNode json(String line) {
        return new Http.Answer(200, null, line).body();
    }
}
