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
import java.sql.Statement;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Columns that the service fills: when and by whom a row was made and changed. */
class StampsTest {
    private static final String SCRIPT = """
            CREATE TABLE tasting (
                id INT NOT NULL PRIMARY KEY,
                words VARCHAR(40) NOT NULL,
                created_at TIMESTAMP NOT NULL,
                created_by VARCHAR(40) NOT NULL,
                changed_at TIMESTAMP NULL,
                changed_by VARCHAR(40),
                tasted_on DATE);
            CREATE TABLE glass (
                id INT NOT NULL PRIMARY KEY,
                broken_on DATE,
                broken_by INT NOT NULL,
                shape VARCHAR(20));
            """;

    private static final String MAPPING = """
            http: {other-tables: ["*"]}
            stamps: {created-at: created_at, created-by: created_by, changed-at: changed_at, changed-by: changed_by}
            entities:
              glass: {stamps: {changed-at: broken_on, changed-by: broken_by}}
            """;

    @Test
    void serviceSaysWhenAndByWhom() throws Exception {
        serviceSaysWhenAndByWhom("h2");
    }

    @Tag("thorough")
    @ParameterizedTest
    @ValueSource(strings = {"postgresql", "mariadb", "mysql", "sqlite"})
    void serviceSaysWhenAndByWhom(String engine) throws Exception {
        TestDatabases.require(engine);
        Project project = ServedCellar.project(engine, SCRIPT, MAPPING);
        try (ServedCellar served = ServedCellar.alone(project, Map.of("AUTH_SECRET", Tokens.SECRET))) {
            Http mara = as(served, "mara");
            Http jo = as(served, "jo");

            JsonNode made = mara.post("/tastings", "{\"id\":91,\"words\":\"plums\"}").body();
            assertThat(made.path("createdBy").asText()).isEqualTo("mara");
            assertThat(made.path("changedBy").asText()).isEqualTo("mara");
            assertThat(made.path("createdAt").asText()).startsWith(today(served));
            assertThat(made.path("changedAt").asText()).startsWith(today(served));

            Http.Answer unnamed = as(served, null).post("/tastings", "{\"id\":92,\"words\":\"figs\"}");
            assertThat(unnamed.status()).isEqualTo(403);
            assertThat(unnamed.body().path("detail").asText()).contains("no subject");
            Http.Answer endless = as(served, "m".repeat(500)).post("/tastings", "{\"id\":92,\"words\":\"figs\"}");
            assertThat(endless.status()).isEqualTo(403);
            assertThat(endless.body().path("detail").asText()).contains("its subject is longer than");

            JsonNode changed = jo.send("PATCH", "/tastings/91", "{\"words\":\"smoke\"}").body();
            assertThat(changed.path("createdBy").asText()).isEqualTo("mara");
            assertThat(changed.path("createdAt")).isEqualTo(made.path("createdAt"));
            assertThat(changed.path("changedBy").asText()).isEqualTo("jo");
            assertThat(mara.send("PATCH", "/tastings/91", "{}").body()).isEqualTo(changed);
            assertThat(mara.send("PUT", "/tastings/91", "{\"words\":\"tar\"}").body().path("changedBy").asText())
                    .isEqualTo("mara");
            for (String stamp : List.of("createdAt", "createdBy", "changedAt", "changedBy")) {
                String body = "{\"words\":\"salt\",\"" + stamp + "\":\"2020-01-01T00:00:00\"}";
                assertThat(jo.send("PUT", "/tastings/91", body).status()).as(stamp).isEqualTo(400);
                assertThat(jo.send("PATCH", "/tastings/91", body).status()).as(stamp).isEqualTo(400);
            }
            JsonNode many = mara.post("/tastings", "[{\"id\":92,\"words\":\"a\"},{\"id\":93,\"words\":\"b\"}]").body();
            assertThat(many.findValuesAsText("createdBy")).containsExactly("mara", "mara");

            assertThat(as(served, "7").post("/glasses", "{\"id\":91}").body().path("brokenBy").asInt()).isEqualTo(7);
            Http.Answer unknown = mara.post("/glasses", "{\"id\":92}");
            assertThat(unknown.status()).isEqualTo(403);
            assertThat(unknown.body().path("detail").asText()).contains("its subject must be a whole number");
        }
        TestReport report = Runner.test(project, QuickCompiler.compile(project));
        assertThat(report.failures()).isEmpty();
        assertThat(report.outcomes()).extracting("name").contains("newRowIsStampedByTheService", "changeIsSignedByWhoeverMakesIt");
    }

    private static Http as(ServedCellar served, String subject) {
        return served.http().bearing(Tokens.of(subject, List.of(), Map.of()));
    }

    private static String today(ServedCellar served) throws Exception {
        try (Connection connection = served.connect(); Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery("SELECT CURRENT_DATE")) {
            row.next();
            return row.getString(1);
        }
    }
}
