package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import dev.vinekit.QuickCompiler;
import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.run.RunningService;
import dev.vinekit.run.TestReport;
import dev.vinekit.source.SourceFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Rows that belong to cellar hands, and a winemaker to whom all are shown. */
class OwnRowsTest {
    private static final String SCRIPT = """
            CREATE TABLE hand (id INT NOT NULL PRIMARY KEY, name VARCHAR(20) NOT NULL);
            CREATE TABLE lot (
                id INT NOT NULL PRIMARY KEY,
                hand_id INT NOT NULL,
                name VARCHAR(20) NOT NULL,
                CONSTRAINT lot_hand FOREIGN KEY (hand_id) REFERENCES hand (id));
            CREATE TABLE bottling (
                id INT NOT NULL PRIMARY KEY,
                lot_id INT NOT NULL,
                bottles INT NOT NULL,
                CONSTRAINT bottling_lot FOREIGN KEY (lot_id) REFERENCES lot (id));
            CREATE TABLE crate (
                id INT NOT NULL PRIMARY KEY,
                bottling_id INT,
                CONSTRAINT crate_bottling FOREIGN KEY (bottling_id) REFERENCES bottling (id));
            CREATE TABLE label (id INT NOT NULL PRIMARY KEY, motif VARCHAR(20) NOT NULL);
            CREATE TABLE lot_label (
                lot_id INT NOT NULL,
                label_id INT NOT NULL,
                PRIMARY KEY (lot_id, label_id),
                CONSTRAINT link_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
                CONSTRAINT link_label FOREIGN KEY (label_id) REFERENCES label (id));
            CREATE TABLE note (id INT NOT NULL PRIMARY KEY, author VARCHAR(30) NOT NULL, words VARCHAR(90));
            CREATE VIEW lot_name AS SELECT id, name FROM lot;
            """;

    private static final String MAPPING = """
            http: {other-tables: [cellar-hand, winemaker]}
            own-rows: {column: hand_id, claim: hand, all-for: [winemaker]}
            entities:
              hand: {own-rows: {column: id, claim: hand}}
              bottling: {own-rows: {through: lot_id}}
              crate: {own-rows: {through: bottling_id}}
              lot_label: {own-rows: {through: lot_id}}
              note: {own-rows: {column: author, claim: sub}, fields: {author: {visibility: read-only}}}
              lot_name: {key: [id]}
            """;

    @Test
    void rowsOfOthersAreNotThere() throws Exception {
        rowsOfOthersAreNotThere("h2");
    }

