package com.example.cellar.controller;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.WineLotInput;
import com.example.cellar.entity.WineLot;
import com.example.cellar.repository.WineLotRepository;
import com.example.cellar.samples.WineLotSamples;
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

class WineLotControllerTest {
    private static final String PATH = "/wine-lots";

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.VESSEL,
            Tables.WINE_LOT);

    private final WineLotRepository repository = new WineLotRepository();
    private final Api api = SERVICE.api();
    private final Connection connection = SERVICE.connection();

    @Test
    @Tag("list")
    void listReturnsTheRowsOfTheTable() throws SQLException {
        ApiAnswer answer = api.get(PATH + "?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.asList(WineLot.class)).isEqualTo(repository.list(connection, Page.first(500)).rows());
    }

    @Test
    @Tag("list")
    void pagesFollowEachOther() throws SQLException {
        WineLotSamples.inserted(connection);
        WineLotSamples.inserted(connection);
        List<WineLot> rows = new ArrayList<>();

        int pages = api.eachPage(PATH + "?limit=3", page -> rows.addAll(page.asList(WineLot.class)));

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
        WineLotSamples.inserted(connection);
        List<WineLot> expected = new ArrayList<>(repository.list(connection, Page.all()).rows());
        Collections.reverse(expected);

        ApiAnswer answer = api.get(PATH + "?limit=500&sort=-id");

        assertThat(answer.asList(WineLot.class)).isEqualTo(expected.subList(0, Math.min(500, expected.size())));
    }

    @Test
    @Tag("list")
    void pagesInTheOrderOfVesselIdHaveEachRowOnce() throws SQLException {
        WineLotSamples.inserted(connection);
        WineLotSamples.inserted(connection);
        List<WineLot> ascending = new ArrayList<>();
        List<WineLot> descending = new ArrayList<>();

        api.eachPage(PATH + "?limit=3&sort=" + "vesselId", page -> ascending.addAll(page.asList(WineLot.class)));
        api.eachPage(PATH + "?limit=3&sort=-" + "vesselId", page -> descending.addAll(page.asList(WineLot.class)));

        List<WineLot> all = repository.list(connection, Page.all()).rows();
        assertThat(ascending).containsExactlyInAnyOrderElementsOf(all);
        assertThat(descending).containsExactlyInAnyOrderElementsOf(all);
    }

    @Test
    @Tag("create")
    void createStoresTheRowAndReturnsIt() throws SQLException {
        WineLotInput input = WineLotSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, input);

        assertThat(answer.status()).isEqualTo(201);
        WineLot created = answer.as(WineLot.class);
        assertThat(WineLotInput.of(created)).usingRecursiveComparison().ignoringExpectedNullFields().isEqualTo(input);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 1);
        assertThat(api.at(answer.header("Location")).as(WineLot.class)).isEqualTo(created);
        assertThat(repository.findById(connection, created.id())).contains(created);
    }

    @Test
    @Tag("create")
    void createManyStoresEveryRow() throws SQLException {
        List<WineLotInput> inputs = List.of(WineLotSamples.sample(connection), WineLotSamples.sample(connection));
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, inputs);

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.asList(WineLot.class)).hasSize(2);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 2);
    }

    @Test
    @Tag("create")
    void createManyStoresNoneIfOneIsRefused() throws SQLException {
        WineLotInput input = WineLotSamples.sample(connection);
        WineLot stored = WineLotSamples.inserted(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer
                = api.post(PATH,
                        List.of(input, Api.copying(WineLotSamples.sample(connection), WineLotInput.of(stored), "id")));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.violatedFields()).allMatch(field -> field.startsWith("[1]")).isNotEmpty();
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("read")
    void readReturnsTheRow() throws SQLException {
        WineLot stored = WineLotSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.as(WineLot.class)).isEqualTo(stored);
    }

    @Test
    @Tag("read")
    void readOfAKnownStateIsNotSentAgain() throws SQLException {
        String path = path(WineLotSamples.inserted(connection));
        String tag = api.get(path).header("ETag");

        assertThat(api.sending("If-None-Match", tag).get(path).status()).isEqualTo(304);
        assertThat(api.sending("If-None-Match", "\"another\"").get(path).status()).isEqualTo(200);
    }

    @Test
    @Tag("read")
    void fieldsNarrowTheAnswer() throws SQLException {
        String path = path(WineLotSamples.inserted(connection));

        ApiAnswer answer = api.get(path + "?fields=id");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body()).isEqualTo(Api.only(api.get(path).body(), "id"));
    }

    @Test
    @Tag("read")
    void includeVesselEmbedsTheRow() throws SQLException {
        WineLot stored = WineLotSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored) + "?include=vessel");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body().get("vessel"))
                .isEqualTo(api.get("/vessels/" + PathKeys.join(stored.vesselId())).body());
    }

    @Test
    @Tag("list")
    void listWineLotsOfVesselNarrows() throws SQLException {
        WineLot stored = WineLotSamples.inserted(connection);
        WineLotSamples.inserted(connection);

        ApiAnswer answer = api.get("/vessels/" + PathKeys.join(stored.vesselId()) + "/wine-lots?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        List<WineLot> expected = repository.list(connection, Page.all()).rows().stream()
                .filter(row -> Objects.equals(row.vesselId(), stored.vesselId()))
                .toList();
        assertThat(answer.asList(WineLot.class)).contains(stored).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByIdNarrows() throws SQLException {
        WineLot stored = WineLotSamples.inserted(connection);
        WineLotSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&id=" + PathKeys.join(stored.id()));

        List<WineLot> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.id(), stored.id()))
                .toList();
        assertThat(answer.asList(WineLot.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&id%5Bis%5D=" + PathKeys.join(stored.id())).asList(WineLot.class))
                .isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByNameNarrows() throws SQLException {
        WineLot stored = WineLotSamples.inserted(connection);
        WineLotSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&name=" + PathKeys.join(stored.name()));

        List<WineLot> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.name(), stored.name()))
                .toList();
        assertThat(answer.asList(WineLot.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&name%5Bis%5D=" + PathKeys.join(stored.name())).asList(WineLot.class))
                .isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByVintageNarrows() throws SQLException {
        WineLot stored = WineLotSamples.inserted(connection);
        WineLotSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&vintage=" + PathKeys.join(stored.vintage()));

        List<WineLot> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.vintage(), stored.vintage()))
                .toList();
        assertThat(answer.asList(WineLot.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&vintage%5Bis%5D=" + PathKeys.join(stored.vintage()))
                .asList(WineLot.class)).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByVesselIdNarrows() throws SQLException {
        WineLot stored = WineLotSamples.inserted(connection);
        WineLotSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&vesselId=" + PathKeys.join(stored.vesselId()));

        List<WineLot> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.vesselId(), stored.vesselId()))
                .toList();
        assertThat(answer.asList(WineLot.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&vesselId%5Bis%5D=" + PathKeys.join(stored.vesselId()))
                .asList(WineLot.class)).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filtersByTheOrderOfVintageDivideTheList() throws SQLException {
        WineLot stored = WineLotSamples.inserted(connection);
        WineLotSamples.inserted(connection);
        List<WineLot> all = repository.list(connection, Page.first(500)).rows();
        String value = PathKeys.join(stored.vintage());

        assertThat(where("vintage", "less", value)).doesNotContain(stored).isSubsetOf(where("vintage", "not", value));
        assertThat(where("vintage", "greater", value)).doesNotContain(stored)
                .isSubsetOf(where("vintage", "not", value));
        assertThat(where("vintage", "less", value).size() + where("vintage", "atLeast", value).size())
                .isEqualTo(all.size());
        assertThat(where("vintage", "greater", value).size() + where("vintage", "atMost", value).size())
                .isEqualTo(all.size());
        assertThat(where("vintage", "in", value).size() + where("vintage", "not", value).size()).isEqualTo(all.size());
        assertThat(where("vintage", "isNull", "false")).isEqualTo(all);
        assertThat(where("vintage", "isNull", "true")).isEmpty();
    }

    @Test
    @Tag("list")
    void nameIsSearched() throws SQLException {
        WineLot stored = WineLotSamples.inserted(connection);
        String value = stored.name();
        String end = value.substring(1);
        boolean repeated = value.regionMatches(true, 0, end, 0, end.length());

        assertThat(where("name", "startsWith", Api.encoded(value))).contains(stored);
        assertThat(where("name", "contains", Api.encoded(end))).contains(stored);
        assertThat(where("name", "startsWith", Api.encoded(end)).contains(stored)).isEqualTo(repeated);
    }

    private List<WineLot> where(String property, String comparison, String value) {
        return api.get(PATH + "?limit=500&" + Api.encoded(property) + "[" + comparison + "]=" + value)
                .asList(WineLot.class);
    }

    @Test
    @Tag("replace")
    void replaceStoresEveryField() throws SQLException {
        WineLot before = WineLotSamples.inserted(connection);
        WineLotInput input = WineLotSamples.other(connection);

        ApiAnswer answer = api.put(path(before), Api.without(input, "id"));

        assertThat(answer.status()).isEqualTo(200);
        WineLot after = answer.as(WineLot.class);
        assertThat(WineLotInput.of(after)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
        assertThat(repository.findById(connection, before.id())).contains(after);
    }

    @Test
    @Tag("replace")
    void replaceOfAnotherStateIsRefused() throws SQLException {
        WineLot before = WineLotSamples.inserted(connection);
        WineLotInput input = WineLotSamples.other(connection);

        ApiAnswer answer = api.sending("If-Match", "\"another\"")
                .put(path(before), Api.without(input, "id"));

        assertThat(answer.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    @Test
    @Tag("replace")
    void replaceRefusesAnotherKey() throws SQLException {
        WineLot before = WineLotSamples.inserted(connection);
        WineLot another = WineLotSamples.inserted(connection);

        ApiAnswer answer = api.put(path(before), WineLotInput.of(another));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).contains("id");
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    @Test
    @Tag("patch")
    void patchChangesOneFieldAndNoOther() throws SQLException {
        WineLot before = WineLotSamples.inserted(connection);
        WineLotInput other = WineLotSamples.other(connection);
        WineLot row = before;

        for (String field : List.of("name", "vintage", "vesselId", "litres", "createdAt")) {
            ApiAnswer answer = api.patch(path(before), Api.only(other, field));

            assertThat(answer.status()).isEqualTo(200);
            WineLot after = answer.as(WineLot.class);
            assertThat(Json.tree(WineLotInput.of(after))).isEqualTo(Api.copying(WineLotInput.of(row), other, field));
            assertThat(repository.findById(connection, before.id())).contains(after);
            row = after;
        }
    }

    @Test
    @Tag("patch")
    void changedRowHasAnotherTag() throws SQLException {
        String path = path(WineLotSamples.inserted(connection));
        String before = api.get(path).header("ETag");

        ApiAnswer answer = api.patch(path, Api.only(WineLotSamples.other(connection), "name"));

        assertThat(answer.header("ETag")).isNotEqualTo(before).isEqualTo(api.get(path).header("ETag"));
    }

    @Test
    @Tag("patch")
    void patchOfAnotherStateIsRefused() throws SQLException {
        WineLot before = WineLotSamples.inserted(connection);
        String tag = api.get(path(before)).header("ETag");
        WineLotInput other = WineLotSamples.other(connection);

        ApiAnswer refused = api.sending("If-Match", "\"another\"")
                .patch(path(before), Api.only(other, "name"));

        assertThat(refused.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.id())).contains(before);
        assertThat(api.sending("If-Match", tag).patch(path(before), "{}").status()).isEqualTo(200);
    }

    @Test
    @Tag("delete")
    void deleteOfAnotherStateIsRefused() throws SQLException {
        WineLot stored = WineLotSamples.inserted(connection);

        assertThat(api.sending("If-Match", "\"another\"").delete(path(stored)).status()).isEqualTo(412);

        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    @Test
    @Tag("delete")
    void deleteRemovesTheRow() throws SQLException {
        WineLot stored = WineLotSamples.inserted(connection);

        assertThat(api.delete(path(stored)).status()).isEqualTo(204);

        assertThat(repository.findById(connection, stored.id())).isEmpty();
        assertThat(api.get(path(stored)).status()).isEqualTo(404);
        assertThat(api.delete(path(stored)).status()).isEqualTo(404);
    }

    /** Primary key WINE_LOT_PKEY: ID. */
    @Test
    @Tag("rules")
    void duplicateIdIsRefused() throws SQLException {
        WineLot stored = WineLotSamples.inserted(connection);
        WineLotInput input = WineLotSamples.sample(connection);

        assertRefused(Api.copying(input, WineLotInput.of(stored), "id"), 409, "id");
    }

    /** Unique WINE_LOT_NAME_VINTAGE_KEY: NAME, VINTAGE. */
    @Test
    @Tag("rules")
    void duplicateNameAndVintageIsRefused() throws SQLException {
        WineLot stored = WineLotSamples.inserted(connection);
        WineLotInput input = WineLotSamples.sample(connection);

        assertRefused(Api.copying(input, WineLotInput.of(stored), "name", "vintage"), 409, "name", "vintage");
    }

    /** Reference WINE_LOT_VESSEL_FKEY: VESSEL_ID -&gt; VESSEL (ID). */
    @Test
    @Tag("rules")
    void vesselIdOfAMissingRowIsRefused() throws SQLException {
        WineLotInput input = WineLotSamples.sample(connection);

        assertRefused(Api.with(input, "vesselId", 2000000000), 422, "vesselId");
    }

    /** Check WINE_LOT_DATES_CHECK: "EMPTIED_ON" &gt;= "FILLED_ON". */
    @Test
    @Tag("rules")
    void emptiedOnAndFilledOnExchangedAreRefused() throws SQLException {
        WineLotInput input = WineLotSamples.sample(connection);

        assertRefused(Api.exchanging(input, "emptiedOn", "filledOn"), 400, "emptiedOn");
    }

    /** Check WINE_LOT_LITRES_CHECK: "LITRES" &gt;= CAST(0 AS NUMERIC(1)). */
    @Test
    @Tag("rules")
    void litresBelowItsLeastIsRefused() throws SQLException {
        WineLotInput input = WineLotSamples.sample(connection);

        assertRefused(Api.with(input, "litres", new BigDecimal("-0.01")), 400, "litres");
    }

    /** Check WINE_LOT_VINTAGE_CHECK: "VINTAGE" BETWEEN 1950 AND 2100. */
    @Test
    @Tag("rules")
    void vintageBelowItsLeastIsRefused() throws SQLException {
        WineLotInput input = WineLotSamples.sample(connection);

        assertRefused(Api.with(input, "vintage", 1949), 400, "vintage");
    }

    /** Check WINE_LOT_VINTAGE_CHECK: "VINTAGE" BETWEEN 1950 AND 2100. */
    @Test
    @Tag("rules")
    void vintageAboveItsMostIsRefused() throws SQLException {
        WineLotInput input = WineLotSamples.sample(connection);

        assertRefused(Api.with(input, "vintage", 2101), 400, "vintage");
    }

    /** Not null NAME. */
    @Test
    @Tag("rules")
    void createWithoutNameIsRefused() throws SQLException {
        WineLotInput input = WineLotSamples.sample(connection);

        assertRefused(Api.without(input, "name"), 400, "name");
    }

    /** Type VARCHAR(80) of NAME. */
    @Test
    @Tag("rules")
    void nameTooLongIsRefused() throws SQLException {
        WineLotInput input = WineLotSamples.sample(connection);

        assertRefused(Api.with(input, "name", "x".repeat(81)), 400, "name");
    }

    /** Not null VINTAGE. */
    @Test
    @Tag("rules")
    void createWithoutVintageIsRefused() throws SQLException {
        WineLotInput input = WineLotSamples.sample(connection);

        assertRefused(Api.without(input, "vintage"), 400, "vintage");
    }

    /** Not null LITRES. */
    @Test
    @Tag("rules")
    void createWithoutLitresIsRefused() throws SQLException {
        WineLotInput input = WineLotSamples.sample(connection);

        assertRefused(Api.without(input, "litres"), 400, "litres");
    }

    /** Type NUMERIC(9, 2) of LITRES. */
    @Test
    @Tag("rules")
    void litresWithTooManyDigitsIsRefused() throws SQLException {
        WineLotInput input = WineLotSamples.sample(connection);

        assertRefused(Api.with(input, "litres", 10000000), 400, "litres");
    }

    /** Type NUMERIC(9, 2) of LITRES. */
    @Test
    @Tag("rules")
    void litresWithTooManyDecimalsIsRefused() throws SQLException {
        WineLotInput input = WineLotSamples.sample(connection);

        assertRefused(Api.with(input, "litres", new BigDecimal("10.005")), 400, "litres");
    }

    /** Not null FILLED_ON. */
    @Test
    @Tag("rules")
    void createWithoutFilledOnIsRefused() throws SQLException {
        WineLotInput input = WineLotSamples.sample(connection);

        assertRefused(Api.without(input, "filledOn"), 400, "filledOn");
    }

    /** Not null CREATED_AT. */
    @Test
    @Tag("rules")
    void createdAtCannotBeCleared() throws SQLException {
        WineLot before = WineLotSamples.inserted(connection);

        ApiAnswer answer = api.patch(path(before), Api.clearing("createdAt"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("createdAt");
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    /** Default CURRENT_TIMESTAMP of CREATED_AT. */
    @Test
    @Tag("rules")
    void createdAtTakesItsDefault() throws SQLException {
        WineLotInput input = WineLotSamples.sample(connection);

        ApiAnswer answer = api.post(PATH, Api.without(input, "createdAt"));

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.body().hasNonNull("createdAt")).isTrue();
    }

    /** Reference WINE_LOT_VESSEL_FKEY: VESSEL_ID -&gt; VESSEL (ID). */
    @Test
    @Tag("rules")
    void rowReferredToByVesselIdCannotBeDeleted() throws SQLException {
        WineLot stored = WineLotSamples.inserted(connection);

        ApiAnswer answer = api.delete("/vessels/" + PathKeys.join(stored.vesselId()));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.body().path("detail").textValue()).contains("wine-lots");
        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    /** Asserts that a new row is refused on account of these fields, and that the table stays as it is. */
    private void assertRefused(Object body, int status, String... fields) throws SQLException {
        List<WineLot> before = repository.list(connection, Page.all()).rows();

        ApiAnswer answer = api.post(PATH, body);

        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.violatedFields()).as(answer.text()).containsAll(List.of(fields));
        if (status == 400) {
            assertThat(answer.text()).as("the service knows the rule").doesNotContain("The database");
        }
        assertThat(repository.list(connection, Page.all()).rows()).isEqualTo(before);
    }

    private static String path(WineLot wineLot) {
        return PATH + "/" + PathKeys.join(wineLot.id());
    }
}
