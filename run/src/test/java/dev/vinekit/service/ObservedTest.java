package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import dev.vinekit.run.RunningService;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What can be seen of a running service from outside: metrics and its log. */
class ObservedTest {
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
    void logIsJsonOnDemandAndNamesTheRequest(@TempDir Path directory) throws Exception {
        Path log = directory.resolve("log");
        Process process = ServingTest.process(ServedCellar.on("sqlite"), "", log,
                Map.of("LOG_FORMAT", "json", "SQL_LOG", "DEBUG"));
        try {
            String url = ServingTest.urlOnceReady(process, log);
            new Http(url).with("X-Request-Id", "r1").get("/vessels/3");
        } finally {
            process.destroy();
        }
        assertThat(process.waitFor(30, TimeUnit.SECONDS)).isTrue();

        List<JsonNode> lines = Files.readAllLines(log).stream().map(ObservedTest::json).toList();
        assertThat(lines.stream().filter(line -> line.at("/mdc/request").asText().equals("r1")))
                .extracting(line -> line.path("formattedMessage").asText())
                .anyMatch(message -> message.contains("FROM vessel"))
                .anyMatch(message -> message.startsWith("GET /api/vessels/3 200 "));
    }

    private static JsonNode json(String line) {
        return new Http.Answer(200, null, line).body();
    }
}
