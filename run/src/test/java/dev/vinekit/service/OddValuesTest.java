package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import dev.vinekit.TestDatabases;
import java.util.List;
import java.util.Map;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Whatever a client sends, either the same value comes back or the request is refused. */
class OddValuesTest {
    private static final Map<String, List<String>> VALUES = Map.of(
            "number", List.of("1e400", "-1e400", "1e99999999999", "-0.0", "-0", "-0e5", "0.0", "\"Infinity\"",
                    "\"-Infinity\"", "\"NaN\"",
                    "1.7976931348623157e308", "5e-324", "1e-400", "0.1", "123456789012345678", "true", "\"1\"", "[1]"),
            "pickedOn", List.of("\"0001-01-01\"", "\"9999-12-31\"", "\"0000-01-01\"", "\"-0001-01-01\"",
                    "\"+10000-01-01\"", "\"+999999999-12-31\"",
                    "\"1582-10-10\"", "\"2024-02-30\"", "\"infinity\"", "20240101", "\"\"", "\"2024-01-01T00:00:00\""),
            "moment", List.of("\"0001-01-01T00:00:00\"", "\"9999-12-31T23:59:59\"", "\"+294277-01-01T00:00:00\"",
                    "\"-4713-01-01T00:00:00\"",
                    "\"2024-01-01T24:00:00\"", "\"2024-01-01T00:00:60\"", "\"1582-10-10T10:10:10\""),
            "document", List.of("1e400", "{\"a\":1e400}", "12345678901234567890.123", "1.10", "{\"a\":1.10}", "[1e5]",
                    "-0", "{\"a\":-0.0}", "0.1e1", "\"1.10\"",
                    "\"\\ud800\"", "{\"\\udc00\":1}", "{\"a\":\"\\u0000\"}", "true", "[]", "{\"a\":{\"a\":null}}",
                    "17"),
            "label", List.of("\"\\ud800\"", "\"\\ud83c\\udf47\"", "\"a\\u0000\"", "\"\\u202e\"", "\" a \"",
                    "\"\\r\\n\\t\"", "\"'; --\"", "1", "null"));

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void valuesAndBrokenKeysAreToldAsTheyAre(String engine) throws Exception {
        TestDatabases.require(engine);
        try (ServedCellar served = ServedCellar.alone(
                ServedCellar.project(engine, valuesOf(engine) + keysOf(engine), "{}\n"), Map.of())) {
            valuesComeBackAsTheyWereOrAreRefused(served.http());
            keyIsToldWhateverStandsInNamesAndValues(served.http());
        }
    }

    private static String valuesOf(String engine) {
        String text = engine.equals("h2") ? "VARCHAR" : engine.startsWith("m") ? "LONGTEXT" : "TEXT";
        return "CREATE TABLE odd (id INT PRIMARY KEY, number "
                + (engine.equals("sqlite") ? "REAL" : "DOUBLE PRECISION") + ", picked_on DATE, moment "
                + (engine.startsWith("m") ? "DATETIME(6)" : engine.equals("sqlite") ? "DATETIME" : "TIMESTAMP")
                + ", document " + (engine.equals("postgresql") ? "JSONB" : "JSON") + ", label " + text + ");";
    }

    private static void valuesComeBackAsTheyWereOrAreRefused(Http http) throws Exception {
        SoftAssertions softly = new SoftAssertions();
        int id = 1000;
        for (Map.Entry<String, List<String>> field : VALUES.entrySet()) {
            for (String value : field.getValue()) {
                String what = field.getKey() + " " + value;
                Http.Answer created = http.post("/odds", "{\"id\":" + ++id + ",\"" + field.getKey() + "\":" + value
                        + "}");
                softly.assertThat(created.status()).as("%s: %s", what, created.text()).isIn(201, 400);
                if (created.status() == 201) {
                    JsonNode sent = Http.JSON.readTree(value);
                    softly.assertThat(field.getKey().equals("number")
                            ? sent.doubleValue() == http.get("/odds/" + id).body().path("number").doubleValue()
                            : same(sent, http.get("/odds/" + id).body().path(field.getKey())))
                            .as("%s: %s", what, created.text()).isTrue();
                }
            }
        }
        softly.assertThat(http.get("/odds?limit=500").status()).isEqualTo(200);
        softly.assertAll();
    }

    private static String keysOf(String engine) {
        String script = "CREATE TABLE \"a.b\" (id INT NOT NULL, label VARCHAR(60) NOT NULL, CONSTRAINT \"k.ey' (o\""
                + " PRIMARY KEY (id), CONSTRAINT \"u.q ON b('\" UNIQUE (label));";
        return engine.startsWith("m") ? script.replace('"', '`') : script;
    }

    /** Databases tell a broken rule in a sentence, with the names and the value in it. */
    private static void keyIsToldWhateverStandsInNamesAndValues(Http http) throws Exception {
        String label = "\"label\":\"x' ON \\\"a.b\\\"(id) for key 'a.b.PRIMARY' for key 'b.id'\"";
        assertThat(http.post("/a-bs", "{\"id\":1," + label + "}").status()).isEqualTo(201);

        Http.Answer again = http.post("/a-bs", "{\"id\":2," + label + "}");
        assertThat(again.status()).isEqualTo(409);
        assertThat(again.body().path("violations").findValuesAsText("field")).as(again.text())
                .containsExactly("label");
        assertThat(http.post("/a-bs", "{\"id\":1,\"label\":\"y\"}").body().path("violations")
                .findValuesAsText("field")).containsExactly("id");
    }

    /** Whether two documents are the same, numbers by their value. */
    private static boolean same(JsonNode one, JsonNode other) {
        if (one.isNumber() && other.isNumber()) {
            return one.decimalValue().compareTo(other.decimalValue()) == 0;
        }
        if (one.isContainerNode() && one.getNodeType() == other.getNodeType() && one.size() == other.size()) {
            assertThat(one.size()).isLessThan(10);
            for (int i = 0; i < one.size(); i++) {
                if (one.isArray() && !same(one.get(i), other.get(i))) {
                    return false;
                }
            }
            return one.properties().stream()
                    .allMatch(property -> same(property.getValue(), other.path(property.getKey())));
        }
        return one.equals(other) || one.isTextual() && other.isTextual()
                && moment(one.textValue()).equals(moment(other.textValue()));
    }

    private static String moment(String text) {
        return text.replaceFirst("(T\\d\\d:\\d\\d):00$", "$1");
    }
}
