package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import dev.vinekit.QuickCompiler;
import dev.vinekit.TestDatabases;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.TestReport;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Columns that clients do not read, or do not write. */
class VisibilityTest {
    private static final String LOGINS = """
            CREATE TABLE login (
                id INT NOT NULL PRIMARY KEY,
                name VARCHAR(20) NOT NULL UNIQUE,
                password_hash VARCHAR(60) NOT NULL,
                api_token VARCHAR(40) UNIQUE,
                token_type VARCHAR(9),
                seen_on DATE DEFAULT '2020-01-01',
                verdict VARCHAR(20) DEFAULT 'none' NOT NULL,
                CONSTRAINT long_enough CHECK (password_hash <> name),
                CONSTRAINT known CHECK (verdict IN ('none', 'good', 'bad'))
            );
            """;

    private static final String MAPPING = "entities: { login: { fields: { seen_on: { visibility: read-only }, "
            + "verdict: { visibility: hidden } } } }\n";

    @Test
    void secretsAreTakenAndNeverTold() throws Exception {
        secretsAreTakenAndNeverTold("h2");
    }

    @Tag("thorough")
    @ParameterizedTest
    @ValueSource(strings = {"postgresql", "mariadb", "mysql", "sqlite"})
    void secretsAreTakenAndNeverTold(String engine) throws Exception {
        TestDatabases.require(engine);
        Project project = ServedCellar.project(engine, LOGINS, MAPPING);
        try (ServedCellar served = ServedCellar.alone(project, Map.of())) {
            Http http = served.http();
            Http.Answer created = http.post("/logins",
                    "{\"id\":1,\"name\":\"mara\",\"passwordHash\":\"h1\",\"apiToken\":\"t1\",\"tokenType\":\"short\"}");

            assertThat(created.status()).as(created.text()).isEqualTo(201);
            assertThat(created.text()).doesNotContain("h1", "t1", "none");
            assertThat(names(created.body())).containsExactly("id", "name", "tokenType", "seenOn");
            assertThat(http.get("/logins/1").body()).isEqualTo(created.body());
            assertThat(http.get("/logins").body().path(0)).isEqualTo(created.body());
            for (String hidden : List.of("passwordHash", "apiToken", "verdict")) {
                for (String query : List.of("fields=", "sort=", "sort=-")) {
                    assertThat(http.get("/logins?" + query + hidden).status()).as(query + hidden).isEqualTo(400);
                }
                assertThat(http.get("/logins?" + hidden + "=h1").status()).as(hidden).isEqualTo(400);
                assertThat(http.get("/logins?" + hidden + "%5Batleast%5D=h").status()).as(hidden).isEqualTo(400);
            }

            assertThat(http.send("PUT", "/logins/1", "{\"name\":\"mara\",\"tokenType\":\"long\"}").status()).isEqualTo(200);
            assertThat(stored(served)).containsExactly("h1", "t1", "none");
            assertThat(http.send("PUT", "/logins/1", "{\"name\":\"mara\",\"passwordHash\":\"h2\"}").status()).isEqualTo(200);
            assertThat(stored(served)).containsExactly("h2", "t1", "none");
            Http.Answer patched = http.send("PATCH", "/logins/1", "{\"apiToken\":null,\"passwordHash\":\"h3\"}");
            assertThat(patched.status()).isEqualTo(200);
            assertThat(names(patched.body())).containsExactly("id", "name", "tokenType", "seenOn");
            assertThat(stored(served)).containsExactly("h3", null, "none");

            assertThat(refused(http, "{\"id\":2,\"name\":\"tom\"}")).containsExactly("passwordHash");
            assertThat(refused(http, "{\"id\":2,\"name\":\"tom\",\"passwordHash\":\"h\",\"verdict\":\"good\"}"))
                    .containsExactly("verdict");
            assertThat(refused(http, "{\"id\":2,\"name\":\"tom\",\"passwordHash\":\"h\",\"seenOn\":\"2024-01-01\"}"))
                    .containsExactly("seenOn");
            assertThat(http.send("PATCH", "/logins/1", "{\"passwordHash\":null}").status()).isEqualTo(400);

            JsonNode schemas = http.get("/openapi.json").body().at("/components/schemas");
            assertThat(names(schemas.at("/Login/properties"))).containsExactly("id", "name", "tokenType", "seenOn");
            assertThat(names(schemas.at("/LoginInput/properties")))
                    .containsExactly("id", "name", "passwordHash", "apiToken", "tokenType");
            assertThat(schemas.at("/LoginInput/properties/apiToken/writeOnly").asBoolean()).isTrue();
        }
        TestReport report = Runner.test(project, QuickCompiler.compile(project));
        assertThat(report.failures()).isEmpty();
        assertThat(report.outcomes()).extracting("name")
                .contains("secretIsNotToldAndNotFoundOut", "replaceKeepsASecretThatIsLeftOut");
    }

    private static List<String> names(JsonNode object) {
        return object.properties().stream().map(Map.Entry::getKey).toList();
    }

    private static List<String> refused(Http http, String body) {
        Http.Answer answer = http.post("/logins", body);
        assertThat(answer.status()).as(answer.text()).isEqualTo(400);
        return answer.body().path("violations").findValuesAsText("field");
    }

    private static List<String> stored(ServedCellar served) throws SQLException {
        try (Connection connection = served.connect(); Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery("SELECT password_hash, api_token, verdict FROM login WHERE name = 'mara'")) {
            row.next();
            return java.util.Arrays.asList(row.getString(1), row.getString(2), row.getString(3));
        }
    }
}
