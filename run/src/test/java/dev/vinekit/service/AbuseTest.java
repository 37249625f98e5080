package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Requests that mean harm: none gets through, none is an error of the service, none tells what is behind it. */
class AbuseTest {
    private static final List<String> INJECTIONS = List.of(
            "'", "\"", "1 OR 1=1", "1; DROP TABLE parcel; --", "' OR '1'='1", "' UNION SELECT NULL, NULL --", "%", "_",
            "\\",
            "1) OR (1=1", "/*", "--", "`", "$1", "?", ":x", "{}", "id desc; select 1", "\u0000", "\ud83c\udf47", "''",
            "%27");
    private static final String VESSEL = "{\"code\":\"ABUSE\",\"kind\":\"tank\",\"capacityLitres\":500%s}";

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void sqlInEveryParameterIsRefusedOrFindsNothing(String engine) {
        Http http = ServedCellar.on(engine).http();
        long rows = rows(http);
        JsonNode description = http.get("/openapi.json").body();
        List<String> parameters = new ArrayList<>(List.of("no such parameter"));
        description.at("/paths/~1vessels/get/parameters").forEach(reference -> {
            JsonNode parameter = description.at(reference.path("$ref").asText().substring(1));
            String name = parameter.path("name").asText();
            JsonNode comparisons = description.at(parameter.at("/schema/$ref").asText("#/none").substring(1))
                    .path("properties");
            parameters.add(name);
            comparisons.properties().forEach(comparison -> parameters.add(name + "[" + comparison.getKey() + "]"));
        });

        for (String parameter : parameters) {
            for (String injection : INJECTIONS) {
                Http.Answer answer = http.get("/vessels?limit=500&" + encoded(parameter) + "=" + encoded(injection));
                assertHarmless(answer, 200, 400);
                boolean mayMatch = parameter.endsWith("[not]")
                        || parameter.matches("code\\[(atLeast|atMost|greater|less)]");
                if (answer.status() == 200 && !mayMatch && !parameter.equals("limit")) {
                    assertThat(answer.body()).as(parameter + "=" + injection).isEmpty();
                }
            }
        }
        for (String injection : INJECTIONS) {
            for (String forged : List.of(injection, "[null,\"" + injection.replace("\\", "\\\\").replace("\"", "\\\"")
                    + "\"]")) {
                assertHarmless(http.get("/vessels?after=" + Base64.getUrlEncoder().withoutPadding()
                        .encodeToString(forged.getBytes(StandardCharsets.UTF_8))), 400);
            }
            assertHarmless(http.get("/vessels/" + encoded(injection)), 404, 400);
            assertHarmless(http.get("/grape-varieties/" + encoded(injection)), 404, 400);
            assertHarmless(http.get("/blend-components/" + encoded(injection) + "," + encoded(injection)), 404, 400);
        }
        assertThat(rows(http)).isEqualTo(rows);
    }

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void sqlInEveryFieldIsStoredAsTextOrRefused(String engine) {
        Http http = ServedCellar.on(engine).http();
        for (String injection : INJECTIONS) {
            Http.Answer answer = http.post("/blends", Http.JSON.createObjectNode().put("name", "Abuse " + injection)
                    .put("vintage", 2020).put("blendedOn", "2021-02-01").put("tastingNotes", injection).toString());
            assertHarmless(answer, 201, 400);
            if (answer.status() == 201) {
                assertThat(answer.body().path("tastingNotes").textValue()).isEqualTo(injection);
                assertThat(http.send("DELETE", answer.header("Location").substring("/api".length()), "").status())
                        .isEqualTo(204);
            } else {
                assertThat(injection).isEqualTo("\u0000");
            }
        }
        assertThat(http.get("/parcels?limit=1").status()).isEqualTo(200);
    }

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void bodiesThatAreNoRowsAreRefused(String engine) {
        Http http = ServedCellar.on(engine).http();
        long rows = rows(http);
        Stream.of(
                VESSEL.formatted(",\"id\":1"), VESSEL.formatted(",\"no such column\":1"),
                VESSEL.formatted(",\"code\":\"again\""),
                VESSEL.formatted(",\"inUse\":\"yes\""), VESSEL.formatted(",\"boughtOn\":\"2020-13-01\""),
                VESSEL.formatted(",\"boughtOn\":{}"), VESSEL.formatted(",\"boughtOn\":[[]]"),
                VESSEL.replace("500", "1e999999999").formatted(""), VESSEL.replace("500", "-1e999999999").formatted(""),
                VESSEL.replace("500", "1e-999999999").formatted(""),
                VESSEL.replace("500", "99999999999999999999").formatted(""),
                VESSEL.replace("500", "NaN").formatted(""), VESSEL.replace("500", "0x10").formatted(""),
                VESSEL.replace("500", "9".repeat(2000)).formatted(""),
                VESSEL.replace("ABUSE", "A\\u0000").formatted(""),
                VESSEL.replace("ABUSE", "x".repeat(900_000)).formatted(""), "[".repeat(100_000),
                "{\"a\":".repeat(50_000),
                "[" + "{},".repeat(1500) + "{}]", "[1,2]", "[null]", "nul", "\ufeff{}x", "{\"\\ud800\":1}", "'x'",
                "{code:1}")
                .forEach(body -> assertHarmless(http.post("/vessels", body), 400));
        for (byte[] bytes : List.of(new byte[] {'{', '"', 'c', (byte) 0xC3, (byte) 0x28, '"', ':', '1', '}'},
                new byte[] {'{', '"', 'c', 'o', 'd', 'e', '"', ':', '"', (byte) 0xFF, '"', '}'},
                new byte[] {'{', '"', 'c', 'o', 'd', 'e', '"', ':', '"', (byte) 0xC1, (byte) 0x81, '"', '}'},
                new byte[] {0, 0, 0})) {
            assertHarmless(http.send("POST", "/vessels", HttpRequest.BodyPublishers.ofByteArray(bytes)), 400);
        }
        assertHarmless(http.post("/bottlings", "{\"blendId\":1,\"bottledOn\":\"2024-01-01\",\"bottles\":5,"
                + "\"closedWith\":\"cork\",\"litres\":1}"), 400);
        for (String readings : List.of("1e999999999", "{\"deep\":[1,{\"er\":-1e-999999999}]}", "{\"a\":\"\\u0000\"}",
                "[".repeat(201) + "]".repeat(201), "[1e9000,1e9000]", "[" + "1e900,".repeat(100) + "1]", "["
                + "1e-900,".repeat(100) + "1]",
                "{\"half\":\"\\ud83c\"}", "{\"\\udf77\":1}")) {
            assertHarmless(http.post("/lab-analyses", "{\"wineLotId\":\"00000000-0000-4000-a000-000000000001\","
                    + "\"takenAt\":\"2024-03-01T10:15:30Z\",\"readings\":" + readings + "}"), 400);
        }
        assertHarmless(http.post("/vessels", VESSEL.replace("ABUSE", "half \\ud83c").formatted("")), 400);
        assertHarmless(http.send("PATCH", "/vessels/1", "{\"id\":2}"), 400);
        assertHarmless(http.send("PATCH", "/vessels/1", "[{\"code\":\"x\"}]"), 400);
        assertHarmless(http.send("PUT", "/parcels/1",
                "{\"name\":\"x\",\"varietyCode\":\"ARV\",\"areaHa\":1,\"soil\":\"clay\","
                + "\"organic\":true,\"latitude\":1e400}"), 400);
        assertThat(rows(http)).isEqualTo(rows);
    }

