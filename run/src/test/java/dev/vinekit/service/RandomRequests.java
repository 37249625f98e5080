package dev.vinekit.service;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.math.BigDecimal;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Requests that a contract allows, and the like of them with something odd, as numbers make them up. */
final class RandomRequests {
    private static final List<String> ODD =
            List.of("null", "true", "[]", "{}", "[1]", "{\"a\":1}", "\"\"", "\" \"", "\"x\"", "\".\"", "\"..\"",
                    "\"a/b\"", "\"a;b\"", "\"a,b\"", "\"+\"", "0", "-1", "-0.0", "1e400", "1e-400",
            "1e99999999999", "9223372036854775808", "-9223372036854775809", "2147483648", "32768", "128", "0.1",
            "123456789012345678901234567890.123456789",
            "\"NaN\"", "\"Infinity\"", "\"2024-02-30\"", "\"0000-00-00\"", "\"+999999999-12-31\"", "\"-0001-01-01\"",
            "\"24:00:00\"", "\"2024-01-01T00:00:60Z\"",
            "\"2024-01-01T00:00:00+18:00\"", "\"9999-12-31T23:59:59.999999999\"", "\"\\u0000\"", "\"\\ud800\"",
            "\"\\udf47\\ud83c\"", "\"\\ud83c\\udf47\"", "\"\\u202e\"",
            "\"'; DROP TABLE vessel; --\"", "\"%\"", "\"_\"", "\"\\\\\"", "\"a\\r\\nb\"", "\"{a,b}\"", "\"\\\\x00ff\"",
            "\"====\"", "\"AA\"", "\"AA==\"", "\"e\\u0301\"", "\"\\u00e9\"",
            "\"00000000-0000-0000-0000-00000000000\"", "[null]", "[[1]]", "[\"a\",\"a\"]",
            "{\"a\":{\"a\":[0.10,1e5]}}", "{\"\":null}");
    private static final List<String> ODD_TEXTS =
            List.of("", " ", "0", "-1", "+1", "01", "1e3", "99999999999999999999", "null", "true", "*", "%", "_", "'",
                    "\"", "\\", "a,b", ",", ",,",
            "..", ".", "a/b", "a;b", "a b", "\u0000", "\u202e", "\ud83c\udf47", "e\u0301", "2024-02-30", "NaN",
            "Infinity", "id", "-id", "id,id", "[", "]", "x[is]", "(((((");

    /** In an order that is the same in each run: a number makes the same requests again. */
    private static final Map<String, List<String>> HEADERS = new TreeMap<>(Map.of(
            "Accept", List.of("application/json", "*/*", "text/html", "application/json;q=0", ";;;/",
                    "application/*;q=0.5, text/plain"),
            "Content-Type", List.of("application/json", "application/merge-patch+json", "text/plain",
                    "application/json; charset=utf-16", "///", "*/*", "application/xml"),
            "If-Match", List.of("*", "\"0\"", "W/\"1\"", "\"", "a, b", "\"a\", \"b\""),
            "If-None-Match", List.of("*", "\"0\"", "W/\"1\"", "\"", ","),
            "Content-Encoding", List.of("gzip", "identity", "br"),
            "X-Request-Id", List.of("a", "\"", "x".repeat(300)),
            "Range", List.of("bytes=0-1", "bytes=-"), "Accept-Language", List.of("de", "*"), "Accept-Encoding",
            List.of("gzip", "identity;q=0"),
            "X-Forwarded-Host", List.of("elsewhere.example")));

    private final JsonNode contract;
    private final Random random;

    /** Paths of rows that were made, entity tags and pages that were told. */
    private final List<String> rows = new ArrayList<>();
    private final List<String> tags = new ArrayList<>();
    private final List<String> pages = new ArrayList<>();

    RandomRequests(JsonNode contract, long number) {
        this.contract = contract;
        this.random = new Random(number);
    }

    /** A request. */
    record Request(String method, String path, Map<String, String> headers, byte[] body) {
        String text() {
            return new String(body, StandardCharsets.UTF_8);
        }

        @Override
        public String toString() {
            return method + " " + path + " " + headers + " " + (body.length > 2000 ? body.length + " bytes" : text());
        }
    }

    /** The paths of the contract that have this operation. */
    List<String> paths(String method) {
        return contract.path("paths").properties().stream().filter(path -> path.getValue().has(method))
                .map(Map.Entry::getKey).toList();
    }

    /** Notes what an answer tells, for requests to come. */
    void learn(Http.Answer answer, String base) {
        keep(rows, answer.header("Location").replaceFirst("^" + base, ""));
        keep(tags, answer.header("ETag"));
        keep(pages, answer.header("Link").isEmpty() ? ""
                : answer.header("Link").replaceFirst("^<" + base + "([^>]*)>.*", "$1"));
    }