    @Tag("thorough")
    @ParameterizedTest
    @ValueSource(strings = {"postgresql", "mariadb", "mysql", "sqlite"})
    void rowsOfOthersAreNotThere(String engine) throws Exception {
        TestDatabases.require(engine);
        Project project = ServedCellar.project(engine, SCRIPT, MAPPING);
        try (ServedCellar served = ServedCellar.alone(project, Map.of("AUTH_SECRET", Tokens.SECRET))) {
            fill(served);
            Http mara = as(served, "mara", 901, "cellar-hand");
            Http jo = as(served, "jo", 902, "cellar-hand");
            Http winemaker = as(served, "kim", null, "winemaker");

            assertThat(ids(mara.get("/lots"))).containsExactly(1001);
            assertThat(ids(jo.get("/lots"))).containsExactly(1002);
            assertThat(ids(winemaker.get("/lots"))).contains(1001, 1002);
            assertThat(mara.get("/lots?count=true&limit=1").header("Total-Count")).contains("1");
            assertThat(ids(mara.get("/lots?handId=902"))).isEmpty();
            assertThat(mara.get("/lots/1001?include=hand").body().at("/hand/name").asText()).isEqualTo("Mara");
            assertThat(ids(mara.get("/bottlings"))).containsExactly(2001);
            assertThat(ids(mara.get("/crates"))).containsExactly(3001);
            assertThat(ids(mara.get("/lots/1001/bottlings"))).containsExactly(2001);
            assertThat(mara.get("/lots/1002/bottlings").status()).isEqualTo(404);
            assertThat(ids(mara.get("/lots/1001/labels"))).containsExactly(1);
            assertThat(ids(mara.get("/labels/1/lots"))).containsExactly(1001);
            assertThat(ids(mara.get("/hands"))).containsExactly(901);

            for (String other : List.of("/lots/1002", "/bottlings/2002", "/crates/3002", "/lot-labels/1002,1", "/hands/902")) {
                String missing = other.replaceFirst("[0-9]+", "77777");
                for (String method : List.of("GET", "DELETE")) {
                    assertSame(mara.send(method, other, ""), mara.send(method, missing, ""));
                }
                assertSame(mara.send("PATCH", other, "{}"), mara.send("PATCH", missing, "{}"));
            }
            String lot = "{\"name\":\"Steep\"}";
            assertSame(mara.send("PUT", "/lots/1002", lot), mara.send("PUT", "/lots/77777", lot));
            assertSame(mara.post("/bottlings", "{\"id\":9,\"lotId\":1002,\"bottles\":1}"),
                    mara.post("/bottlings", "{\"id\":9,\"lotId\":77777,\"bottles\":1}"));
            assertSame(mara.post("/crates", "[{\"id\":9},{\"id\":8,\"bottlingId\":2002}]"),
                    mara.post("/crates", "[{\"id\":9},{\"id\":8,\"bottlingId\":77777}]"));
            assertSame(mara.send("PATCH", "/bottlings/2001", "{\"lotId\":1002}"),
                    mara.send("PATCH", "/bottlings/2001", "{\"lotId\":77777}"));

            assertThat(mara.post("/lots", "{\"id\":5,\"name\":\"Own\"}").body().path("handId").asInt()).isEqualTo(901);
            assertThat(mara.post("/lots", "{\"id\":6,\"handId\":902,\"name\":\"Gift\"}").status()).isEqualTo(403);
            assertThat(mara.send("PATCH", "/lots/5", "{\"handId\":902}").status()).isEqualTo(403);
            assertThat(mara.send("PUT", "/lots/5", "{\"name\":\"Kept\"}").body().path("handId").asInt()).isEqualTo(901);
            assertThat(winemaker.send("PUT", "/lots/5", "{\"name\":\"Still\"}").body().path("handId").asInt()).isEqualTo(901);
            Http chief = as(served, "kim", 902, "winemaker");
            assertThat(chief.send("PUT", "/lots/5", "{\"name\":\"Again\"}").body().path("handId").asInt()).isEqualTo(901);
            chief.send("PATCH", "/lots/5", "{\"handId\":null}");
            assertThat(chief.get("/lots/5").body().path("handId").asInt()).isEqualTo(901);
            assertThat(winemaker.send("PATCH", "/lots/5", "{\"handId\":902}").status()).isEqualTo(200);
            assertThat(mara.get("/lots/5").status()).isEqualTo(404);
            assertThat(winemaker.post("/lots", "{\"id\":6,\"name\":\"Whose\"}").status()).isEqualTo(400);
            assertThat(mara.post("/crates", "{\"id\":7}").status()).isEqualTo(201);
            assertThat(mara.get("/crates/7").status()).isEqualTo(404);

            assertThat(mara.post("/notes", "{\"id\":71,\"words\":\"late\"}").text()).contains("\"author\":\"mara\"");
            assertThat(as(served, "MARA", 901, "cellar-hand").get("/notes/71").status()).isEqualTo(404);
            assertThat(as(served, "mara ", 901, "cellar-hand").get("/notes/71").status()).isEqualTo(404);
            assertThat(mara.post("/notes", "{\"id\":72,\"author\":\"jo\"}").status()).isEqualTo(400);
            Http nobody = as(served, "ann", null, "cellar-hand");
            assertThat(nobody.get("/lots").status()).isEqualTo(403);
            assertThat(nobody.get("/lots").body().path("detail").asText()).contains("claim hand is missing");
            assertThat(as(served, "ann", "9o1", "cellar-hand").get("/lots").status()).isEqualTo(403);
            assertThat(mara.get("/lot-names").status()).isEqualTo(403);
            assertThat(winemaker.get("/lot-names").status()).isEqualTo(200);
        }
        TestReport report = Runner.test(project, QuickCompiler.compile(project));
        assertThat(report.failures()).isEmpty();
        assertThat(report.outcomes()).extracting("name").contains("rowOfSomebodyElseIsNotThere", "rowOfOnesOwnIsThere",
                "newRowBelongsToWhoeverMakesIt", "referenceToARowOfSomebodyElseIsRefused");
    }

    /** The database's own policies decide by the claim, in reads and writes, and it is gone with the transaction. */
    @Tag("thorough")
    @Test
    void claimIsHandedToTheDatabase() throws Exception {
        Project project = ServedCellar.project("postgresql", SCRIPT, MAPPING.replace("claim: hand, all-for", "claim: hand, setting: app.hand, all-for"));
        try (ServedCellar served = ServedCellar.alone(project, Map.of("AUTH_SECRET", Tokens.SECRET))) {
            try (Connection connection = served.connect(); Statement statement = connection.createStatement()) {
                statement.execute("DELETE FROM lot_label; DELETE FROM label; INSERT INTO label VALUES (1, '901'), (2, '902');"
                        + "ALTER TABLE label ENABLE ROW LEVEL SECURITY; ALTER TABLE label FORCE ROW LEVEL SECURITY;"
                        + "CREATE POLICY by_hand ON label USING (motif = current_setting('app.hand', true))");
            }
            try (RunningService bound = served.replica(Map.of("AUTH_SECRET", Tokens.SECRET, "DB_POOL_SIZE", "1"))) {
                Http mara = new Http(bound.url()).bearing(Tokens.of("mara", List.of("cellar-hand"), Map.of("hand", 901)));
                Http jo = new Http(bound.url()).bearing(Tokens.of("jo", List.of("cellar-hand"), Map.of("hand", 902)));
                Http winemaker = new Http(bound.url()).bearing(Tokens.of("kim", List.of("winemaker"), Map.of()));

                assertThat(ids(mara.get("/labels"))).containsExactly(1);
                assertThat(ids(jo.get("/labels"))).containsExactly(2);
                assertThat(ids(winemaker.get("/labels"))).isEmpty();
                assertThat(mara.send("PATCH", "/labels/2", "{\"motif\":\"901\"}").status()).isEqualTo(404);
                assertThat(mara.send("DELETE", "/labels/1", "").status()).isEqualTo(204);
            }
        }
    }