    /** What is wrong a thousand times is told a hundred times, and what would be right once. */
    @Test
    void answersToWrongBodiesStaySmall() {
        Http http = ServedCellar.on("h2").http();
        String many = IntStream.range(0, 20_000).mapToObj(i -> "\"p" + i + "\":1")
                .collect(Collectors.joining(",", "{", "}"));
        String rows = "[" + "{\"x\":1},".repeat(999) + "{\"x\":1}]";
        for (String body : List.of(many, rows, "{\"" + "long ".repeat(9_000) + "\":1}")) {
            Http.Answer answer = http.post("/vessels", body);

            assertThat(answer.status()).isEqualTo(400);
            assertThat(answer.text().length()).isLessThan(50_000);
            assertThat(answer.body().path("violations")).isNotEmpty().hasSizeLessThanOrEqualTo(100);
        }
        assertThat(http.post("/vessels", many).body().path("detail").asText())
                .contains("properties to send: id, code", "and ").endsWith("more.");
    }

    /** Deep, but not too deep: it comes back as it was, also in a list. */
    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void whatIsTakenCanBeToldAgain(String engine) {
        Http http = ServedCellar.on(engine).http();
        int levels = engine.equals("mariadb") ? 30 : engine.equals("mysql") ? 90 : 200;
        String readings = "[".repeat(levels) + "0.001" + ",0.001".repeat(3000) + "]".repeat(levels);
        Http.Answer created = http.post("/lab-analyses", "{\"wineLotId\":\"00000000-0000-4000-a000-000000000001\","
                + "\"takenAt\":\"2024-03-01T10:15:30Z\",\"readings\":" + readings + "}");

        assertThat(created.status()).as(created.text()).isEqualTo(201);
        String path = created.header("Location").substring("/api".length());
        assertThat(http.get(path).body().path("readings").toString()).isEqualTo(readings);
        assertThat(http.get("/lab-analyses?limit=500").status()).isEqualTo(200);
        assertThat(http.send("DELETE", path, "").status()).isEqualTo(204);
    }