    private void keep(List<String> list, String what) {
        if (!what.isEmpty()) {
            list.add(what);
            if (list.size() > 200) {
                list.remove(random.nextInt(list.size()));
            }
        }
    }

    /** The next request. */
    Request next() {
        String method = List.of("get", "get", "get", "post", "post", "put", "patch", "delete").get(random.nextInt(8));
        List<String> paths = paths(method);
        String template = paths.get(random.nextInt(paths.size()));
        JsonNode operation = contract.path("paths").path(template).path(method);
        Map<String, String> headers = new TreeMap<>();
        headers.put("Content-Type", method.equals("patch") ? "application/merge-patch+json" : "application/json");
        HEADERS.forEach((name, values) -> {
            if (chance(4)) {
                headers.put(name, one(values));
            }
        });
        if (!tags.isEmpty() && chance(15)) {
            headers.put(chance(60) ? "If-Match" : "If-None-Match", one(tags));
        }
        String path = method.equals("get") && !pages.isEmpty() && chance(15) ? page() : path(template)
                + query(operation);
        return new Request(chance(1) ? one(List.of("HEAD", "OPTIONS", "TRACE", "QUERY")) : method.toUpperCase(Locale.ROOT), path,
                headers,
                operation.has("requestBody") ? body(operation.path("requestBody").path("content").elements().next())
                : new byte[0]);
    }

    /** A page that was told, or one whose cursor is another. */
    private String page() {
        String page = one(pages);
        int begin = page.indexOf("after=") + 6;
        if (chance(50) || begin < 6 || begin == page.length()) {
            return page;
        }
        int at = begin + random.nextInt(page.length() - begin);
        return page.substring(0, at) + "Ab0_-".charAt(random.nextInt(5))
                + page.substring(at + random.nextInt(2)).replaceFirst("^[^A-Za-z0-9_-]", "");
    }

    private String path(String template) {
        List<String> fitting = rows.stream().filter(row -> row.startsWith(template.replaceFirst("\\{.*", ""))).toList();
        if (template.contains("{") && !fitting.isEmpty() && chance(80)) {
            String row = one(fitting);
            return template.endsWith("}") || !template.contains("}") ? row : row
                    + template.substring(template.indexOf('}') + 1);
        }
        return Arrays.stream(template.split("(?<=/)")).map(part -> !part.startsWith("{") ? part
                : encoded(chance(50) ? String.valueOf(1 + random.nextInt(40)) : one(ODD_TEXTS))
                + (part.endsWith("/") ? "/" : "")).collect(Collectors.joining());
    }

    private String query(JsonNode operation) {
        List<String> query = new ArrayList<>();
        for (JsonNode reference : operation.path("parameters")) {
            JsonNode parameter = resolved(reference);
            JsonNode schema = resolved(parameter.path("schema"));
            if (!parameter.path("in").asText().equals("query") || !chance(6)) {
                continue;
            }
            String name = parameter.path("name").asText();
            if (schema.has("properties")) {
                List<Map.Entry<String, JsonNode>> comparisons = new ArrayList<>(schema.path("properties").properties());
                Map.Entry<String, JsonNode> comparison = one(comparisons);
                query.add(encoded(name + "[" + comparison.getKey() + "]") + "=" + encoded(text(comparison.getValue())));
            } else {
                query.add(encoded(name) + "=" + encoded(text(schema)));
            }
        }
        if (chance(5)) {
            query.add(encoded(one(ODD_TEXTS)) + "=" + encoded(one(ODD_TEXTS)));
        }
        return query.isEmpty() ? "" : "?" + String.join("&", query);
    }

    private String text(JsonNode schema) {
        JsonNode value = chance(20) ? null : value(resolved(schema), 0);
        return value == null ? one(ODD_TEXTS) : value.isArray()
                ? IntStream.range(0, value.size()).mapToObj(i -> value.get(i).asText())
                .collect(Collectors.joining(",")) : value.asText();
    }

    private byte[] body(JsonNode content) {
        JsonNode schema = resolved(content.path("schema"));
        JsonNode single = schema.has("oneOf") ? resolved(schema.path("oneOf").get(0)) : schema;
        String text = chance(85) ? object(single, content.path("example")).toString()
                : "[" + IntStream.range(0, random.nextInt(6))
                .mapToObj(i -> object(single, content.path("example")).toString()).collect(Collectors.joining(","))
                + "]";
        if (chance(1)) {
            text = "[".repeat(1 + random.nextInt(1500)) + text;
        }
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        return chance(8) ? spoilt(bytes) : bytes;
    }

