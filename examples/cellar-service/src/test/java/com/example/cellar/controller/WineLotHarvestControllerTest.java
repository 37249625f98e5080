package com.example.cellar.controller;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.WineLotHarvestInput;
import com.example.cellar.entity.Harvest;
import com.example.cellar.entity.WineLot;
import com.example.cellar.entity.WineLotHarvest;
import com.example.cellar.repository.HarvestRepository;
import com.example.cellar.repository.WineLotHarvestRepository;
import com.example.cellar.repository.WineLotRepository;
import com.example.cellar.samples.WineLotHarvestSamples;
import com.example.cellar.support.Api;
import com.example.cellar.support.ApiAnswer;
import com.example.cellar.support.Condition;
import com.example.cellar.support.Page;
import com.example.cellar.support.PathKeys;
import com.example.cellar.support.ServiceUnderTest;
import com.example.cellar.support.Tables;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

class WineLotHarvestControllerTest {
    private static final String PATH = "/wine-lot-harvests";

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.CELLAR_HAND,
            Tables.GRAPE_VARIETY,
            Tables.VESSEL,
            Tables.PARCEL,
            Tables.WINE_LOT,
            Tables.HARVEST,
            Tables.WINE_LOT_HARVEST);

    private final WineLotHarvestRepository repository = new WineLotHarvestRepository();
    private final Api api = SERVICE.api();
    private final Connection connection = SERVICE.connection();

    @Test
    @Tag("list")
    void listReturnsTheRowsOfTheTable() throws SQLException {
        ApiAnswer answer = api.get(PATH + "?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.asList(WineLotHarvest.class)).isEqualTo(repository.list(connection, Page.first(500)).rows());
    }

    @Test
    @Tag("list")
    void pagesFollowEachOther() throws SQLException {
        WineLotHarvestSamples.inserted(connection);
        WineLotHarvestSamples.inserted(connection);
        List<WineLotHarvest> rows = new ArrayList<>();

        int pages = api.eachPage(PATH + "?limit=3", page -> rows.addAll(page.asList(WineLotHarvest.class)));

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
        WineLotHarvestSamples.inserted(connection);
        List<WineLotHarvest> expected = new ArrayList<>(repository.list(connection, Page.all()).rows());
        Collections.reverse(expected);

        ApiAnswer answer = api.get(PATH + "?limit=500&sort=-wineLotId,-harvestId");

        assertThat(answer.asList(WineLotHarvest.class)).isEqualTo(expected.subList(0, Math.min(500, expected.size())));
    }

    @Test
    @Tag("create")
    void createStoresTheRowAndReturnsIt() throws SQLException {
        WineLotHarvestInput input = WineLotHarvestSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, input);

        assertThat(answer.status()).isEqualTo(201);
        WineLotHarvest created = answer.as(WineLotHarvest.class);
        assertThat(WineLotHarvestInput.of(created)).usingRecursiveComparison().ignoringExpectedNullFields()
                .isEqualTo(input);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 1);
        assertThat(api.at(answer.header("Location")).as(WineLotHarvest.class)).isEqualTo(created);
        assertThat(repository.findById(connection, created.primaryKey())).contains(created);
    }

    @Test
    @Tag("create")
    void createManyStoresEveryRow() throws SQLException {
        List<WineLotHarvestInput> inputs
                = List.of(WineLotHarvestSamples.sample(connection), WineLotHarvestSamples.sample(connection));
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, inputs);

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.asList(WineLotHarvest.class)).hasSize(2);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 2);
    }

    @Test
    @Tag("create")
    void createManyStoresNoneIfOneIsRefused() throws SQLException {
        WineLotHarvestInput input = WineLotHarvestSamples.sample(connection);
        WineLotHarvest stored = WineLotHarvestSamples.inserted(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer
                = api.post(PATH,
                        List.of(input,
                                Api.copying(WineLotHarvestSamples.sample(connection), WineLotHarvestInput.of(stored),
                                        "wineLotId", "harvestId")));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.violatedFields()).allMatch(field -> field.startsWith("[1]")).isNotEmpty();
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("read")
    void readReturnsTheRow() throws SQLException {
        WineLotHarvest stored = WineLotHarvestSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.as(WineLotHarvest.class)).isEqualTo(stored);
    }

    @Test
    @Tag("read")
    void readOfAKnownStateIsNotSentAgain() throws SQLException {
        String path = path(WineLotHarvestSamples.inserted(connection));
        String tag = api.get(path).header("ETag");

        assertThat(api.sending("If-None-Match", tag).get(path).status()).isEqualTo(304);
        assertThat(api.sending("If-None-Match", "\"another\"").get(path).status()).isEqualTo(200);
    }

    @Test
    @Tag("read")
    void fieldsNarrowTheAnswer() throws SQLException {
        String path = path(WineLotHarvestSamples.inserted(connection));

        ApiAnswer answer = api.get(path + "?fields=wineLotId");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body()).isEqualTo(Api.only(api.get(path).body(), "wineLotId"));
    }

    @Test
    @Tag("read")
    void includeHarvestEmbedsTheRow() throws SQLException {
        WineLotHarvest stored = WineLotHarvestSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored) + "?include=harvest");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body().get("harvest"))
                .isEqualTo(api.get("/harvests/" + PathKeys.join(stored.harvestId())).body());
    }

    @Test
    @Tag("read")
    void includeWineLotEmbedsTheRow() throws SQLException {
        WineLotHarvest stored = WineLotHarvestSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored) + "?include=wineLot");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body().get("wineLot"))
                .isEqualTo(api.get("/wine-lots/" + PathKeys.join(stored.wineLotId())).body());
    }

    @Test
    @Tag("list")
    void listWineLotHarvestsOfHarvestNarrows() throws SQLException {
        WineLotHarvest stored = WineLotHarvestSamples.inserted(connection);
        WineLotHarvestSamples.inserted(connection);

        ApiAnswer answer = api.get("/harvests/" + PathKeys.join(stored.harvestId()) + "/wine-lot-harvests?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        List<WineLotHarvest> expected = repository.list(connection, Page.all()).rows().stream()
                .filter(row -> Objects.equals(row.harvestId(), stored.harvestId()))
                .toList();
        assertThat(answer.asList(WineLotHarvest.class)).contains(stored).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void listWineLotHarvestsOfWineLotNarrows() throws SQLException {
        WineLotHarvest stored = WineLotHarvestSamples.inserted(connection);
        WineLotHarvestSamples.inserted(connection);

        ApiAnswer answer = api.get("/wine-lots/" + PathKeys.join(stored.wineLotId()) + "/wine-lot-harvests?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        List<WineLotHarvest> expected = repository.list(connection, Page.all()).rows().stream()
                .filter(row -> Objects.equals(row.wineLotId(), stored.wineLotId()))
                .toList();
        assertThat(answer.asList(WineLotHarvest.class)).contains(stored).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void listWineLotsOfHarvestNarrows() throws SQLException {
        WineLotHarvest stored = WineLotHarvestSamples.inserted(connection);
        WineLotHarvestSamples.inserted(connection);

        ApiAnswer answer = api.get("/harvests/" + PathKeys.join(stored.harvestId()) + "/wine-lots?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.asList(WineLot.class)).hasSize(1)
                .isEqualTo(new WineLotRepository()
                        .listJoinedToHarvestByWineLotHarvest(connection, stored.harvestId(), Page.all()).rows());
    }

    @Test
    @Tag("list")
    void listHarvestsOfWineLotNarrows() throws SQLException {
        WineLotHarvest stored = WineLotHarvestSamples.inserted(connection);
        WineLotHarvestSamples.inserted(connection);

        ApiAnswer answer = api.get("/wine-lots/" + PathKeys.join(stored.wineLotId()) + "/harvests?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.asList(Harvest.class)).hasSize(1)
                .isEqualTo(new HarvestRepository()
                        .listJoinedToWineLotByWineLotHarvest(connection, stored.wineLotId(), Page.all()).rows());
    }

    @Test
    @Tag("list")
    void filterByWineLotIdNarrows() throws SQLException {
        WineLotHarvest stored = WineLotHarvestSamples.inserted(connection);
        WineLotHarvestSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&wineLotId=" + PathKeys.join(stored.wineLotId()));

        List<WineLotHarvest> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.wineLotId(), stored.wineLotId()))
                .toList();
        assertThat(answer.asList(WineLotHarvest.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&wineLotId%5Bis%5D=" + PathKeys.join(stored.wineLotId()))
                .asList(WineLotHarvest.class)).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByHarvestIdNarrows() throws SQLException {
        WineLotHarvest stored = WineLotHarvestSamples.inserted(connection);
        WineLotHarvestSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&harvestId=" + PathKeys.join(stored.harvestId()));

        List<WineLotHarvest> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.harvestId(), stored.harvestId()))
                .toList();
        assertThat(answer.asList(WineLotHarvest.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&harvestId%5Bis%5D=" + PathKeys.join(stored.harvestId()))
                .asList(WineLotHarvest.class)).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filtersByTheOrderOfHarvestIdDivideTheList() throws SQLException {
        WineLotHarvest stored = WineLotHarvestSamples.inserted(connection);
        WineLotHarvestSamples.inserted(connection);
        List<WineLotHarvest> all = repository.list(connection, Page.first(500)).rows();
        String value = PathKeys.join(stored.harvestId());

        assertThat(where("harvestId", "less", value)).doesNotContain(stored)
                .isSubsetOf(where("harvestId", "not", value));
        assertThat(where("harvestId", "greater", value)).doesNotContain(stored)
                .isSubsetOf(where("harvestId", "not", value));
        assertThat(where("harvestId", "less", value).size() + where("harvestId", "atLeast", value).size())
                .isEqualTo(all.size());
        assertThat(where("harvestId", "greater", value).size() + where("harvestId", "atMost", value).size())
                .isEqualTo(all.size());
        assertThat(where("harvestId", "in", value).size() + where("harvestId", "not", value).size())
                .isEqualTo(all.size());
        assertThat(where("harvestId", "isNull", "false")).isEqualTo(all);
        assertThat(where("harvestId", "isNull", "true")).isEmpty();
    }

    private List<WineLotHarvest> where(String property, String comparison, String value) {
        return api.get(PATH + "?limit=500&" + Api.encoded(property) + "[" + comparison + "]=" + value)
                .asList(WineLotHarvest.class);
    }

    @Test
    @Tag("delete")
    void deleteOfAnotherStateIsRefused() throws SQLException {
        WineLotHarvest stored = WineLotHarvestSamples.inserted(connection);

        assertThat(api.sending("If-Match", "\"another\"").delete(path(stored)).status()).isEqualTo(412);

        assertThat(repository.findById(connection, stored.primaryKey())).contains(stored);
    }

    @Test
    @Tag("delete")
    void deleteRemovesTheRow() throws SQLException {
        WineLotHarvest stored = WineLotHarvestSamples.inserted(connection);

        assertThat(api.delete(path(stored)).status()).isEqualTo(204);

        assertThat(repository.findById(connection, stored.primaryKey())).isEmpty();
        assertThat(api.get(path(stored)).status()).isEqualTo(404);
        assertThat(api.delete(path(stored)).status()).isEqualTo(404);
    }

    /** Primary key WINE_LOT_HARVEST_PKEY: WINE_LOT_ID, HARVEST_ID. */
    @Test
    @Tag("rules")
    void duplicateWineLotIdAndHarvestIdIsRefused() throws SQLException {
        WineLotHarvest stored = WineLotHarvestSamples.inserted(connection);
        WineLotHarvestInput input = WineLotHarvestSamples.sample(connection);

        assertRefused(Api.copying(input, WineLotHarvestInput.of(stored), "wineLotId", "harvestId"), 409, "wineLotId",
                "harvestId");
    }

    /** Reference WINE_LOT_HARVEST_HARVEST_FKEY: HARVEST_ID -&gt; HARVEST (ID). */
    @Test
    @Tag("rules")
    void harvestIdOfAMissingRowIsRefused() throws SQLException {
        WineLotHarvestInput input = WineLotHarvestSamples.sample(connection);

        assertRefused(Api.with(input, "harvestId", 2000000000), 422, "harvestId");
    }

    /** Reference WINE_LOT_HARVEST_LOT_FKEY: WINE_LOT_ID -&gt; WINE_LOT (ID) ON DELETE CASCADE. */
    @Test
    @Tag("rules")
    void wineLotIdOfAMissingRowIsRefused() throws SQLException {
        WineLotHarvestInput input = WineLotHarvestSamples.sample(connection);

        assertRefused(Api.with(input, "wineLotId", "ffffffff-ffff-ffff-ffff-ffffffffffff"), 422, "wineLotId");
    }

    /** Not null WINE_LOT_ID. */
    @Test
    @Tag("rules")
    void createWithoutWineLotIdIsRefused() throws SQLException {
        WineLotHarvestInput input = WineLotHarvestSamples.sample(connection);

        assertRefused(Api.without(input, "wineLotId"), 400, "wineLotId");
    }

    /** Not null HARVEST_ID. */
    @Test
    @Tag("rules")
    void createWithoutHarvestIdIsRefused() throws SQLException {
        WineLotHarvestInput input = WineLotHarvestSamples.sample(connection);

        assertRefused(Api.without(input, "harvestId"), 400, "harvestId");
    }

    /** Reference WINE_LOT_HARVEST_HARVEST_FKEY: HARVEST_ID -&gt; HARVEST (ID). */
    @Test
    @Tag("rules")
    void rowReferredToByHarvestIdCannotBeDeleted() throws SQLException {
        WineLotHarvest stored = WineLotHarvestSamples.inserted(connection);

        ApiAnswer answer = api.delete("/harvests/" + PathKeys.join(stored.harvestId()));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.body().path("detail").textValue()).contains("wine-lot-harvests");
        assertThat(repository.findById(connection, stored.primaryKey())).contains(stored);
    }

    /** Reference WINE_LOT_HARVEST_LOT_FKEY: WINE_LOT_ID -&gt; WINE_LOT (ID) ON DELETE CASCADE. */
    @Test
    @Tag("rules")
    void rowGoesWithItsRowOfWineLotId() throws SQLException {
        WineLotHarvest stored = WineLotHarvestSamples.inserted(connection);

        ApiAnswer answer = api.delete("/wine-lots/" + PathKeys.join(stored.wineLotId()));

        assertThat(answer.status()).as(answer.text()).isEqualTo(204);
        assertThat(repository.findById(connection, stored.primaryKey())).isEmpty();
    }

    /** Asserts that a new row is refused on account of these fields, and that the table stays as it is. */
    private void assertRefused(Object body, int status, String... fields) throws SQLException {
        List<WineLotHarvest> before = repository.list(connection, Page.all()).rows();

        ApiAnswer answer = api.post(PATH, body);

        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.violatedFields()).as(answer.text()).containsAll(List.of(fields));
        if (status == 400) {
            assertThat(answer.text()).as("the service knows the rule").doesNotContain("The database");
        }
        assertThat(repository.list(connection, Page.all()).rows()).isEqualTo(before);
    }

    private static String path(WineLotHarvest wineLotHarvest) {
        return PATH + "/" + wineLotHarvest.primaryKey().segment();
    }
}
