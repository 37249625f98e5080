package dev.vinekit.service;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.vinekit.TestDatabases;
import java.sql.Connection;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Lists: their order, their pages, and what narrows them. */
class PagingTest {
    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void orderIsTheSameOnEveryEngineWithRowsWithoutValueFirst(String engine) {
        Http http = ServedCellar.on(engine).http();
        List<JsonNode> all = pages(http, "/harvests?limit=500");
        Comparator<JsonNode> byHand =
                Comparator.comparing(row -> row.get("pickedBy").isNull() ? -1 : row.get("pickedBy").asInt());
        Comparator<JsonNode> byParcel = Comparator.comparing(row -> row.get("parcelId").asInt());
        Comparator<JsonNode> byKey = Comparator.comparing(row -> row.get("id").asLong());

        assertThat(all).anyMatch(row -> row.get("pickedBy").isNull());
        for (int limit : List.of(1, 3, 7, 500)) {
            assertThat(pages(http, "/harvests?sort=pickedBy,-parcelId&limit=" + limit))
                    .isEqualTo(sorted(all, byHand.thenComparing(byParcel.reversed()).thenComparing(byKey)));
            assertThat(pages(http, "/harvests?sort=-pickedBy,parcelId,-id&limit=" + limit))
                    .isEqualTo(sorted(all, byHand.reversed().thenComparing(byParcel).thenComparing(byKey.reversed())));
            assertThat(pages(http, "/harvests?sort=-id&limit=" + limit)).isEqualTo(sorted(all, byKey.reversed()));
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "h2         |                                                         | ENUM('old', 'new', 'best')",
        "postgresql | CREATE TYPE grade AS ENUM ('old', 'new', 'best');       | grade",
        "mariadb    |                                                         | ENUM('old', 'new', 'best')"})
    void labelsComeInTheOrderThatTheyAreDeclaredIn(String engine, String before, String type) throws Exception {
        TestDatabases.require(engine);
        String script = (before == null ? "" : before)
                + "CREATE TABLE item (shelf INT NOT NULL, grade " + type + " NOT NULL, PRIMARY KEY (shelf, grade));";
        try (ServedCellar served = ServedCellar.alone(ServedCellar.project(engine, script, "{}\n"), Map.of())) {
            Http http = served.http();
            try (Connection connection = served.connect(); Statement statement = connection.createStatement()) {
                statement.executeUpdate("DELETE FROM item");
            }
            for (String grade : List.of("best", "new", "old")) {
                for (int shelf : List.of(1, 2)) {
                    assertThat(http.post("/items", "{\"shelf\":" + shelf + ",\"grade\":\"" + grade + "\"}").status())
                            .isEqualTo(201);
                }
            }

            assertThat(grades(http, "grade")).containsExactly("1old", "2old", "1new", "2new", "1best", "2best");
            assertThat(grades(http, "-grade")).containsExactly("1best", "2best", "1new", "2new", "1old", "2old");
            assertThat(grades(http, "-shelf,grade")).containsExactly("2old", "2new", "2best", "1old", "1new", "1best");
            assertThat(http.get("/items?grade=new").body()).hasSize(2);
        }
    }

    private static List<String> grades(Http http, String sort) {
        return pages(http, "/items?limit=1&sort=" + sort).stream()
                .map(row -> row.get("shelf").asText() + row.get("grade").asText()).toList();
    }

    private static List<JsonNode> sorted(List<JsonNode> rows, Comparator<JsonNode> order) {
        return rows.stream().sorted(order).toList();
    }

    @ParameterizedTest
    @ValueSource(strings = {"h2", "postgresql", "mariadb", "mysql", "sqlite"})
    void rowsThatStayAreSeenOnceWhileOthersComeAndGo(String engine) throws Exception {
        Http http = ServedCellar.on(engine).http();
        List<Long> staying = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            staying.add(create(http, "stays").get("id").asLong());
        }
        AtomicBoolean walked = new AtomicBoolean();
        CompletableFuture<Integer> others = CompletableFuture.supplyAsync(() -> {
            int written = 0;
            for (; !walked.get(); written++) {
                long id = create(http, "comes and goes").get("id").asLong();
                http.send("DELETE", "/vessel-transfers/" + id, "");
            }
            return written;
        });

        for (String sort : List.of("id", "-movedAt", "from,-id", "to")) {
            List<Long> seen = new ArrayList<>();
            pages(http, "/vessel-transfers?limit=4&sort=" + sort).forEach(row -> seen.add(row.get("id").asLong()));
            assertThat(seen).as(sort).doesNotHaveDuplicates().containsAll(staying);
        }

        walked.set(true);
        assertThat(others.get()).isPositive();
        staying.forEach(id -> http.send("DELETE", "/vessel-transfers/" + id, ""));
    }

    private static JsonNode create(Http http, String reason) {
        ObjectNode transfer = Http.JSON.createObjectNode().put("from", 1).put("to", 2).put("litres", 5)
                .put("movedAt", "2024-01-01T10:00:00").put("movedBy", 1).put("reason", reason);
        return http.post("/vessel-transfers", transfer.toString()).body();
    }

    private static List<JsonNode> pages(Http http, String path) {
        List<JsonNode> rows = new ArrayList<>();
        Set<String> asked = new HashSet<>();
        for (String next = path; next != null; ) {
            assertThat(asked.add(next)).isTrue();
            Http.Answer page = http.get(next);
            assertThat(page.status()).as(page.text()).isEqualTo(200);
            page.body().forEach(rows::add);
            next = page.next(path.substring(0, path.indexOf('?')));
        }
        return rows;
    }

    @ParameterizedTest
    @ValueSource(strings = {"/vessels?count=true&limit=1", "/vessels?count=true&limit=1&code[startsWith]=A-",
        "/parcels/1/harvests?count=true&limit=1", "/cellar-stock?count=true&limit=1"})
    void countIsOfAllPagesAndOfWhatTheFiltersLeave(String path) {
        Http http = ServedCellar.on("h2").http();
        Http.Answer answer = http.get(path);

        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        assertThat(Long.parseLong(answer.header("Total-Count")))
                .isEqualTo(pages(http, path.replace("&limit=1", "")).size());
        assertThat(answer.header("Total-Count")).isNotEqualTo("0");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "/vessels?fields=code&limit=2            | code", "/vessels/1?fields=kind,code              | code,kind",
        "/harvests?fields=id&include=parcel      | id,parcel", "/parcels/1/harvests?fields=weightKg      | weightKg"})
    void fieldsNarrowWhatIsToldOfEachRow(String path, String names) {
        JsonNode body = ServedCellar.on("h2").http().get(path).body();

        (body.isArray() ? body : Http.JSON.createArrayNode().add(body)).forEach(row ->
                assertThat(row.properties().stream().map(Map.Entry::getKey).sorted().toList())
                        .isEqualTo(List.of(names.split(","))));
    }

    @ParameterizedTest
    @ValueSource(strings = {"/vessels?sort=-code&after=%s", "/vessels?after=%s&sort=code,id",
            "/vessels?after=%sx&sort=code"})
    void cursorOfAnotherOrderIsRefused(String path) {
        Http http = ServedCellar.on("h2").http();
        String next = http.get("/vessels?sort=code&limit=1").next("/vessels");

        assertThat(http.get(path.formatted(next.replaceFirst(".*after=", ""))).status()).isEqualTo(400);
    }
}