    /** The condition that rows belong to the caller, over one table and over two, goes by the indexes. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "postgresql | Seq Scan                     | lot_by_hand bottling_by_lot",
        "mariadb    | (?s).*\\bALL\\b.*        | lot_by_hand bottling_by_lot"})
    void conditionUsesTheIndex(String engine, String scan, String indexes) throws Exception {
        try (TestDatabases database = TestDatabases.on(engine, SCRIPT
                + "CREATE INDEX lot_by_hand ON lot (hand_id);\nCREATE INDEX bottling_by_lot ON bottling (lot_id);\n");
                Connection connection = database.database().connect();
                Statement statement = connection.createStatement()) {
            List<String> sources = VineKit.generate(VineKit.map(VineKit.read(database.database(), Scope.all()),
                    mapping(), Set.of()), "").files().stream().filter(file -> file.path().endsWith("Repository.java"))
                    .map(SourceFile::text).toList();
            many(statement, engine);
            for (String table : List.of("lot", "bottling")) {
                String condition = sources.stream().filter(text -> text.contains("super(\"" + table + "\""))
                        .map(text -> text.replaceFirst("(?s).*?RowScope\\.of\\(.*?\\),\\s+\"([^\"]*)\",\\s+1\\).*", "$1")).findFirst()
                        .orElseThrow();
                String index = indexes.split(" ")[table.equals("lot") ? 0 : 1];

                StringBuilder plan = new StringBuilder();
                try (ResultSet line = statement.executeQuery("EXPLAIN SELECT * FROM " + table + " WHERE "
                        + condition.replace("?", "77") + " ORDER BY id LIMIT 51")) {
                    while (line.next()) {
                        for (int i = 1; i <= line.getMetaData().getColumnCount(); i++) {
                            plan.append(line.getString(i)).append(' ');
                        }
                        plan.append('\n');
                    }
                }
                assertThat(plan.toString()).as(condition).contains(index).doesNotContainPattern(scan);
            }
        }
    }

    private static void many(Statement statement, String engine) throws SQLException {
        String numbers = engine.equals("mariadb") ? "(SELECT seq AS n FROM seq_1_to_20000) numbers"
                : "(SELECT n FROM generate_series(1, 20000) AS series (n)) numbers";
        statement.executeUpdate("INSERT INTO hand SELECT n, 'a' FROM " + numbers + " WHERE n <= 1000");
        statement.executeUpdate("INSERT INTO lot SELECT n, 1 + MOD(n, 1000), 'a' FROM " + numbers);
        statement.executeUpdate("INSERT INTO bottling SELECT n, n, 1 FROM " + numbers);
        statement.execute("ANALYZE " + (engine.equals("mariadb") ? "TABLE lot, bottling" : ""));
    }

    private static MappingFile mapping() throws IOException {
        Path file = Files.writeString(Files.createTempFile("vinekit", ".yaml"), MAPPING);
        MappingFile mapping = MappingFile.read(file, Map.of(), false).inPackage("com.example.made");
        Files.delete(file);
        return mapping;
    }

    private static void fill(ServedCellar served) throws SQLException {
        try (Connection connection = served.connect(); Statement statement = connection.createStatement()) {
            for (String row : List.of("hand VALUES (901, 'Mara')", "hand VALUES (902, 'Jo')",
                    "lot VALUES (1001, 901, 'Slope')", "lot VALUES (1002, 902, 'Terrace')",
                    "bottling VALUES (2001, 1001, 600)", "bottling VALUES (2002, 1002, 900)",
                    "crate VALUES (3001, 2001)", "crate VALUES (3002, 2002)",
                    "label VALUES (1, 'Heron')", "lot_label VALUES (1001, 1)", "lot_label VALUES (1002, 1)")) {
                statement.executeUpdate("INSERT INTO " + row);
            }
        }
    }

    private static Http as(ServedCellar served, String subject, Object hand, String role) {
        return served.http().bearing(Tokens.of(subject, List.of(role), hand == null ? Map.of() : Map.of("hand", hand)));
    }

    /** Two answers are the same but for the key that was asked for. */
    private static void assertSame(Http.Answer one, Http.Answer other) {
        assertThat(one.status()).as(one.text()).isEqualTo(other.status()).isGreaterThan(399);
        assertThat(plain(one)).isEqualTo(plain(other));
    }

    private static String plain(Http.Answer answer) {
        return answer.text().replaceAll("\"request\":\"[^\"]*\"", "").replaceAll("[0-9]{3,}", "#");
    }

    private static List<Integer> ids(Http.Answer answer) {
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.body().findValues("id").stream().map(JsonNode::asInt).toList();
    }
}
