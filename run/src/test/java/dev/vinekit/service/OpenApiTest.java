package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import dev.vinekit.TestDatabases;
import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.source.SourceFile;
import io.swagger.v3.parser.OpenAPIV3Parser;
import java.io.ByteArrayInputStream;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.zip.GZIPInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The description of the interface, read by a parser that is not ours, and held against what the service does. */
class OpenApiTest {
    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void descriptionIsWellFormed(String engine) {
        assertThat(mistakes(ServedCellar.on(engine).http().get("/openapi.json").text())).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql"})
    void descriptionOfAHostileSchemaIsWellFormed(String engine) throws Exception {
        try (TestDatabases database = TestDatabases.clauses(engine)) {
            String description = VineKit.generate(VineKit.map(VineKit.read(database.database(), Scope.all()),
                    "com.example.made"))
                    .files().stream().filter(file -> file.path().endsWith("openapi.json")).map(SourceFile::text)
                    .findFirst().orElseThrow();

            assertThat(mistakes(description)).isEmpty();
        }
    }

    @Test
    void descriptionComesCompressedToThoseWhoTakeItAndNotAgainToThoseWhoHaveIt() throws Exception {
        Http http = ServedCellar.on("h2").http();
        Http.Answer plain = http.get("/openapi.json");

        HttpResponse<byte[]> compressed = HttpClient.newHttpClient().send(
                HttpRequest.newBuilder(URI.create(http.url() + "/openapi.json")).header("Accept-Encoding", "br, gzip").build(),
                HttpResponse.BodyHandlers.ofByteArray());

        assertThat(plain.header("Content-Encoding")).isEmpty();
        assertThat(compressed.headers().firstValue("Content-Encoding")).contains("gzip");
        assertThat(compressed.headers().allValues("Vary")).hasSize(1).first().asString().contains("Accept-Encoding");
        assertThat(new GZIPInputStream(new ByteArrayInputStream(compressed.body())).readAllBytes())
                .asString(StandardCharsets.UTF_8).isEqualTo(plain.text());
        assertThat(compressed.body().length).isLessThan(plain.text().length() / 5);
        String tag = compressed.headers().firstValue("ETag").orElseThrow();
        assertThat(tag).isNotEqualTo(plain.header("ETag"));
        assertThat(http.with("If-None-Match", plain.header("ETag")).get("/openapi.json").status()).isEqualTo(304);
        Http.Answer known = http.with("If-None-Match", tag).with("Accept-Encoding", "gzip").get("/openapi.json");
        assertThat(known.status()).isEqualTo(304);
        assertThat(known.header("ETag")).isIn(tag, plain.header("ETag"));
        Http.Answer wanted = http.with("If-Match", "\"a\", \"b\"").get("/openapi.json");
        assertThat(wanted.status()).isEqualTo(412);
        assertThat(wanted.body().path("status").asInt()).as(wanted.text()).isEqualTo(412);
        assertThat(http.with("Accept-Encoding", "gzip;q=0").get("/openapi.json").text()).isEqualTo(plain.text());
    }

    private static List<String> mistakes(String description) {
        return new OpenAPIV3Parser().readContents(description, null, null).getMessages();
    }

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void everyExampleIsAcceptedAndEveryAnswerIsAsDescribed(String engine) {
        Http http = ServedCellar.on(engine).http();
        JsonNode description = http.get("/openapi.json").body();
        List<String> sent = new ArrayList<>();
        description.path("paths").properties().forEach(path -> {
            JsonNode item = path.getValue();
            if (item.has("post")) {
                create(http, description, path.getKey(), item.get("post"));
                sent.add("post");
            }
            JsonNode key = description.at(item.at("/parameters/0/$ref").asText("#/none").substring(1)).path("example");
            String concrete = path.getKey().replace("{key}", key.asText());
            if (item.has("get") && (!path.getKey().contains("{key}") || !key.isMissingNode())) {
                assertDescribed(description, item.get("get"), http.get(concrete), 200);
                sent.add("get");
            }
            if (item.has("put") && !key.isMissingNode()) {
                change(http, description, concrete, item);
                sent.add("put");
            }
        });

        assertThat(sent.stream().filter("post"::equals)).hasSize(14);
        assertThat(sent.stream().filter("put"::equals)).hasSize(12);
        assertThat(sent.stream().filter("get"::equals)).hasSizeGreaterThan(40);
    }

    @ParameterizedTest
    @ValueSource(strings = {"h2", "sqlite"})
    void everyParameterIsOneThatTheServiceKnows(String engine) {
        Http http = ServedCellar.on(engine).http();
        JsonNode description = http.get("/openapi.json").body();
        List<String> asked = new ArrayList<>();
        description.path("paths").properties()
                .forEach(path -> path.getValue().at("/get/parameters").forEach(reference -> {
            JsonNode parameter = description.at(reference.path("$ref").asText().substring(1));
            String name = parameter.path("name").asText();
            if (parameter.path("in").asText().equals("query") && !path.getKey().contains("{key}")
                    && !name.equals("limit")) {
                JsonNode comparisons = description.at(parameter.at("/schema/$ref").asText("#/none").substring(1))
                        .path("properties");
                comparisons.properties().forEach(comparison -> {
                    String example = comparison.getValue().at("/examples/0").asText();
                    Http.Answer answer = http.get(path.getKey() + "?limit=1&" + name + "%5B" + comparison.getKey()
                            + "%5D=" + encoded(example));
                    assertThat(answer.status()).as(name + "[" + comparison.getKey() + "]=" + example + " "
                            + answer.text()).isEqualTo(200);
                    asked.add(name + "[" + comparison.getKey() + "]");
                });
                Http.Answer answer = http.get(path.getKey() + "?limit=1&" + encoded(name) + "=x");
                assertThat(answer.status()).as(answer.text()).isIn(200, 400);
                assertThat(answer.body().path("detail").asText()).doesNotContain("There is no parameter");
                asked.add(name);
            }
        }));

        assertThat(asked).hasSizeGreaterThan(200)
                .contains("code[startsWith]", "vesselId[isNull]", "movedAt[atLeast]", "sort");
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    private static void create(Http http, JsonNode description, String path, JsonNode operation) {
        JsonNode content = operation.at("/requestBody/content/application~1json");
        assertValid(description, content.get("schema"), content.get("example"), "the example of " + path);
        Http.Answer created = http.post(path, content.get("example").toString());
        assertDescribed(description, operation, created, 201);
        assertDescribed(description, operation, http.post(path, "{\"no such property\":1}"), 400);
        if (!created.header("Location").isEmpty()) {
            String place = created.header("Location").substring("/api".length());
            assertThat(http.get(place).header("ETag")).isEqualTo(created.header("ETag"));
            assertThat(http.send("DELETE", place, "").status()).isEqualTo(204);
        }
    }

    /** Replaces and patches a row, and puts it back as it was. */
    private static void change(Http http, JsonNode description, String path, JsonNode item) {
        ObjectNode before = (ObjectNode) http.get(path).body();
        JsonNode replacement = item.at("/put/requestBody/content/application~1json");
        before.retain(names(description.at(replacement.at("/schema/$ref").asText().substring(1)).path("properties")));
        JsonNode patch = item.at("/patch/requestBody/content/application~1merge-patch+json");
        assertValid(description, replacement.get("schema"), replacement.get("example"), "the replacement of " + path);
        assertValid(description, patch.get("schema"), patch.get("example"), "the patch of " + path);

        assertDescribed(description, item.get("patch"), http.send("PATCH", path, patch.get("example").toString()), 200);
        assertDescribed(description, item.get("put"), http.send("PUT", path, replacement.get("example").toString()),
                200);

        assertThat(http.send("PUT", path, before.toString()).status()).isEqualTo(200);
    }

    private static List<String> names(JsonNode properties) {
        return properties.properties().stream().map(Map.Entry::getKey).toList();
    }

    private static void assertDescribed(JsonNode description, JsonNode operation, Http.Answer answer, int status) {
        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        JsonNode response = operation.path("responses").path(String.valueOf(status));
        JsonNode described = response.has("$ref") ? description.at(response.get("$ref").asText().substring(1))
                : response;
        String mediaType = status < 300 ? "application/json" : "application/problem+json";
        assertThat(answer.header("Content-Type")).startsWith(mediaType);
        assertValid(description, described.path("content").path(mediaType).get("schema"), answer.body(), answer.text());
    }

    private static void assertValid(JsonNode description, JsonNode schema, JsonNode value, String what) {
        ObjectNode whole = schema.deepCopy();
        whole.set("components", description.get("components"));
        assertThat(JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012).getSchema(whole).validate(value))
                .as(what).isEmpty();
    }
}
