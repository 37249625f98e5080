package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import dev.vinekit.TestDatabases;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Every comparison on every type of column, in both ways of writing brackets. */
class FiltersTest {
    /** Columns with three values each, which ascend; a fourth row has none. */
    private static final Map<String, List<String>> VALUES = Map.of(
            "small SMALLINT", List.of("-2", "3", "40"), "large BIGINT",
            List.of("-9007199254740993", "0", "9007199254740993"),
            "amount DECIMAL(9, 3)", List.of("-0.5", "1.125", "2.000"), "flag BOOLEAN", List.of("false", "true"),
            "words ${text}", List.of("\"abc\"", "\"bcd\"", "\"cde\""), "brief VARCHAR(9)",
            List.of("\"a,b\"", "\"a[b]\"", "\"b%c\""),
            "picked DATE", List.of("\"1999-12-31\"", "\"2024-02-29\"", "\"2030-01-01\""), "clock TIME",
            List.of("\"00:00:00\"", "\"08:30:00\"", "\"23:59:59\""),
            "moment ${moment}", List.of("\"1999-12-31T23:59:59\"", "\"2024-02-29T08:30:00\"",
                    "\"2030-01-01T00:00:00\""),
            "token ${uuid}", List.of("\"00000000-0000-4000-8000-000000000001\"",
                    "\"00000000-0000-4000-8000-000000000002\""));
    private static final Map<String, Map<String, String>> SPELLINGS = Map.of(
            "h2", Map.of("text", "VARCHAR", "moment", "TIMESTAMP", "uuid", "UUID"), "postgresql",
            Map.of("text", "TEXT", "moment", "TIMESTAMP", "uuid", "UUID"),
            "mariadb", Map.of("text", "TEXT", "moment", "DATETIME", "uuid", "UUID"),
            "mysql", Map.of("text", "TEXT", "moment", "DATETIME", "uuid", "BINARY(16)"), "sqlite",
            Map.of("text", "TEXT", "moment", "TIMESTAMP", "uuid", "UUID"));

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void everyComparisonFindsWhatItSays(String engine) throws Exception {
        TestDatabases.require(engine);
        StringBuilder script = new StringBuilder("CREATE TABLE item (id INT PRIMARY KEY");
        VALUES.keySet().forEach(column -> script.append(", ").append(column));
        String sql = script.append(");").toString();
        for (Map.Entry<String, String> spelling : SPELLINGS.get(engine).entrySet()) {
            sql = sql.replace("${" + spelling.getKey() + "}", spelling.getValue());
        }
        List<String> names = VALUES.keySet().stream().map(column -> column.substring(0, column.indexOf(' '))).toList();
        SoftAssertions softly = new SoftAssertions();
        try (ServedCellar served = ServedCellar.alone(
                ServedCellar.project(engine, sql, "entities:\n  item:\n    filters: [" + String.join(", ", names)
                        + "]\n    fields: { token: { type: UUID, visibility: shown } }\n"), Map.of())) {
            Http http = served.http();
            clear(served);
            for (int id = 1; id <= 4; id++) {
                StringBuilder row = new StringBuilder("{\"id\":" + id);
                for (Map.Entry<String, List<String>> column : VALUES.entrySet()) {
                    String value = id <= column.getValue().size() ? column.getValue().get(id - 1) : "null";
                    row.append(",\"").append(column.getKey(), 0, column.getKey().indexOf(' ')).append("\":")
                            .append(value);
                }
                assertThat(http.post("/items", row + "}").status()).isEqualTo(201);
            }
            JsonNode description = http.get("/openapi.json").body();
            for (Map.Entry<String, List<String>> column : VALUES.entrySet()) {
                String name = column.getKey().substring(0, column.getKey().indexOf(' '));
                JsonNode parameter = parameter(description, name);
                softly.assertThat(parameter.path("style").asText()).isEqualTo("deepObject");
                description.at(parameter.at("/schema/$ref").asText().substring(1)).path("properties").properties()
                        .forEach(property ->
                        compare(softly, http, name, property.getKey(), column.getValue()));
            }
        }
        softly.assertAll();
    }

    private static void clear(ServedCellar served) throws SQLException {
        try (Connection connection = served.connect(); Statement statement = connection.createStatement()) {
            statement.executeUpdate("DELETE FROM item");
        }
    }

    private static JsonNode parameter(JsonNode description, String name) {
        for (JsonNode reference : description.at("/paths/~1items/get/parameters")) {
            JsonNode parameter = description.at(reference.path("$ref").asText().substring(1));
            if (parameter.path("name").asText().equals(name)) {
                return parameter;
            }
        }
        throw new AssertionError("no parameter " + name);
    }

