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

/** Rows that stay when they are deleted. */
class DeletionTest {
    private static final String SCRIPT = """
            CREATE TABLE vat (
                id INT NOT NULL PRIMARY KEY,
                code VARCHAR(20) NOT NULL UNIQUE,
                hand INT NOT NULL,
                deleted_at TIMESTAMP NULL);
            CREATE TABLE filling (
                id INT NOT NULL PRIMARY KEY,
                vat_id INT NOT NULL,
                deleted_at TIMESTAMP NULL,
                changed_by VARCHAR(20),
                CONSTRAINT filling_vat FOREIGN KEY (vat_id) REFERENCES vat (id));
            CREATE TABLE probe (
                id INT NOT NULL PRIMARY KEY,
                vat_code VARCHAR(20),
                CONSTRAINT probe_vat FOREIGN KEY (vat_code) REFERENCES vat (code));
            """;

    private static final String OPEN = "stamps: {deleted-at: deleted_at}\n";

    private static final String CLOSED = """
            stamps: {deleted-at: deleted_at, changed-by: changed_by}
            entities:
              vat:
                own-rows: {column: hand, claim: hand, all-for: [winemaker]}
                access: {read: [hand, winemaker], create: [hand, winemaker], delete: [hand, winemaker], restore: [winemaker]}
              filling:
                own-rows: {through: vat_id}
                access: {read: [hand, winemaker], create: [hand, winemaker], patch: [hand], delete: [hand], restore: [hand]}
              probe:
                access: {read: ["*"], create: ["*"]}
            """;

    @Test
    void deletedRowsStayAndAreNotThere() throws Exception {
        deletedRowsStayAndAreNotThere("h2");
    }

    @Tag("thorough")
    @ParameterizedTest
    @ValueSource(strings = {"postgresql", "mariadb", "mysql", "sqlite"})
    void deletedRowsStayAndAreNotThere(String engine) throws Exception {
        TestDatabases.require(engine);
        Project project = ServedCellar.project(engine, SCRIPT, OPEN);
        try (ServedCellar served = ServedCellar.alone(project, Map.of())) {
            Http http = served.http();
            http.post("/vats", "[{\"id\":91,\"code\":\"east\",\"hand\":1},{\"id\":92,\"code\":\"west\",\"hand\":1}]");
            http.post("/fillings", "{\"id\":91,\"vatId\":91}");
            http.post("/probes", "{\"id\":91,\"vatCode\":\"west\"}");
            int all = Integer.parseInt(http.get("/vats?count=true").header("Total-Count"));

            assertThat(http.send("DELETE", "/vats/91", "").text()).contains("Rows of fillings still refer");
            assertThat(http.send("DELETE", "/vats/92", "").text()).contains("Rows of probes still refer");
            assertThat(http.get("/vats/91").status()).isEqualTo(200);
            assertThat(http.send("DELETE", "/fillings/91", "").status()).isEqualTo(204);
            assertThat(http.send("DELETE", "/vats/91", "").status()).isEqualTo(204);

            assertThat(number(served, "SELECT COUNT(*) FROM vat WHERE id = 91 AND deleted_at IS NOT NULL")).isOne();
            assertThat(http.get("/vats/91").status()).isEqualTo(404);
            assertThat(http.get("/vats/91/fillings").status()).isEqualTo(404);
            assertThat(http.get("/vats?code=east").body()).isEmpty();
            assertThat(http.get("/vats?count=true").header("Total-Count")).isEqualTo(String.valueOf(all - 1));
            assertThat(codes(http.get("/vats?deleted=true"))).containsExactly("east");
            assertThat(codes(http.get("/vats?deleted=true&code=west"))).isEmpty();
            assertThat(http.get("/probes?deleted=true").status()).isEqualTo(400);
            assertThat(http.get("/vats?deleted=maybe").status()).isEqualTo(400);
            assertThat(http.post("/fillings", "{\"id\":92,\"vatId\":91}").status()).isEqualTo(422);
            assertThat(http.send("PATCH", "/probes/91", "{\"vatCode\":\"east\"}").status()).isEqualTo(422);
            assertThat(http.post("/vats", "{\"id\":93,\"code\":\"east\",\"hand\":1}").status()).isEqualTo(409);
            assertThat(http.post("/fillings/91/restoration", "").status()).isEqualTo(422);

            Http.Answer back = http.post("/vats/91/restoration", "");
            assertThat(back.status()).as(back.text()).isEqualTo(200);
            assertThat(back.body().path("deletedAt").isNull()).isTrue();
            assertThat(http.post("/fillings/91/restoration", "").status()).isEqualTo(200);
            assertThat(http.post("/fillings/91/restoration", "").status()).isEqualTo(404);
            assertThat(http.get("/vats/91/fillings").body()).hasSize(1);
            assertThat(http.post("/vats/91", "").status()).isEqualTo(405);
        }
        prove(project, "deletedRowIsNotThereUntilItIsBroughtBack", "referenceToADeletedRowIsRefused");
    }

