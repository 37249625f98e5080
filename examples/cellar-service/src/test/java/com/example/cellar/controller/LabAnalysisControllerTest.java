package com.example.cellar.controller;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.LabAnalysisInput;
import com.example.cellar.entity.LabAnalysis;
import com.example.cellar.repository.LabAnalysisRepository;
import com.example.cellar.samples.LabAnalysisSamples;
import com.example.cellar.support.Api;
import com.example.cellar.support.ApiAnswer;
import com.example.cellar.support.Condition;
import com.example.cellar.support.Json;
import com.example.cellar.support.Page;
import com.example.cellar.support.PathKeys;
import com.example.cellar.support.ServiceUnderTest;
import com.example.cellar.support.Tables;
import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

class LabAnalysisControllerTest {
    private static final String PATH = "/lab-analyses";

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.VESSEL,
            Tables.WINE_LOT,
            Tables.LAB_ANALYSIS);

    private final LabAnalysisRepository repository = new LabAnalysisRepository();
    private final Api api = SERVICE.api();
    private final Connection connection = SERVICE.connection();

    @Test
    @Tag("list")
    void listReturnsTheRowsOfTheTable() throws SQLException {
        ApiAnswer answer = api.get(PATH + "?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.asList(LabAnalysis.class)).isEqualTo(repository.list(connection, Page.first(500)).rows());
    }

    @Test
    @Tag("list")
    void pagesFollowEachOther() throws SQLException {
        LabAnalysisSamples.inserted(connection);
        LabAnalysisSamples.inserted(connection);
        List<LabAnalysis> rows = new ArrayList<>();

        int pages = api.eachPage(PATH + "?limit=3", page -> rows.addAll(page.asList(LabAnalysis.class)));

        assertThat(rows).isEqualTo(repository.list(connection, Page.all()).rows());
        assertThat(pages).isEqualTo(Math.max(1, (rows.size() + 2) / 3));
    }

    @Test
    @Tag("list")
    void countTellsTheNumberOfAllRows() throws SQLException {
        ApiAnswer answer = api.get(PATH + "?count=true&limit=1");

        assertThat(answer.header("Total-Count"))
                .isEqualTo(String.valueOf(repository.count(connection, Condition.NONE)));
    }

    @Test
    @Tag("list")
    void sortTurnsTheOrder() throws SQLException {
        LabAnalysisSamples.inserted(connection);
        List<LabAnalysis> expected = new ArrayList<>(repository.list(connection, Page.all()).rows());
        Collections.reverse(expected);

        ApiAnswer answer = api.get(PATH + "?limit=500&sort=-id");

        assertThat(answer.asList(LabAnalysis.class)).isEqualTo(expected.subList(0, Math.min(500, expected.size())));
    }

    @Test
    @Tag("list")
    void pagesInTheOrderOfWineLotIdHaveEachRowOnce() throws SQLException {
        LabAnalysisSamples.inserted(connection);
        LabAnalysisSamples.inserted(connection);
        List<LabAnalysis> ascending = new ArrayList<>();
        List<LabAnalysis> descending = new ArrayList<>();

        api.eachPage(PATH + "?limit=3&sort=" + "wineLotId", page -> ascending.addAll(page.asList(LabAnalysis.class)));
        api.eachPage(PATH + "?limit=3&sort=-" + "wineLotId", page -> descending.addAll(page.asList(LabAnalysis.class)));

        List<LabAnalysis> all = repository.list(connection, Page.all()).rows();
        assertThat(ascending).containsExactlyInAnyOrderElementsOf(all);
        assertThat(descending).containsExactlyInAnyOrderElementsOf(all);
    }

    @Test
    @Tag("create")
    void createStoresTheRowAndReturnsIt() throws SQLException {
        LabAnalysisInput input = LabAnalysisSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, input);

        assertThat(answer.status()).isEqualTo(201);
        LabAnalysis created = answer.as(LabAnalysis.class);
        assertThat(LabAnalysisInput.of(created)).usingRecursiveComparison().ignoringExpectedNullFields()
                .isEqualTo(input);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 1);
        assertThat(api.at(answer.header("Location")).as(LabAnalysis.class)).isEqualTo(created);
        assertThat(repository.findById(connection, created.id())).contains(created);
    }

    @Test
    @Tag("create")
    void createManyStoresEveryRow() throws SQLException {
        List<LabAnalysisInput> inputs
                = List.of(LabAnalysisSamples.sample(connection), LabAnalysisSamples.sample(connection));
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, inputs);

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.asList(LabAnalysis.class)).hasSize(2);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 2);
    }

    @Test
    @Tag("create")
    void createManyStoresNoneIfOneIsRefused() throws SQLException {
        LabAnalysisInput input = LabAnalysisSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, List.of(input, Api.with(input, "no such property", 1)));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsExactly("[1].no such property");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("read")
    void readReturnsTheRow() throws SQLException {
        LabAnalysis stored = LabAnalysisSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.as(LabAnalysis.class)).isEqualTo(stored);
    }

    @Test
    @Tag("read")
    void readOfAKnownStateIsNotSentAgain() throws SQLException {
        String path = path(LabAnalysisSamples.inserted(connection));
        String tag = api.get(path).header("ETag");

        assertThat(api.sending("If-None-Match", tag).get(path).status()).isEqualTo(304);
        assertThat(api.sending("If-None-Match", "\"another\"").get(path).status()).isEqualTo(200);
    }

    @Test
    @Tag("read")
    void fieldsNarrowTheAnswer() throws SQLException {
        String path = path(LabAnalysisSamples.inserted(connection));

        ApiAnswer answer = api.get(path + "?fields=id");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body()).isEqualTo(Api.only(api.get(path).body(), "id"));
    }

    @Test
    @Tag("read")
    void includeWineLotEmbedsTheRow() throws SQLException {
        LabAnalysis stored = LabAnalysisSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored) + "?include=wineLot");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body().get("wineLot"))
                .isEqualTo(api.get("/wine-lots/" + PathKeys.join(stored.wineLotId())).body());
    }

    @Test
    @Tag("list")
    void listLabAnalysesOfWineLotNarrows() throws SQLException {
        LabAnalysis stored = LabAnalysisSamples.inserted(connection);
        LabAnalysisSamples.inserted(connection);

        ApiAnswer answer = api.get("/wine-lots/" + PathKeys.join(stored.wineLotId()) + "/lab-analyses?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        List<LabAnalysis> expected = repository.list(connection, Page.all()).rows().stream()
                .filter(row -> Objects.equals(row.wineLotId(), stored.wineLotId()))
                .toList();
        assertThat(answer.asList(LabAnalysis.class)).contains(stored).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByIdNarrows() throws SQLException {
        LabAnalysis stored = LabAnalysisSamples.inserted(connection);
        LabAnalysisSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&id=" + PathKeys.join(stored.id()));

        List<LabAnalysis> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.id(), stored.id()))
                .toList();
        assertThat(answer.asList(LabAnalysis.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&id%5Bis%5D=" + PathKeys.join(stored.id())).asList(LabAnalysis.class))
                .isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByWineLotIdNarrows() throws SQLException {
        LabAnalysis stored = LabAnalysisSamples.inserted(connection);
        LabAnalysisSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&wineLotId=" + PathKeys.join(stored.wineLotId()));

        List<LabAnalysis> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.wineLotId(), stored.wineLotId()))
                .toList();
        assertThat(answer.asList(LabAnalysis.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&wineLotId%5Bis%5D=" + PathKeys.join(stored.wineLotId()))
                .asList(LabAnalysis.class)).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filtersByTheOrderOfIdDivideTheList() throws SQLException {
        LabAnalysis stored = LabAnalysisSamples.inserted(connection);
        LabAnalysisSamples.inserted(connection);
        List<LabAnalysis> all = repository.list(connection, Page.first(500)).rows();
        String value = PathKeys.join(stored.id());

        assertThat(where("id", "less", value)).doesNotContain(stored).isSubsetOf(where("id", "not", value));
        assertThat(where("id", "greater", value)).doesNotContain(stored).isSubsetOf(where("id", "not", value));
        assertThat(where("id", "less", value).size() + where("id", "atLeast", value).size()).isEqualTo(all.size());
        assertThat(where("id", "greater", value).size() + where("id", "atMost", value).size()).isEqualTo(all.size());
        assertThat(where("id", "in", value).size() + where("id", "not", value).size()).isEqualTo(all.size());
        assertThat(where("id", "isNull", "false")).isEqualTo(all);
        assertThat(where("id", "isNull", "true")).isEmpty();
    }

    private List<LabAnalysis> where(String property, String comparison, String value) {
        return api.get(PATH + "?limit=500&" + Api.encoded(property) + "[" + comparison + "]=" + value)
                .asList(LabAnalysis.class);
    }

    @Test
    @Tag("replace")
    void replaceStoresEveryField() throws SQLException {
        LabAnalysis before = LabAnalysisSamples.inserted(connection);
        LabAnalysisInput input = LabAnalysisSamples.other(connection);

        ApiAnswer answer = api.put(path(before), Api.without(input, "id"));

        assertThat(answer.status()).isEqualTo(200);
        LabAnalysis after = answer.as(LabAnalysis.class);
        assertThat(LabAnalysisInput.of(after)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
        assertThat(repository.findById(connection, before.id())).contains(after);
    }

    @Test
    @Tag("replace")
    void replaceOfAnotherStateIsRefused() throws SQLException {
        LabAnalysis before = LabAnalysisSamples.inserted(connection);
        LabAnalysisInput input = LabAnalysisSamples.other(connection);

        ApiAnswer answer = api.sending("If-Match", "\"another\"")
                .put(path(before), Api.without(input, "id"));

        assertThat(answer.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    @Test
    @Tag("replace")
    void replaceRefusesAnotherKey() throws SQLException {
        LabAnalysis before = LabAnalysisSamples.inserted(connection);
        LabAnalysis another = LabAnalysisSamples.inserted(connection);

        ApiAnswer answer = api.put(path(before), LabAnalysisInput.of(another));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).contains("id");
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    @Test
    @Tag("patch")
    void patchChangesOneFieldAndNoOther() throws SQLException {
        LabAnalysis before = LabAnalysisSamples.inserted(connection);
        LabAnalysisInput other = LabAnalysisSamples.other(connection);
        LabAnalysis row = before;

        for (String field : List.of("wineLotId", "takenAt", "ph", "alcoholVolume", "celsius", "readings", "remarks")) {
            ApiAnswer answer = api.patch(path(before), Api.only(other, field));

            assertThat(answer.status()).isEqualTo(200);
            LabAnalysis after = answer.as(LabAnalysis.class);
            assertThat(Json.tree(LabAnalysisInput.of(after)))
                    .isEqualTo(Api.copying(LabAnalysisInput.of(row), other, field));
            assertThat(repository.findById(connection, before.id())).contains(after);
            row = after;
        }
    }

    @Test
    @Tag("patch")
    void patchOfAnotherStateIsRefused() throws SQLException {
        LabAnalysis before = LabAnalysisSamples.inserted(connection);
        String tag = api.get(path(before)).header("ETag");
        LabAnalysisInput other = LabAnalysisSamples.other(connection);

        ApiAnswer refused = api.sending("If-Match", "\"another\"")
                .patch(path(before), Api.only(other, "wineLotId"));

        assertThat(refused.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.id())).contains(before);
        assertThat(api.sending("If-Match", tag).patch(path(before), "{}").status()).isEqualTo(200);
    }

    @Test
    @Tag("delete")
    void deleteOfAnotherStateIsRefused() throws SQLException {
        LabAnalysis stored = LabAnalysisSamples.inserted(connection);

        assertThat(api.sending("If-Match", "\"another\"").delete(path(stored)).status()).isEqualTo(412);

        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    @Test
    @Tag("delete")
    void deleteRemovesTheRow() throws SQLException {
        LabAnalysis stored = LabAnalysisSamples.inserted(connection);

        assertThat(api.delete(path(stored)).status()).isEqualTo(204);

        assertThat(repository.findById(connection, stored.id())).isEmpty();
        assertThat(api.get(path(stored)).status()).isEqualTo(404);
        assertThat(api.delete(path(stored)).status()).isEqualTo(404);
    }

    /** Reference LAB_ANALYSIS_LOT_FKEY: WINE_LOT_ID -&gt; WINE_LOT (ID) ON DELETE CASCADE. */
    @Test
    @Tag("rules")
    void wineLotIdOfAMissingRowIsRefused() throws SQLException {
        LabAnalysisInput input = LabAnalysisSamples.sample(connection);

        assertRefused(Api.with(input, "wineLotId", "ffffffff-ffff-ffff-ffff-ffffffffffff"), 422, "wineLotId");
    }

    /** Check LAB_ANALYSIS_ALCOHOL_CHECK: "ALCOHOL_VOLUME" BETWEEN 0 AND 25. */
    @Test
    @Tag("rules")
    void alcoholVolumeBelowItsLeastIsRefused() throws SQLException {
        LabAnalysisInput input = LabAnalysisSamples.sample(connection);

        assertRefused(Api.with(input, "alcoholVolume", new BigDecimal("-0.01")), 400, "alcoholVolume");
    }

    /** Check LAB_ANALYSIS_ALCOHOL_CHECK: "ALCOHOL_VOLUME" BETWEEN 0 AND 25. */
    @Test
    @Tag("rules")
    void alcoholVolumeAboveItsMostIsRefused() throws SQLException {
        LabAnalysisInput input = LabAnalysisSamples.sample(connection);

        assertRefused(Api.with(input, "alcoholVolume", new BigDecimal("25.01")), 400, "alcoholVolume");
    }

    /** Check LAB_ANALYSIS_PH_CHECK: ("PH" &gt;= 2.5) AND ("PH" &lt;= 4.5). */
    @Test
    @Tag("rules")
    void phBelowItsLeastIsRefused() throws SQLException {
        LabAnalysisInput input = LabAnalysisSamples.sample(connection);

        assertRefused(Api.with(input, "ph", new BigDecimal("2.49")), 400, "ph");
    }

    /** Check LAB_ANALYSIS_PH_CHECK: ("PH" &gt;= 2.5) AND ("PH" &lt;= 4.5). */
    @Test
    @Tag("rules")
    void phAboveItsMostIsRefused() throws SQLException {
        LabAnalysisInput input = LabAnalysisSamples.sample(connection);

        assertRefused(Api.with(input, "ph", new BigDecimal("4.51")), 400, "ph");
    }

    /** Generated ID: numbered by the database. */
    @Test
    @Tag("rules")
    void idFromTheClientIsRefused() throws SQLException {
        LabAnalysisInput input = LabAnalysisSamples.sample(connection);

        assertRefused(Api.with(input, "id", 1), 400, "id");
    }

    /** Not null WINE_LOT_ID. */
    @Test
    @Tag("rules")
    void createWithoutWineLotIdIsRefused() throws SQLException {
        LabAnalysisInput input = LabAnalysisSamples.sample(connection);

        assertRefused(Api.without(input, "wineLotId"), 400, "wineLotId");
    }

    /** Not null TAKEN_AT. */
    @Test
    @Tag("rules")
    void createWithoutTakenAtIsRefused() throws SQLException {
        LabAnalysisInput input = LabAnalysisSamples.sample(connection);

        assertRefused(Api.without(input, "takenAt"), 400, "takenAt");
    }

    /** Type NUMERIC(3, 2) of PH. */
    @Test
    @Tag("rules")
    void phWithTooManyDecimalsIsRefused() throws SQLException {
        LabAnalysisInput input = LabAnalysisSamples.sample(connection);

        assertRefused(Api.with(input, "ph", new BigDecimal("3.505")), 400, "ph");
    }

    /** Type NUMERIC(4, 2) of ALCOHOL_VOLUME. */
    @Test
    @Tag("rules")
    void alcoholVolumeWithTooManyDecimalsIsRefused() throws SQLException {
        LabAnalysisInput input = LabAnalysisSamples.sample(connection);

        assertRefused(Api.with(input, "alcoholVolume", new BigDecimal("12.505")), 400, "alcoholVolume");
    }

    /** Reference LAB_ANALYSIS_LOT_FKEY: WINE_LOT_ID -&gt; WINE_LOT (ID) ON DELETE CASCADE. */
    @Test
    @Tag("rules")
    void rowGoesWithItsRowOfWineLotId() throws SQLException {
        LabAnalysis stored = LabAnalysisSamples.inserted(connection);

        ApiAnswer answer = api.delete("/wine-lots/" + PathKeys.join(stored.wineLotId()));

        assertThat(answer.status()).as(answer.text()).isEqualTo(204);
        assertThat(repository.findById(connection, stored.id())).isEmpty();
    }

    /** Asserts that a new row is refused on account of these fields, and that the table stays as it is. */
    private void assertRefused(Object body, int status, String... fields) throws SQLException {
        List<LabAnalysis> before = repository.list(connection, Page.all()).rows();

        ApiAnswer answer = api.post(PATH, body);

        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.violatedFields()).as(answer.text()).containsAll(List.of(fields));
        if (status == 400) {
            assertThat(answer.text()).as("the service knows the rule").doesNotContain("The database");
        }
        assertThat(repository.list(connection, Page.all()).rows()).isEqualTo(before);
    }

    private static String path(LabAnalysis labAnalysis) {
        return PATH + "/" + PathKeys.join(labAnalysis.id());
    }
}