    /** Bytes left out, doubled or changed. */
    private byte[] spoilt(byte[] bytes) {
        int at = random.nextInt(bytes.length);
        byte[] spoilt = chance(50) ? bytes.clone() : Arrays.copyOf(bytes, random.nextInt(bytes.length + 10));
        if (at < spoilt.length) {
            spoilt[at] = (byte) random.nextInt(256);
        }
        return spoilt;
    }

    private JsonNode object(JsonNode schema, JsonNode example) {
        ObjectNode object = example.isObject() && chance(70) ? example.deepCopy() : Http.JSON.createObjectNode();
        for (Map.Entry<String, JsonNode> property : schema.path("properties").properties()) {
            if (chance(object.has(property.getKey()) ? 40 : 60)) {
                object.set(property.getKey(), chance(12) ? odd() : value(resolved(property.getValue()), 0));
            }
        }
        if (chance(3)) {
            object.set(one(ODD_TEXTS), odd());
        }
        if (chance(4) && !object.isEmpty()) {
            object.remove(one(new ArrayList<>(object.properties())).getKey());
        }
        return object;
    }

    private JsonNode odd() {
        try {
            return Http.JSON.readTree(one(ODD));
        } catch (JsonProcessingException | NumberFormatException e) {
            return Http.JSON.getNodeFactory().numberNode(new BigDecimal("1e400"));
        }
    }

    /** A value of a type. */
    private JsonNode value(JsonNode schema, int depth) {
        if (schema.has("enum")) {
            return schema.path("enum").get(random.nextInt(schema.path("enum").size()));
        }
        String type = schema.path("type").isArray() ? schema.path("type").get(0).asText()
                : schema.path("type").asText();
        var nodes = Http.JSON.getNodeFactory();
        return switch (type) {
            case "integer" -> nodes.numberNode(chance(70) ? random.nextInt(60)
                    : random.nextLong() >> random.nextInt(64));
            case "number" -> chance(60) ? nodes.numberNode(
                    BigDecimal.valueOf(random.nextInt(100_000), random.nextInt(4)))
                    : nodes.numberNode(Double.longBitsToDouble(random.nextLong() & ~(1L << 62)));
            case "boolean" -> nodes.booleanNode(random.nextBoolean());
            case "array" -> nodes.arrayNode().addAll(IntStream.range(0, random.nextInt(4))
                    .mapToObj(i -> value(resolved(schema.path("items")), depth + 1)).toList());
            case "string" -> nodes.textNode(string(schema));
            default -> depth > 3 ? nodes.nullNode() : chance(50) ? odd()
                    : nodes.arrayNode().add(value(schema, depth + 1));
        };
    }

    private String string(JsonNode schema) {
        return switch (schema.path("format").asText()) {
            case "date" -> "%04d-%02d-%02d".formatted(1 + random.nextInt(9999), 1 + random.nextInt(12), 1
                    + random.nextInt(31));
            case "time" -> "%02d:%02d:%02d".formatted(random.nextInt(24), random.nextInt(60), random.nextInt(60))
                    + one(List.of("", "Z", ".5", "+02:00"));
            case "date-time" -> "%04d-%02d-%02dT%02d:%02d:%02d".formatted(1 + random.nextInt(9999), 1
                    + random.nextInt(12), 1 + random.nextInt(31), random.nextInt(24),
                    random.nextInt(60), random.nextInt(60)) + one(List.of("", "Z", ".123456", "+02:00", ".123456789Z"));
            case "uuid" -> new UUID(random.nextLong(), random.nextLong()).toString();
            case "byte" -> Base64.getEncoder().encodeToString(bytes(random.nextInt(20)));
            default -> letters(Math.min(schema.path("maxLength").asInt(30), 40));
        };
    }

    private byte[] bytes(int length) {
        byte[] bytes = new byte[length];
        random.nextBytes(bytes);
        return bytes;
    }

    private String letters(int most) {
        String alphabet = chance(70) ? "abcdefghij XYZ-0123"
                : "a \u00e9\u00df\u4e2d\ud83c\udf47\u0301\u202e\t'\"\\%_<&{}\n";
        int[] points = alphabet.codePoints().toArray();
        return IntStream.range(0, random.nextInt(most + 1)).map(i -> points[random.nextInt(points.length)])
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append).toString();
    }

    /** What a reference points to; the first of several forms. */
    private JsonNode resolved(JsonNode node) {
        JsonNode found = node;
        while (found.has("$ref")) {
            found = contract.at(found.path("$ref").asText().substring(1));
        }
        return found.has("anyOf") ? resolved(found.path("anyOf").get(0)) : found;
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8).replace("+", "%20");
    }

    private boolean chance(int percent) {
        return random.nextInt(100) < percent;
    }

    private <T> T one(List<T> list) {
        return list.get(random.nextInt(list.size()));
    }
}