    @Tag("thorough")
    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql"})
    void rightsAndOwnersHoldForDeletedRowsToo(String engine) throws Exception {
        TestDatabases.require(engine);
        Project project = ServedCellar.project(engine, SCRIPT, CLOSED);
        try (ServedCellar served = ServedCellar.alone(project, Map.of("AUTH_SECRET", Tokens.SECRET))) {
            Http mara = served.http().bearing(Tokens.of("mara", List.of("hand"), Map.of("hand", 901)));
            Http jo = served.http().bearing(Tokens.of("jo", List.of("hand"), Map.of("hand", 902)));
            Http winemaker = served.http().bearing(Tokens.of("kim", List.of("winemaker"), Map.of()));
            mara.post("/vats", "{\"id\":91,\"code\":\"east\"}");
            mara.post("/fillings", "{\"id\":91,\"vatId\":91}");

            assertThat(jo.send("DELETE", "/fillings/91", "").status()).isEqualTo(404);
            assertThat(mara.send("DELETE", "/fillings/91", "").status()).isEqualTo(204);
            assertThat(jo.get("/fillings?deleted=true").body()).isEmpty();
            assertThat(jo.post("/fillings/91/restoration", "").status()).isEqualTo(404);
            assertThat(winemaker.post("/fillings/91/restoration", "").status()).isEqualTo(403);
            assertThat(winemaker.get("/fillings?deleted=true").status()).isEqualTo(403);
            assertThat(mara.get("/fillings?deleted=true").body()).hasSize(1);
            assertThat(mara.get("/vats?deleted=true").status()).isEqualTo(403);
            assertThat(mara.send("DELETE", "/vats/91", "").status()).isEqualTo(204);
            assertThat(mara.post("/fillings/91/restoration", "").status()).isEqualTo(422);
            assertThat(mara.post("/vats/91/restoration", "").status()).isEqualTo(403);
            assertThat(winemaker.post("/vats/91/restoration", "").status()).isEqualTo(200);
            assertThat(mara.post("/fillings/91/restoration", "").body().path("changedBy").asText()).isEqualTo("mara");
        }
        prove(project, "deletedRowIsNotThereUntilItIsBroughtBack", "rowOfSomebodyElseIsNotThere");
    }

    private static void prove(Project project, String... names) {
        TestReport report = Runner.test(project, QuickCompiler.compile(project));
        assertThat(report.failures()).isEmpty();
        assertThat(report.outcomes()).extracting("name").contains((Object[]) names);
    }

    private static List<String> codes(Http.Answer answer) {
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.body().findValues("code").stream().map(JsonNode::asText).toList();
    }

    private static int number(ServedCellar served, String query) throws SQLException {
        try (Connection connection = served.connect(); Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery(query)) {
            row.next();
            return row.getInt(1);
        }
    }
}
