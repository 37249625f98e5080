package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.read.ListAppender;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.vinekit.run.RunningService;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.slf4j.LoggerFactory;

/** What the cellar's generated service answers, beyond what its own tests ask; on each engine. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
abstract class GeneratedServiceTest {
    private static final String JSON = "application/json";
    private static final String PATCH = "application/merge-patch+json";

    private final String engine;
    private RunningService service;

    GeneratedServiceTest(String engine) {
        this.engine = engine;
    }

    @BeforeAll
    void start() {
        service = ServedCellar.on(engine).replica(Map.of("HTTP_BASE_PATH", "/cellar/v1"));
    }

    @AfterAll
    void stop() {
        if (service != null) {
            service.close();
        }
    }

    @Test
    void basePathIsASetting() throws Exception {
        assertThat(service.url()).endsWith("/cellar/v1");
        assertThat(body(get("/")).path("vessels").asText()).isEqualTo("/cellar/v1/vessels");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "/vessels | {'code':'V1','kind':'tank','capacityLitres':'5000'}               | capacityLitres | Type",
        "/vessels | {'code':'V1','kind':'tank','capacityLitres':5000.0}               | capacityLitres | Type",
        "/vessels | {'code':'V1','kind':'tank','capacityLitres':99999999999}          | capacityLitres | Type",
        "/vessels | {'code':'V1','kind':'tank','capacityLitres':true}                 | capacityLitres | Type",
        "/vessels | {'code':'V1','kind':'TANK','capacityLitres':5000}                 | kind           | Type",
        "/vessels | {'code':'V1','kind':0,'capacityLitres':5000}                      | kind           | Type",
        "/vessels | {'code':17,'kind':'tank','capacityLitres':5000}                   | code           | Type",
        "/vessels | {'code':['V1'],'kind':'tank','capacityLitres':5000}               | code           | Type",
        "/vessels | {'code':'V1','kind':'tank','capacityLitres':5000,'inUse':'true'}  | inUse          | Type",
        "/vessels | {'code':'V1','kind':'tank','capacityLitres':5000,'inUse':1}       | inUse          | Type",
        "/vessels | {'code':'V1','kind':'tank','capacityLitres':5000,'boughtOn':'2023-02-29'} | boughtOn | Type",
        "/vessels | {'code':'V1','kind':'tank','capacityLitres':5000,'boughtOn':'2023-02-28T00:00:00'} | boughtOn | Type",
        "/vessels | {'code':'V1','kind':'tank','capacityLitres':5000,'boughtOn':''}   | boughtOn       | Type",
        "/vessels | {'code':'V1','kind':'tank','capacityLitres':5000,'Code':'x'}      | Code           | Unknown",
        "/vessels | {'id':1,'code':'V1','kind':'tank','capacityLitres':5000}          | id             | Null",
        "/vessels | {'code':null,'kind':'tank','capacityLitres':5000}                 | code           | NotNull",
        "/vessels | {'code':'V1','kind':'tank','capacityLitres':19}                   | capacityLitres | Min",
        "/vessels | {'code':'V1','kind':'tank','capacityLitres':100001}               | capacityLitres | Max",
        "/bottlings | {'blendId':1,'bottledOn':'2024-01-01','bottles':5,'closedWith':'cork','bottleMl':700} | bottleMl | OneOf",
        "/bottlings | {'blendId':1,'bottledOn':'2024-01-01','bottles':5,'closedWith':'cork','price':1.234}  | price | Digits",
        "/bottlings | {'blendId':1,'bottledOn':'2024-01-01','bottles':5,'closedWith':'cork','litres':1}     | litres | Unknown",
        "/blend-components | {'blendId':1,'wineLotId':'00000000-0000-4000-a000-000000000030','share':0}  | share | DecimalMin",
        "/blend-components | {'blendId':1,'wineLotId':'not-a-uuid','share':5}                            | wineLotId | Type",
        "/cellar-hands | {'fullName':'A','email':'@x','hiredOn':'2020-01-01','shiftStarts':'06:00'}      | email | Pattern",
        "/cellar-hands | {'fullName':'A','email':'a@x','hiredOn':'2020-01-02','leftOn':'2020-01-01','shiftStarts':'06:00'} | leftOn | AtLeast",
        "/vessel-transfers | {'from':1,'to':1,'litres':1,'movedAt':'2024-01-01T10:00:00','movedBy':1}    | from | Different"})
    void brokenRuleIsNamedWithItsField(String path, String body, String field, String rule) throws Exception {
        HttpResponse<String> answer = send("POST", path, JSON, body);

        assertThat(answer.statusCode()).isEqualTo(400);
        assertThat(answer.headers().firstValue("Content-Type").orElseThrow()).startsWith("application/problem+json");
        JsonNode violations = body(answer).path("violations");
        assertThat(violations).as(answer.body()).hasSize(1);
        assertThat(violations.path(0).path("field").asText()).isEqualTo(field);
        assertThat(violations.path(0).path("rule").asText()).isEqualTo(ruleHere(body, rule));
        assertThat(body(answer).path("detail").asText()).contains(field);
    }

    /** What clients send is told to them, and does not fill the log. */
    @Test
    void refusedValueIsNoWarningInTheLog() throws Exception {
        ListAppender<ILoggingEvent> log = new ListAppender<>();
        log.start();
        Logger logger = (Logger) LoggerFactory.getLogger("org.hibernate.validator");
        logger.addAppender(log);
        try {
            assertThat(send("POST", "/blend-components", JSON,
                    "{'blendId':1,'wineLotId':'00000000-0000-4000-a000-000000000030','share':0}").statusCode())
                    .isEqualTo(400);
        } finally {
            logger.detachAppender(log);
        }
        assertThat(log.list).noneMatch(event -> event.getLevel().isGreaterOrEqual(Level.WARN));
    }

    @Test
    void everyMistypedFieldIsNamedAtOnce() throws Exception {
        HttpResponse<String> answer = send("POST", "/vessels", JSON,
                "{'code':5,'kind':'jug','capacityLitres':'x','colour':'red'}");

        assertThat(body(answer).path("violations").findValuesAsText("field"))
                .containsExactlyInAnyOrder("code", "kind", "capacityLitres", "colour");
    }

    @ParameterizedTest
    @ValueSource(strings = {"{", "[1]", "null", "\"text\"", "{'code':'a','code':'b'}", "{} {}", "{'a':01}", "\u0000",
            ""})
    void bodyThatIsNoJsonObjectIsRefused(String body) throws Exception {
        HttpResponse<String> answer = send("POST", "/vessels", JSON, body);

        assertThat(answer.statusCode()).isEqualTo(400);
        assertThat(answer.body()).doesNotContain("com.fasterxml", "Exception");
    }

    @Test
    void defaultsAndGeneratedValuesAreInTheAnswer() throws Exception {
        JsonNode bottling = body(send("POST", "/bottlings", JSON,
                "{'blendId':2,'bottledOn':'2024-07-01','bottles':1001,'closedWith':'screw cap'}"));

        assertThat(bottling.path("id").isInt()).isTrue();
        assertThat(bottling.path("bottleMl").asInt()).isEqualTo(750);
        assertThat(bottling.path("litres").decimalValue()).isEqualByComparingTo("750.75");
        assertThat(bottling.get("price").isNull()).isTrue();
    }

    @Test
    void keyMadeByTheDatabaseMayBeChosenIfItIsNoNumberOfItsOwn() throws Exception {
        String lot = "'name':'Chosen','vintage':2023,'litres':1,'filledOn':'2023-10-01'";

        JsonNode made = body(send("POST", "/wine-lots", JSON, "{" + lot + "}"));
        HttpResponse<String> chosen = send("POST", "/wine-lots", JSON, "{'id':'5c4ff1a2-3b1c-4a7e-9c55-0d6c3a1d9e01',"
                + lot.replace("Chosen", "Chosen too") + "}");

        assertThat(made.path("id").asText()).hasSize(36);
        assertThat(chosen.headers().firstValue("Location").orElseThrow())
                .endsWith("/wine-lots/5c4ff1a2-3b1c-4a7e-9c55-0d6c3a1d9e01");
    }

    /** The moment 10:15:30.123 at an offset of five and a half hours, as this engine gives it back. */
    abstract String momentOfAnotherOffset();

    /** The number 1.10 in a document, as this engine gives it back. */
    String numberInADocument() {
        return "1.10";
    }

    /** Whether the database says which of several references names a row that is not there. */
    boolean tellsWhichReferenceIsBroken() {
        return true;
    }

    /** The rule that a value breaks on this engine, if it breaks another one than elsewhere. */
    String ruleHere(String body, String rule) {
        return rule;
    }

    @Test
    void valuesComeBackExactly() throws Exception {
        String analysis =
                "{'wineLotId':'00000000-0000-4000-a000-000000000001','takenAt':'2024-03-01T10:15:30.123+05:30',"
                + "'ph':3.10,'celsius':12.5,'readings':{'so2':1.10,'deep':{'list':[1,null,'\u00fc \ud83c\udf47']}},"
                + "'remarks':'Zeile\\nzwei \u2013 \u00e4\u00f6\u00fc'}";

        HttpResponse<String> created = send("POST", "/lab-analyses", JSON, analysis);
        String path = created.headers().firstValue("Location").orElseThrow()
                .substring(URI.create(service.url()).getPath().length());
        String read = get(path).body();

        assertThat(read).isEqualTo(created.body())
                .contains("\"takenAt\":\"" + momentOfAnotherOffset() + "\"", "\"ph\":3.10", "\"celsius\":12.5",
                        "\"so2\":" + numberInADocument(), "\u00fc \ud83c\udf47", "Zeile\\nzwei \u2013 \u00e4\u00f6\u00fc");
    }

    @Test
    void textThatTheDatabaseCannotHoldIsNoServerError() throws Exception {
        HttpResponse<String> answer = send("POST", "/cellar-logs", JSON, "{'entry':'nul \\u0000 inside'}");

        assertThat(answer.statusCode()).isIn(201, 400);
    }

    @Test
    void numbersAndBytesHoldTheirExtremes() throws Exception {
        JsonNode label = body(send("POST", "/labels", JSON, "{'title':'Extremes','picture':'AP+A/w=='}"));
        JsonNode parcel = body(send("POST", "/parcels", JSON, "{'name':'Extremes','varietyCode':'ARV','areaHa':999.999,"
                + "'slopePercent':100,'latitude':-90,'longitude':1.7976931348623157E-300}"));
        JsonNode harvest = body(send("POST", "/harvests", JSON,
                "{'parcelId':" + parcel.path("id") + ",'pickedOn':'9999-12-31','weightKg':9999999.99}"));

        assertThat(label.path("picture").asText()).isEqualTo("AP+A/w==");
        assertThat(parcel.path("areaHa").decimalValue()).isEqualByComparingTo("999.999");
        assertThat(parcel.path("longitude").doubleValue()).isEqualTo(1.7976931348623157E-300);
        assertThat(harvest.path("pickedOn").asText()).isEqualTo("9999-12-31");
        assertThat(harvest.path("weightKg").decimalValue()).isEqualByComparingTo("9999999.99");
    }

    @Test
    void deletingFollowsTheRulesOfTheReferences() throws Exception {
        JsonNode parcel = body(send("POST", "/parcels", JSON, "{'name':'To go','varietyCode':'ARV','areaHa':1}"));
        JsonNode hand = body(send("POST", "/cellar-hands", JSON,
                "{'fullName':'To go','email':'go@x','hiredOn':'2020-01-01','shiftStarts':'06:00:00'}"));
        JsonNode harvest = body(send("POST", "/harvests", JSON, "{'parcelId':" + parcel.path("id")
                + ",'pickedOn':'2020-09-01','weightKg':1,'pickedBy':" + hand.path("id") + "}"));

        HttpResponse<String> refused = send("DELETE", "/parcels/" + parcel.path("id"), JSON, "");
        HttpResponse<String> allowed = send("DELETE", "/cellar-hands/" + hand.path("id"), JSON, "");

        assertThat(refused.statusCode()).isEqualTo(409);
        assertThat(body(refused).path("detail").asText()).contains("harvests");
        assertThat(allowed.statusCode()).isEqualTo(204);
        assertThat(body(get("/harvests/" + harvest.path("id"))).get("pickedBy").isNull()).isTrue();
    }

    @Test
    void missingReferenceNamesFieldAndCollection() throws Exception {
        HttpResponse<String> answer = send("POST", "/vessel-transfers", JSON,
                "{'from':1,'to':999999,'litres':1,'movedAt':'2024-01-01T10:00:00','movedBy':1}");

        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(body(answer).path("violations").findValuesAsText("field")).containsExactlyElementsOf(
                tellsWhichReferenceIsBroken() ? List.of("to") : List.of("from", "to", "movedBy"));
        assertThat(body(answer).path("detail").asText())
                .contains(tellsWhichReferenceIsBroken() ? "vessels" : "row", "to");
    }

    @Test
    void duplicateNamesItsFields() throws Exception {
        String lot = "{'name':'Twice','vintage':2020,'litres':1,'filledOn':'2020-10-01'}";
        send("POST", "/wine-lots", JSON, lot);

        HttpResponse<String> answer = send("POST", "/wine-lots", JSON, lot);

        assertThat(answer.statusCode()).isEqualTo(409);
        assertThat(body(answer).path("violations").findValuesAsText("field")).containsExactly("name", "vintage");
    }

    @Test
    void patchMergesDeeplyAndRemovesWithNull() throws Exception {
        JsonNode created = body(send("POST", "/lab-analyses", JSON,
                "{'wineLotId':'00000000-0000-4000-a000-000000000002',"
                + "'takenAt':'2024-03-01T10:00:00+00:00','ph':3.1,'readings':{'a':1,'b':{'c':2,'d':3}}}"));

        JsonNode patched = body(send("PATCH", "/lab-analyses/" + created.path("id").asText(), PATCH,
                "{'ph':null,'readings':{'a':null,'b':{'c':9}}}"));

        assertThat(patched.get("ph").isNull()).isTrue();
        assertThat(patched.get("readings").toString()).isEqualTo("{\"b\":{\"c\":9,\"d\":3}}");
        assertThat(patched.get("takenAt")).isEqualTo(created.get("takenAt"));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "{'nosuch':null}          | nosuch         | Unknown",
        "{'code':null}            | code           | NotNull",
        "{'inUse':null}           | inUse          | NotNull",
        "{'id':99}                | id             | Key",
        "{'capacityLitres':'5'}   | capacityLitres | Type"})
    void patchKeepsTheRules(String patch, String field, String rule) throws Exception {
        HttpResponse<String> answer = send("PATCH", "/vessels/3", PATCH, patch);

        assertThat(answer.statusCode()).isEqualTo(400);
        assertThat(body(answer).path("violations").path(0).path("field").asText()).isEqualTo(field);
        assertThat(body(answer).path("violations").path(0).path("rule").asText()).isEqualTo(rule);
    }

    @Test
    void replaceNeedsEveryRequiredField() throws Exception {
        HttpResponse<String> answer =
                send("PUT", "/vessels/4", JSON, "{'code':'A-04','kind':'amphora','capacityLitres':800}");

        assertThat(answer.statusCode()).isEqualTo(400);
        assertThat(body(answer).path("violations").findValuesAsText("field")).containsExactly("inUse");
    }

    @Test
    void rowThatWasReadCanBeSentBack() throws Exception {
        String row = get("/vessels/5").body();

        HttpResponse<String> answer = send("PUT", "/vessels/5", JSON, row);

        assertThat(answer.statusCode()).isEqualTo(200);
        assertThat(answer.body()).isEqualTo(row);
    }

    @ParameterizedTest
    @ValueSource(strings = {"a/b", "a b", "100%", "a,b", "a+b", "\u00fc", "a?b#c", "'; --", ".."})
    void oddKeysHavePathsOfTheirOwn(String code) throws Exception {
        String quoted = new ObjectMapper().writeValueAsString(code);
        HttpResponse<String> created = sendAsIs("POST", "/grape-varieties", JSON,
                "{\"code\":" + quoted + ",\"name\":" + quoted + ",\"colour\":\"red\"}");
        assertThat(created.statusCode()).as(created.body()).isEqualTo(201);
        String path = created.headers().firstValue("Location").orElseThrow()
                .substring(URI.create(service.url()).getPath().length());

        assertThat(body(get(path)).path("code").asText()).isEqualTo(code);
        assertThat(send("DELETE", path, JSON, "").statusCode()).isEqualTo(204);
    }

    @Test
    void pagesGoOnWhileRowsComeAndGo() throws Exception {
        List<Integer> seen = new ArrayList<>();
        String next = "/vessel-transfers?limit=9";
        for (int page = 0; next != null; page++) {
            HttpResponse<String> answer = get(next);
            body(answer).forEach(row -> seen.add(row.path("id").asInt()));
            next = answer.headers().firstValue("Link")
                    .map(link -> link.substring(link.indexOf("/vessel-transfers"), link.indexOf('>'))).orElse(null);
            if (page == 0) {
                assertThat(send("DELETE", "/vessel-transfers/" + seen.get(2), JSON, "").statusCode()).isEqualTo(204);
            }
        }

        assertThat(seen).doesNotHaveDuplicates().isSorted().hasSize(40);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "GET    | /vessels?order=code          | 400", "GET  | /vessels?limit=1&limit=2 | 400",
        "GET    | /vessels/0                   | 404", "GET  | /vessels/x              | 404",
        "GET    | /blend-components/1,x        | 404", "GET  | /blend-components/1,2,3 | 404",
        "DELETE | /cellar-logs                 | 405", "POST | /cellar-stock           | 405",
        "PUT    | /wine-lot-harvests/1         | 405", "GET  | /cellar-logs/1          | 404",
        "DELETE | /vessels/1                   | 409", "GET  | /vessels/1/x            | 404"})
    void refusalsAreProblems(String method, String path, int status) throws Exception {
        HttpResponse<String> answer = send(method, path, JSON, method.equals("GET") ? "" : "{}");

        assertThat(answer.statusCode()).isEqualTo(status);
        assertThat(body(answer).path("status").asInt()).isEqualTo(status);
        assertThat(body(answer).path("detail").asText()).isNotBlank();
        assertThat(answer.body()).doesNotContain("SELECT", "org.h2", "java.", "PUBLIC.");
    }

    @Test
    void bodyThatIsTooLargeIsRefused() throws Exception {
        HttpResponse<String> answer = send("POST", "/vessels", JSON, "{'code':'" + "x".repeat(11_000_000) + "'}");

        assertThat(answer.statusCode()).isEqualTo(413);
    }

    HttpResponse<String> get(String path) throws Exception {
        return send("GET", path, JSON, "");
    }

    /** Sends a body in which single quotes stand for double ones. */
    HttpResponse<String> send(String method, String path, String type, String body) throws Exception {
        return sendAsIs(method, path, type, body.startsWith("{\"") ? body : body.replace('\'', '"'));
    }

    HttpResponse<String> sendAsIs(String method, String path, String type, String body) throws Exception {
        return HttpClient.newHttpClient().send(HttpRequest.newBuilder(URI.create(service.url() + path))
                .header("Content-Type", type)
                .method(method, HttpRequest.BodyPublishers.ofString(body)).build(),
                HttpResponse.BodyHandlers.ofString());
    }

    static JsonNode body(HttpResponse<String> answer) throws Exception {
        return new ObjectMapper().readTree(answer.body());
    }
}
