package com.example.cellar.support;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Sends requests to the service. */
public final class Api {
    private static final HttpClient CLIENT = HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
    private static final Pattern NEXT = Pattern.compile("<[^>]*?" + Pattern.quote("/api") + "(/[^>]*)>; rel=\"next\"");

    private final String url;
    private final Map<String, String> headers;

    public Api(String url) {
        this(url, Map.of());
    }

    private Api(String url, Map<String, String> headers) {
        this.url = url;
        this.headers = headers;
    }

    /** The same with a header in each request. */
    public Api sending(String header, String value) {
        Map<String, String> more = new HashMap<>(headers);
        more.put(header, value);
        return new Api(url, more);
    }

    public ApiResponse get(String path) {
        return send("GET", path, "application/json", null);
    }

    /** Reads what a reference of an answer leads to. */
    public ApiResponse at(String reference) {
        String whole = URI.create(url + "/").resolve(reference).toString();
        assertThat(whole).startsWith(url);
        return get(whole.substring(url.length()));
    }

    public ApiResponse post(String path, Object body) {
        return send("POST", path, "application/json", body);
    }

    public ApiResponse put(String path, Object body) {
        return send("PUT", path, "application/json", body);
    }

    public ApiResponse patch(String path, Object body) {
        return send("PATCH", path, MergePatch.MEDIA_TYPE, body);
    }

    public ApiResponse delete(String path) {
        return send("DELETE", path, "application/json", null);
    }

    /** Reads a collection page by page, as the Link headers lead, and returns the number of pages. */
    public int eachPage(String path, Consumer<ApiResponse> reader) {
        Set<String> read = new HashSet<>();
        for (String next = path; next != null; ) {
            assertThat(read.add(next)).as("%s has not been read before", next).isTrue();
            ApiResponse page = get(next);
            assertThat(page.status()).isEqualTo(200);
            reader.accept(page);
            Matcher link = NEXT.matcher(page.header("Link"));
            next = link.find() ? link.group(1) : null;
        }
        return read.size();
    }

    /**
     * Sends a body as it is if it is text, else as JSON. The brackets of parameters are encoded (RFC 3986, appendix A).
     */
    public ApiResponse send(String method, String path, String contentType, Object body) {
        String text = body == null || body instanceof String ? (String) body : Json.MAPPER.valueToTree(body).toString();
        String id = Exchanges.next();
        HttpRequest.Builder request
                = HttpRequest.newBuilder(URI.create((url + path).replace("[", "%5B").replace("]", "%5D")))
                .timeout(Duration.ofSeconds(30))
                .header("Content-Type", contentType)
                .header("X-Request-Id", id)
                .method(method, text == null ? HttpRequest.BodyPublishers.noBody()
                        : HttpRequest.BodyPublishers.ofString(text));
        headers.forEach(request::setHeader);
        try {
            ApiResponse response = new ApiResponse(CLIENT.send(request.build(), HttpResponse.BodyHandlers.ofString()));
            Exchanges.note(id, method, path, contentType, text, response);
            return response;
        } catch (IOException e) {
            throw new UncheckedIOException(method + " " + path, e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(method + " " + path + " was interrupted", e);
        }
    }

    /** A value as text, a number without an exponent. */
    public static String plain(JsonNode value) {
        return value.isNumber() ? value.decimalValue().toPlainString() : value.asText();
    }

    /** Text as the value of a query parameter. */
    public static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    /** A body without some of its properties. */
    public static ObjectNode without(Object body, String... properties) {
        return Json.tree(body).without(List.of(properties));
    }

    /** A body with only this property. */
    public static ObjectNode only(Object body, String property) {
        return Json.tree(body).retain(property);
    }

    /** A body with another value for a property. */
    public static ObjectNode with(Object body, String property, Object value) {
        return Json.tree(body).set(property, Json.MAPPER.valueToTree(value));
    }

    /** A body with the values that another one has for these properties. */
    public static ObjectNode copying(Object body, Object other, String... properties) {
        return Json.tree(body).setAll(Json.tree(other).retain(properties));
    }

    /** Of a body what an input gives, without some of its properties. */
    static ObjectNode given(Object body, Object input, List<String> ignored) {
        List<String> given = Json.tree(input).properties().stream().filter(property -> !property.getValue().isNull())
                .map(Map.Entry::getKey).filter(name -> !ignored.contains(name)).toList();
        return Json.tree(body).retain(given);
    }

    /** A patch that takes a property's value away. */
    public static ObjectNode clearing(String property) {
        return Json.MAPPER.createObjectNode().putNull(property);
    }

    /** A body in which two properties have each other's values. */
    public static ObjectNode exchanging(Object body, String one, String other) {
        ObjectNode exchanged = Json.tree(body);
        JsonNode value = exchanged.get(one);
        return exchanged.<ObjectNode>set(one, exchanged.get(other)).set(other, value);
    }
}
