package dev.vinekit.service;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.HashMap;
import java.util.Map;
import java.util.zip.GZIPInputStream;

/** Sends requests to a service. */
record Http(String url, Map<String, String> headers) {
    static final JsonMapper JSON = JsonMapper.builder().enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
            .nodeFactory(new JsonNodeFactory(true)).build();

    private static final HttpClient CLIENT = HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();

    Http(String url) {
        this(url, Map.of());
    }

    /** An answer. */
    record Answer(int status, java.net.http.HttpHeaders headers, String text) {
        JsonNode body() {
            try {
                return JSON.readTree(text);
            } catch (JsonProcessingException e) {
                throw new AssertionError("not JSON: " + text, e);
            }
        }

        /** A header; empty if it is not there. */
        String header(String name) {
            return headers.firstValue(name).orElse("");
        }

        /** The path and query of the next page; null on the last one. */
        String next(String path) {
            String link = header("Link");
            return link.isEmpty() ? null : link.substring(link.indexOf(path), link.indexOf('>'));
        }
    }

    /** The same with a header in each request. */
    Http with(String header, String value) {
        Map<String, String> more = new HashMap<>(headers);
        more.put(header, value);
        return new Http(url, more);
    }

    /** The same with a token. */
    Http bearing(String token) {
        return with("Authorization", "Bearer " + token);
    }

    Answer get(String path) {
        return send("GET", path, "");
    }

    Answer post(String path, String body) {
        return send("POST", path, body);
    }

    /** Sends a body, which is a merge patch if the method says so. */
    Answer send(String method, String path, String body) {
        return send(method, path, HttpRequest.BodyPublishers.ofString(body));
    }

    Answer send(String method, String path, HttpRequest.BodyPublisher body) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(url + path)).timeout(Duration.ofSeconds(60))
                .header("Content-Type", method.equals("PATCH") ? "application/merge-patch+json" : "application/json")
                .method(method, body);
        headers.forEach(request::setHeader);
        try {
            HttpResponse<byte[]> answer = CLIENT.send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
            return new Answer(answer.statusCode(), answer.headers(), text(answer));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** The body as a text, whether it came compressed or not. */
    private static String text(HttpResponse<byte[]> answer) throws IOException {
        InputStream bytes = new ByteArrayInputStream(answer.body());
        boolean compressed = answer.body().length > 0
                && answer.headers().firstValue("Content-Encoding").filter("gzip"::equals).isPresent();
        try (InputStream plain = compressed ? new GZIPInputStream(bytes) : bytes) {
            return new String(plain.readAllBytes(), StandardCharsets.UTF_8);
        }
    }
}