    @ParameterizedTest
    @ValueSource(strings = {"h2", "sqlite"})
    void pathsLeadNowhereElse(String engine) throws IOException {
        Http http = ServedCellar.on(engine).http();
        for (String path : List.of("/../vessels/1/x", "/%2e%2e/%2e%2e/etc/passwd", "//etc/passwd",
                "/vessels/..%2f..%2fx",
                "/vessels/1;a=b/x", "/vessels/%00", "/vessels/1%0d%0aX: y", "/vessels/%ff", "/vessels/%c0%ae",
                "/vessels/%",
                "/vessels/%zz", "/WEB-INF/web.xml", "/vessels/" + "x".repeat(7000), "/vessels/" + "x".repeat(60_000),
                "/vessels?" + "a=b&".repeat(1200), "/vessels/\u00fc", "/vessels/1 HTTP/9.9")) {
            String answer = raw(http, "GET " + URI.create(http.url()).getPath() + path + " HTTP/1.1\r\n");
            assertThat(answer).as(path).doesNotContain("root:", "Exception", "\tat ");
            assertThat(answer.isEmpty() ? "400" : answer.substring(9, 12)).as(path + " " + answer)
                    .isIn("400", "404", "414", "421", "505");
        }
        assertThat(raw(http, "GET / HTTP/1.1\r\nX-Long: " + "x".repeat(20_000) + "\r\n"))
                .contains(" 431 ", "problem+json");
        assertThat(raw(http, "POST " + URI.create(http.url()).getPath()
                + "/vessels HTTP/1.1\r\nContent-Length: 99999999\r\n"))
                .contains(" 413 ", "problem+json");
    }

    /** What comes back for the lines of a request; nothing if the service cuts it off. */
    private static String raw(Http http, String lines) throws IOException {
        URI url = URI.create(http.url());
        try (Socket socket = new Socket(url.getHost(), url.getPort())) {
            socket.setSoTimeout(10_000);
            OutputStream out = socket.getOutputStream();
            out.write((lines + "Host: localhost\r\nContent-Type: application/json\r\nConnection: close\r\n\r\n")
                    .getBytes(StandardCharsets.UTF_8));
            out.flush();
            return new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        } catch (java.net.SocketException e) {
            return "";
        }
    }

    private static void assertHarmless(Http.Answer answer, Integer... statuses) {
        assertThat(answer.status()).as(answer.text()).isIn((Object[]) statuses);
        if (answer.status() >= 400) {
            assertThat(answer.header("Content-Type")).startsWith("application/problem+json");
            assertThat(answer.text()).doesNotContain("FROM vessel", "INTO vessel", "SQLState", "org.h2",
                    "org.postgresql", "java.", "jdbc");
        }
    }

    private static long rows(Http http) {
        return Long.parseLong(http.get("/vessels?limit=1&count=true").header("Total-Count"));
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8).replace("+", "%20");
    }
}
