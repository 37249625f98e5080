package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.run.RunningService;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.zip.GZIPInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The headers of the service beside those of its rows: other origins, compression, what browsers may do. */
class HeadersTest {
    private static final String CORS = "features: { cors: true }\n";

    private static final HttpClient CLIENT = HttpClient.newHttpClient();

    private static HttpResponse<byte[]> send(String method, String url, String... headers) throws Exception {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(url))
                .method(method, HttpRequest.BodyPublishers.noBody());
        if (headers.length > 0) {
            request.headers(headers);
        }
        return CLIENT.send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
    }

    private static String header(HttpResponse<?> answer, String name) {
        return String.join(", ", answer.headers().allValues(name));
    }

    @Test
    void pagesOfOtherOriginsMayUseItIfTheSettingsSaySo() throws Exception {
        Map<String, String> settings = Map.of("HTTP_CORS_ORIGINS", "https://Cellar.example,http://localhost:3000");
        try (ServedCellar service = ServedCellar.alone(ServedCellar.project("h2", CORS), settings)) {
            HttpResponse<byte[]> asked = send("OPTIONS", service.url() + "/vessels/1",
                    "Origin", "https://cellar.example", "Access-Control-Request-Method", "PATCH", "Access-Control-Request-Headers", "if-match");
            HttpResponse<byte[]> read = send("GET", service.url() + "/vessels/1", "Origin", "http://localhost:3000");
            HttpResponse<byte[]> missing
                    = send("GET", service.url() + "/vessels/98765", "Origin", "http://localhost:3000");
            HttpResponse<byte[]> foreign = send("GET", service.url() + "/vessels/1", "Origin", "https://other.example");
            HttpResponse<byte[]> similar = send("GET", service.url() + "/vessels/1", "Origin", "https://cellarxexample");
            HttpResponse<byte[]> foreignAsked = send("OPTIONS", service.url() + "/vessels/1", "Origin",
                    "https://other.example", "Access-Control-Request-Method", "PATCH");
            HttpResponse<byte[]> options
                    = send("OPTIONS", service.url() + "/vessels/1", "Origin", "https://cellar.example");

            assertThat(asked.statusCode()).isEqualTo(200);
            assertThat(header(asked, "Access-Control-Allow-Origin")).isEqualTo("https://cellar.example");
            assertThat(header(asked, "Access-Control-Allow-Methods").split(", ?")).contains("PATCH", "DELETE", "PUT");
            assertThat(header(asked, "Access-Control-Allow-Headers").split(", ?"))
                    .contains("Authorization", "Content-Type", "If-Match");
            assertThat(header(asked, "Vary")).contains("Origin");
            assertThat(header(read, "Access-Control-Allow-Origin")).isEqualTo("http://localhost:3000");
            assertThat(header(read, "Access-Control-Expose-Headers").split(", ?")).contains("ETag", "Location", "Link");
            assertThat(header(read, "Cross-Origin-Resource-Policy")).isEqualTo("cross-origin");
            assertThat(missing.statusCode()).isEqualTo(404);
            assertThat(header(missing, "Access-Control-Allow-Origin")).isEqualTo("http://localhost:3000");
            assertThat(foreign.headers().map()).doesNotContainKey("access-control-allow-origin");
            assertThat(similar.headers().map()).doesNotContainKey("access-control-allow-origin");
            assertThat(header(foreign, "Vary")).contains("Origin");
            assertThat(foreignAsked.headers().map()).doesNotContainKeys("access-control-allow-origin",
                    "access-control-allow-methods");
            assertThat(options.statusCode()).isEqualTo(200);
            assertThat(header(options, "Allow").split(", ")).contains("GET", "PUT", "PATCH", "DELETE");
        }
    }

    @Test
    void anyOriginAndNone() throws Exception {
        try (ServedCellar any = ServedCellar.alone(ServedCellar.project("h2", CORS),
                Map.of("HTTP_CORS_ORIGINS", "*"))) {
            HttpResponse<byte[]> read = send("GET", any.url() + "/vessels/1", "Origin", "https://other.example");
            assertThat(header(read, "Access-Control-Allow-Origin")).isEqualTo("https://other.example");
        }
        HttpResponse<byte[]> read
                = send("GET", ServedCellar.on("h2").url() + "/vessels/1", "Origin", "https://other.example");
        assertThat(read.headers().map()).doesNotContainKeys("access-control-allow-origin", "vary");
        assertThat(header(read, "Cross-Origin-Resource-Policy")).isEqualTo("same-origin");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "gzip                | true",
        "br, GZIP;q=0.5      | true",
        "gzip;q=0, identity  | false",
        "br                  | false"})
    void longAnswersAreCompressedForThoseWhoAsk(String accepted, boolean compressed) throws Exception {
        String url = ServedCellar.on("h2").url() + "/harvests?limit=100";
        HttpResponse<byte[]> plain = send("GET", url);
        HttpResponse<byte[]> answer = send("GET", url, "Accept-Encoding", accepted);
        HttpResponse<byte[]> head = send("HEAD", url, "Accept-Encoding", accepted);

        assertThat(plain.headers().map()).doesNotContainKey("content-encoding");
        assertThat(header(answer, "Vary")).isEqualTo(compressed ? "Accept-Encoding" : "");
        assertThat(header(answer, "Content-Encoding")).isEqualTo(compressed ? "gzip" : "");
        assertThat(header(head, "Content-Length")).isEqualTo(String.valueOf(plain.body().length));
        assertThat(text(answer.body(), compressed)).isEqualTo(new String(plain.body(), StandardCharsets.UTF_8));
    }

    private static String text(byte[] body, boolean compressed) throws IOException {
        try (GZIPInputStream gzip = compressed ? new GZIPInputStream(new ByteArrayInputStream(body)) : null) {
            return new String(compressed ? gzip.readAllBytes() : body, StandardCharsets.UTF_8);
        }
    }

    @Test
    void shortAnswersAreNotCompressed() throws Exception {
        String url = ServedCellar.on("h2").url();
        HttpResponse<byte[]> row = send("GET", url + "/vessels/1", "Accept-Encoding", "gzip");
        HttpResponse<byte[]> few = send("GET", url + "/vessels?limit=1&fields=id", "Accept-Encoding", "gzip");

        assertThat(row.headers().map()).containsKey("etag").doesNotContainKey("content-encoding");
        assertThat(few.headers().map()).doesNotContainKey("content-encoding");
        try (RunningService service = ServedCellar.on("h2").replica(Map.of("HTTP_COMPRESSION", "false"))) {
            assertThat(send("GET", service.url() + "/harvests?limit=100", "Accept-Encoding", "gzip").headers().map())
                    .doesNotContainKeys("content-encoding", "vary");
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"/vessels/1", "/vessels", "/nowhere", "/vessels?limit=none"})
    void browsersDoNothingElseWithAnswers(String path) throws Exception {
        HttpResponse<byte[]> answer = send("GET", ServedCellar.on("h2").url() + path);

        assertThat(header(answer, "X-Content-Type-Options")).isEqualTo("nosniff");
        assertThat(header(answer, "Content-Security-Policy")).isEqualTo("default-src 'none'; frame-ancestors 'none'");
        assertThat(header(answer, "Referrer-Policy")).isEqualTo("no-referrer");
        assertThat(answer.headers().map()).doesNotContainKey("cache-control");
    }

    @Test
    void answersMayBeUsedAgainForAsLongAsTheMappingFileSays() throws Exception {
        String mapping = "entities: {vessel: {cache-seconds: 3600}, vessel_transfer: {cache-seconds: 5}}\n";
        try (ServedCellar cellar = ServedCellar.alone(ServedCellar.project("h2", mapping), Map.of())) {
            HttpResponse<byte[]> row = send("GET", cellar.url() + "/vessels/1");
            HttpResponse<byte[]> same
                    = send("GET", cellar.url() + "/vessels/1", "If-None-Match", header(row, "ETag"));

            assertThat(header(row, "Cache-Control")).isEqualTo("max-age=3600");
            assertThat(same.statusCode()).isEqualTo(304);
            assertThat(header(same, "Cache-Control")).isEqualTo("max-age=3600");
            assertThat(cached(cellar, "HEAD", "/vessels/1")).isEqualTo("max-age=3600");
            assertThat(cached(cellar, "GET", "/vessels?limit=2")).isEqualTo("max-age=3600");
            assertThat(cached(cellar, "GET", "/vessels/1/vessel-transfers-by-from-vessel")).isEqualTo("max-age=5");
            assertThat(cached(cellar, "GET", "/vessels/98765")).isEmpty();
            assertThat(cached(cellar, "GET", "/vessels?limit=none")).isEmpty();
            assertThat(cached(cellar, "DELETE", "/vessels/98765")).isEmpty();
            assertThat(cached(cellar, "GET", "/parcels")).isEmpty();
        }
    }

    private static String cached(ServedCellar cellar, String method, String path) throws Exception {
        return header(send(method, cellar.url() + path), "Cache-Control");
    }

    @Test
    void behindTokensEachKeepsTheAnswersToItsOwn() throws Exception {
        String mapping = """
                entities:
                  vessel: {cache-seconds: 60, access: {read: ["*"]}}
                  parcel: {access: {read: ["*"]}}
                """;
        try (ServedCellar cellar = ServedCellar.alone(ServedCellar.project("h2", mapping),
                Map.of("AUTH_SECRET", Tokens.SECRET))) {
            String bearer = "Bearer " + Tokens.of("taster", List.of("taster"), Map.of());
            HttpResponse<byte[]> row = send("GET", cellar.url() + "/vessels/1", "Authorization", bearer);
            HttpResponse<byte[]> other = send("GET", cellar.url() + "/parcels", "Authorization", bearer);
            HttpResponse<byte[]> without = send("GET", cellar.url() + "/vessels/1");

            assertThat(row.statusCode()).isEqualTo(200);
            assertThat(header(row, "Cache-Control")).isEqualTo("private, max-age=60");
            assertThat(header(row, "Vary")).contains("Authorization");
            assertThat(other.statusCode()).isEqualTo(200);
            assertThat(header(other, "Cache-Control")).isEqualTo("no-store");
            assertThat(without.statusCode()).isEqualTo(401);
            assertThat(header(without, "Cache-Control")).isEqualTo("no-store");
        }
    }
}