    /** Compares with the second value, or what belongs to the comparison. */
    private static void compare(SoftAssertions softly, Http http, String name, String comparison, List<String> values) {
        List<Integer> all = IntStream.rangeClosed(1, values.size()).boxed().toList();
        String second = values.get(1).replace("\"", "");
        boolean text = name.equals("words");
        String value = switch (comparison) {
            case "in" -> option(values.get(0)) + "," + option(second);
            case "isNull" -> "true";
            case "contains" -> text ? "bc" : "[";
            case "startsWith" -> text ? "bc" : "a";
            default -> encoded(second);
        };
        List<Integer> expected = switch (comparison) {
            case "is" -> List.of(2);
            case "not" -> without(all, 2);
            case "in" -> List.of(1, 2);
            case "isNull" -> IntStream.rangeClosed(values.size() + 1, 4).boxed().toList();
            case "atLeast" -> all.subList(1, all.size());
            case "atMost" -> List.of(1, 2);
            case "greater" -> all.subList(2, all.size());
            case "less" -> List.of(1);
            case "contains" -> text ? List.of(1, 2) : List.of(2);
            default -> text ? List.of(2) : List.of(1, 2);
        };
        List<String> forms = new ArrayList<>(List.of(name + "[" + comparison + "]=", name + "%5B" + comparison
                + "%5D=", name + "%5b" + comparison + "]="));
        if (comparison.equals("is")) {
            forms.add(name + "=");
        }
        for (String form : forms) {
            Http.Answer answer = http.get("/items?" + form + value);
            softly.assertThat(answer.status()).as(form + value + " " + answer.text()).isEqualTo(200);
            softly.assertThat(answer.body().findValues("id")).as(form + value).extracting(JsonNode::asInt)
                    .isEqualTo(expected);
        }
    }

    private static List<Integer> without(List<Integer> all, int one) {
        return all.stream().filter(id -> id != one).toList();
    }

    /** A value in a list of several, whose own commas are encoded twice. */
    private static String option(String value) {
        return encoded(encoded(value.replace("\"", "")));
    }

    private static String encoded(String value) {
        return URLEncoder.encode(value, StandardCharsets.UTF_8);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "code[like]=x             | There is no parameter code[like]; code takes code, code[is], code[not], code[in], code[isNull], code[atLeast]",
        "code[not=x               | There is no parameter code[not; code takes code, code[is]",
        "code[]=x                 | There is no parameter code[]; code takes code,",
        "code[is]x=x              | There is no parameter code[is]x; code takes code,",
        "code]=x                  | There is no parameter code]; this path takes after, count",
        "[is]=x                   | There is no parameter [is]; this path takes after, count",
        "nothing[is]=x            | There is no parameter nothing[is]; this path takes after, count",
        "code.not=x               | There is no parameter code.not; write code[not].",
        "code.startsWith=x        | There is no parameter code.startsWith; write code[startsWith].",
        "code.like=x              | There is no parameter code.like; this path takes after, count",
        "code[not]=x&code[not]=y  | The parameter code[not] is given more than once.",
        "code=x&code[is]=y        | is given more than once.",
        "code=x&code=x            | The parameter code is given more than once.",
        "id[atLeast]=x            | The value of the parameter id[atLeast] must be",
        "id[in]=1,,2              | The value of the parameter id[in] must be",
        "id%5BisNull%5D=1         | The parameter id[isNull] takes true or false."})
    void mistakesAreNamed(String query, String detail) {
        Http.Answer answer = ServedCellar.on("h2").http().get("/vessels?" + query);

        assertThat(answer.status()).as(answer.text()).isEqualTo(400);
        assertThat(answer.body().path("detail").asText()).contains(detail);
    }

    @Test
    void columnsWithBracketsAndPointsInTheirNamesAreFilteredToo() throws Exception {
        String script =
                "CREATE TABLE item (id INT PRIMARY KEY, \"a\" INT, \"a[not]\" INT, \"b.in\" INT, \"c]\" INT, \"limit\" INT);";
        try (ServedCellar served = ServedCellar.alone(ServedCellar.project("h2", script,
                "project:\n  json-names: as-in-database\nentities:\n  ITEM:\n    filters: [a, 'a[not]', b.in, 'c]', limit]\n"), Map.of())) {
            Http http = served.http();
            clear(served);
            Http.Answer created = http.post("/items",
                    "[{\"id\":1,\"a\":1,\"a[not]\":1,\"b.in\":1,\"c]\":1,\"limit\":1},{\"id\":2,\"a\":2,\"a[not]\":2,\"b.in\":2,\"c]\":2,\"limit\":2}]");
            assertThat(created.status()).as(created.text()).isEqualTo(201);

            for (String query : List.of("a=1", "a[is]=1", "a[not]=2", "a[not][is]=1", "a[not][less]=2", "b.in=1",
                    "b.in[in]=1", "c]=1", "c][not]=2", "limit[is]=1")) {
                Http.Answer answer = http.get("/items?" + query);
                assertThat(answer.status()).as(query + " " + answer.text()).isEqualTo(200);
                assertThat(answer.body().findValues("id")).as(query).extracting(JsonNode::asInt).containsExactly(1);
            }
        }
    }
}
