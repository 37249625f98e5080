import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

class ContractTest {
    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching();

<#if s.firstCollection??>
    private static final String COLLECTION = ${s.firstCollection};
</#if>
<#if s.firstWritable??>
    private static final String WRITABLE = ${s.firstWritable};
</#if>

    private final Api api = SERVICE.api();

    @Test
    @Tag("contract")
    void entryPointLinksToEveryCollection() {
        List<String> described = new ArrayList<>();
        api.get("/openapi.json").body().path("paths").properties().forEach(path -> {
            if (path.getValue().path("get").has("parameters") && !path.getKey().contains("{")) {
                described.add(path.getKey().substring(1));
            }
        });

        ApiResponse response = api.get("/");

        assertThat(response.status()).isEqualTo(200);
        assertThat(response.body().fieldNames()).toIterable().containsExactlyInAnyOrderElementsOf(described);
        for (String name : described) {
            assertThat(URI.create(response.body().get(name).textValue()).getPath()).endsWith("/" + name);
            assertThat(api.get("/" + name + "?limit=1").status()).isEqualTo(200);
        }
    }

    @Test
    @Tag("contract")
    void healthAsksTheDatabase() {
        assertThat(api.get("/health").status()).isEqualTo(200);
    }

    @Test
    @Tag("contract")
    void descriptionOfTheInterfaceIsServed() {
        ApiResponse response = api.get("/openapi.json");

        assertThat(response.body().path("openapi").textValue()).startsWith("3.1");
        assertThat(response.body().path("paths").has(<#if s.firstCollection??>COLLECTION<#else>"/health"</#if>)).isTrue();
    }

    @Test
    @Tag("contract")
    void unknownPathIsAProblem() {
        assertProblem(api.get("/no-such-collection"), 404);
    }
<#if s.firstCollection??>

    @Test
    @Tag("contract")
    void methodThatThePathDoesNotTakeIsAProblem() {
        ApiResponse response = api.delete(COLLECTION);

        assertProblem(response, 405);
        assertThat(response.header("Allow")).contains("GET");
    }

    @Test
    @Tag("contract")
    void unknownParameterIsAProblemThatNamesTheAllowedOnes() {
        ApiResponse response = api.get(COLLECTION + "?colour=blue");

        assertProblem(response, 400);
        assertThat(response.body().path("detail").textValue()).contains("colour", "after", "limit");
    }

    @Test
    @Tag("contract")
    void cursorThatIsNotOursIsAProblem() {
        assertProblem(api.get(COLLECTION + "?after=%21"), 400);
        assertProblem(api.get(COLLECTION + "?after=bnVsbA"), 400);
    }

    @Test
    @Tag("contract")
    void unknownSortAndFieldAreProblemsThatNameThem() {
        assertThat(api.get(COLLECTION + "?sort=-no.such").body().path("detail").textValue()).contains("no.such");
        assertThat(api.get(COLLECTION + "?fields=no.such").body().path("detail").textValue()).contains("no.such");
        assertProblem(api.get(COLLECTION + "?sort="), 400);
        assertProblem(api.get(COLLECTION + "?count=maybe"), 400);
    }

    @Test
    @Tag("contract")
    void headAnswersAsGetDoesWithoutTheBody() {
        ApiResponse get = api.get(COLLECTION);
        ApiResponse head = api.send("HEAD", COLLECTION, "application/json", null);

        assertThat(head.status()).isEqualTo(200);
        assertThat(head.header("Content-Type")).isEqualTo(get.header("Content-Type"));
        assertThat(head.text()).isEmpty();
    }

    @Test
    @Tag("contract")
    void answerThatCannotBeJsonIsAProblem() {
        assertProblem(api.sending("Accept", "text/html").get(COLLECTION), 406);
    }

    @Test
    @Tag("contract")
    void requestIdentifierIsInTheAnswerAndInProblems() {
        ApiResponse response = api.sending("X-Request-Id", "one-of-ours").get(COLLECTION + "?colour=blue");

        assertThat(response.header("X-Request-Id")).isEqualTo("one-of-ours");
        assertThat(response.body().path("request").textValue()).isEqualTo("one-of-ours");
    }

    @Test
    @Tag("contract")
    void urlThatIsNotUtf8IsAProblem() {
        assertProblem(api.get(COLLECTION + "?after=%FF"), 400);
    }

    @Test
    @Tag("contract")
    void limitOutOfRangeIsAProblem() {
        assertProblem(api.get(COLLECTION + "?limit=0"), 400);
        assertProblem(api.get(COLLECTION + "?limit=501"), 400);
        assertProblem(api.get(COLLECTION + "?limit=ten"), 400);
    }
</#if>
<#if s.firstWritable??>

    @Test
    @Tag("contract")
    void malformedJsonIsAProblem() {
        assertProblem(api.post(WRITABLE, "{\"a\": "), 400);
        assertProblem(api.post(WRITABLE, "{\"a\": 1, \"a\": 2}"), 400);
        assertProblem(api.post(WRITABLE, "[1]"), 400);
        assertProblem(api.post(WRITABLE, "\"text\""), 400);
        assertProblem(api.post(WRITABLE, ""), 400);
    }

    @Test
    @Tag("contract")
    void unknownPropertyIsAProblemThatNamesIt() {
        ApiResponse response = api.post(WRITABLE, "{\"noSuchProperty\": 1}");

        assertProblem(response, 400);
        assertThat(response.violatedFields()).contains("noSuchProperty");
    }

<#if s.createsMany>
    @Test
    @Tag("contract")
    void tooManyRowsAtOnceAreAProblem() {
        ApiResponse response = api.post(WRITABLE, "[" + "{}, ".repeat(${s.limits.created}) + "{}]");

        assertProblem(response, 400);
        assertThat(response.violatedFields()).isEmpty();
        assertThat(response.body().path("detail").textValue()).contains("${s.limits.created}");
    }

</#if>
    @Test
    @Tag("contract")
    void bodyThatIsNotJsonIsAProblem() {
        assertProblem(api.send("POST", WRITABLE, "text/plain", "{}"), 415);
    }
</#if>
<#if s.secured && s.firstCollection??>

    @Test
    @Tag("access")
    void tokensThatAreNotValidAreRefused() {
        Instant later = Instant.now().plus(Duration.ofHours(1));
        String valid = TestTokens.of(List.of(${s.roles}));
        String header = valid.substring(valid.indexOf('.'), valid.lastIndexOf('.') + 1);

        assertRefused(TestTokens.signed("another secret that has 32 bytes or more", List.of(), later));
        assertRefused(TestTokens.signed(TestTokens.SECRET, List.of(), Instant.now().minus(Duration.ofHours(1))));
        assertRefused(valid.substring(0, valid.length() - 4));
        assertRefused(Base64.getUrlEncoder().encodeToString("{\"alg\":\"none\"}".getBytes(StandardCharsets.UTF_8)) + header);
        assertRefused("not a token");
    }

    private void assertRefused(String token) {
        ApiResponse response = api.sending("Authorization", "Bearer " + token).get(COLLECTION);
        assertProblem(response, 401);
        assertThat(response.header("WWW-Authenticate")).contains("invalid_token");
    }
</#if>

    private static void assertProblem(ApiResponse response, int status) {
        assertThat(response.status()).isEqualTo(status);
        assertThat(response.header("Content-Type")).startsWith("application/problem+json");
        assertThat(response.body().path("status").intValue()).isEqualTo(status);
        assertThat(response.body().path("title").textValue()).isNotBlank();
        assertThat(response.body().path("detail").textValue()).isNotBlank();
    }
}
