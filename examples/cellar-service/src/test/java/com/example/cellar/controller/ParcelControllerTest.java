package com.example.cellar.controller;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.ParcelInput;
import com.example.cellar.entity.Parcel;
import com.example.cellar.repository.ParcelRepository;
import com.example.cellar.samples.ParcelSamples;
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

class ParcelControllerTest {
    private static final String PATH = "/parcels";

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.GRAPE_VARIETY,
            Tables.PARCEL);

    private final ParcelRepository repository = new ParcelRepository();
    private final Api api = SERVICE.api();
    private final Connection connection = SERVICE.connection();

    @Test
    @Tag("list")
    void listReturnsTheRowsOfTheTable() throws SQLException {
        ApiAnswer answer = api.get(PATH + "?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.asList(Parcel.class)).isEqualTo(repository.list(connection, Page.first(500)).rows());
    }

    @Test
    @Tag("list")
    void pagesFollowEachOther() throws SQLException {
        ParcelSamples.inserted(connection);
        ParcelSamples.inserted(connection);
        List<Parcel> rows = new ArrayList<>();

        int pages = api.eachPage(PATH + "?limit=3", page -> rows.addAll(page.asList(Parcel.class)));

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
        ParcelSamples.inserted(connection);
        List<Parcel> expected = new ArrayList<>(repository.list(connection, Page.all()).rows());
        Collections.reverse(expected);

        ApiAnswer answer = api.get(PATH + "?limit=500&sort=-id");

        assertThat(answer.asList(Parcel.class)).isEqualTo(expected.subList(0, Math.min(500, expected.size())));
    }

    @Test
    @Tag("list")
    void pagesInTheOrderOfNameHaveEachRowOnce() throws SQLException {
        ParcelSamples.inserted(connection);
        ParcelSamples.inserted(connection);
        List<Parcel> ascending = new ArrayList<>();
        List<Parcel> descending = new ArrayList<>();

        api.eachPage(PATH + "?limit=3&sort=" + "name", page -> ascending.addAll(page.asList(Parcel.class)));
        api.eachPage(PATH + "?limit=3&sort=-" + "name", page -> descending.addAll(page.asList(Parcel.class)));

        List<Parcel> all = repository.list(connection, Page.all()).rows();
        assertThat(ascending).containsExactlyInAnyOrderElementsOf(all);
        assertThat(descending).containsExactlyInAnyOrderElementsOf(all);
    }

    @Test
    @Tag("create")
    void createStoresTheRowAndReturnsIt() throws SQLException {
        ParcelInput input = ParcelSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, input);

        assertThat(answer.status()).isEqualTo(201);
        Parcel created = answer.as(Parcel.class);
        assertThat(ParcelInput.of(created)).usingRecursiveComparison().ignoringExpectedNullFields().isEqualTo(input);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 1);
        assertThat(api.at(answer.header("Location")).as(Parcel.class)).isEqualTo(created);
        assertThat(repository.findById(connection, created.id())).contains(created);
    }

    @Test
    @Tag("create")
    void createManyStoresEveryRow() throws SQLException {
        List<ParcelInput> inputs = List.of(ParcelSamples.sample(connection), ParcelSamples.sample(connection));
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, inputs);

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.asList(Parcel.class)).hasSize(2);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 2);
    }

    @Test
    @Tag("create")
    void createManyStoresNoneIfOneIsRefused() throws SQLException {
        ParcelInput input = ParcelSamples.sample(connection);
        Parcel stored = ParcelSamples.inserted(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer
                = api.post(PATH,
                        List.of(input, Api.copying(ParcelSamples.sample(connection), ParcelInput.of(stored), "name")));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.violatedFields()).allMatch(field -> field.startsWith("[1]")).isNotEmpty();
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("read")
    void readReturnsTheRow() throws SQLException {
        Parcel stored = ParcelSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.as(Parcel.class)).isEqualTo(stored);
    }

    @Test
    @Tag("read")
    void readOfAKnownStateIsNotSentAgain() throws SQLException {
        String path = path(ParcelSamples.inserted(connection));
        String tag = api.get(path).header("ETag");

        assertThat(api.sending("If-None-Match", tag).get(path).status()).isEqualTo(304);
        assertThat(api.sending("If-None-Match", "\"another\"").get(path).status()).isEqualTo(200);
    }

    @Test
    @Tag("read")
    void fieldsNarrowTheAnswer() throws SQLException {
        String path = path(ParcelSamples.inserted(connection));

        ApiAnswer answer = api.get(path + "?fields=id");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body()).isEqualTo(Api.only(api.get(path).body(), "id"));
    }

    @Test
    @Tag("read")
    void includeVarietyEmbedsTheRow() throws SQLException {
        Parcel stored = ParcelSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored) + "?include=variety");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body().get("variety"))
                .isEqualTo(api.get("/grape-varieties/" + PathKeys.join(stored.varietyCode())).body());
    }

    @Test
    @Tag("list")
    void listParcelsOfGrapeVarietyNarrows() throws SQLException {
        Parcel stored = ParcelSamples.inserted(connection);
        ParcelSamples.inserted(connection);

        ApiAnswer answer = api.get("/grape-varieties/" + PathKeys.join(stored.varietyCode()) + "/parcels?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        List<Parcel> expected = repository.list(connection, Page.all()).rows().stream()
                .filter(row -> Objects.equals(row.varietyCode(), stored.varietyCode()))
                .toList();
        assertThat(answer.asList(Parcel.class)).contains(stored).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByIdNarrows() throws SQLException {
        Parcel stored = ParcelSamples.inserted(connection);
        ParcelSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&id=" + PathKeys.join(stored.id()));

        List<Parcel> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.id(), stored.id()))
                .toList();
        assertThat(answer.asList(Parcel.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&id%5Bis%5D=" + PathKeys.join(stored.id())).asList(Parcel.class))
                .isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByNameNarrows() throws SQLException {
        Parcel stored = ParcelSamples.inserted(connection);
        ParcelSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&name=" + PathKeys.join(stored.name()));

        List<Parcel> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.name(), stored.name()))
                .toList();
        assertThat(answer.asList(Parcel.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&name%5Bis%5D=" + PathKeys.join(stored.name())).asList(Parcel.class))
                .isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByVarietyCodeNarrows() throws SQLException {
        Parcel stored = ParcelSamples.inserted(connection);
        ParcelSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&varietyCode=" + PathKeys.join(stored.varietyCode()));

        List<Parcel> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.varietyCode(), stored.varietyCode()))
                .toList();
        assertThat(answer.asList(Parcel.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&varietyCode%5Bis%5D=" + PathKeys.join(stored.varietyCode()))
                .asList(Parcel.class)).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filtersByTheOrderOfIdDivideTheList() throws SQLException {
        Parcel stored = ParcelSamples.inserted(connection);
        ParcelSamples.inserted(connection);
        List<Parcel> all = repository.list(connection, Page.first(500)).rows();
        String value = PathKeys.join(stored.id());

        assertThat(where("id", "less", value)).doesNotContain(stored).isSubsetOf(where("id", "not", value));
        assertThat(where("id", "greater", value)).doesNotContain(stored).isSubsetOf(where("id", "not", value));
        assertThat(where("id", "less", value).size() + where("id", "atLeast", value).size()).isEqualTo(all.size());
        assertThat(where("id", "greater", value).size() + where("id", "atMost", value).size()).isEqualTo(all.size());
        assertThat(where("id", "in", value).size() + where("id", "not", value).size()).isEqualTo(all.size());
        assertThat(where("id", "isNull", "false")).isEqualTo(all);
        assertThat(where("id", "isNull", "true")).isEmpty();
    }

    @Test
    @Tag("list")
    void nameIsSearched() throws SQLException {
        Parcel stored = ParcelSamples.inserted(connection);
        String value = stored.name();
        String end = value.substring(1);
        boolean repeated = value.regionMatches(true, 0, end, 0, end.length());

        assertThat(where("name", "startsWith", Api.encoded(value))).contains(stored);
        assertThat(where("name", "contains", Api.encoded(end))).contains(stored);
        assertThat(where("name", "startsWith", Api.encoded(end)).contains(stored)).isEqualTo(repeated);
    }

    private List<Parcel> where(String property, String comparison, String value) {
        return api.get(PATH + "?limit=500&" + Api.encoded(property) + "[" + comparison + "]=" + value)
                .asList(Parcel.class);
    }

    @Test
    @Tag("replace")
    void replaceStoresEveryField() throws SQLException {
        Parcel before = ParcelSamples.inserted(connection);
        ParcelInput input = ParcelSamples.other(connection);

        ApiAnswer answer = api.put(path(before), Api.without(input, "id"));

        assertThat(answer.status()).isEqualTo(200);
        Parcel after = answer.as(Parcel.class);
        assertThat(ParcelInput.of(after)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
        assertThat(repository.findById(connection, before.id())).contains(after);
    }

    @Test
    @Tag("replace")
    void replaceOfAnotherStateIsRefused() throws SQLException {
        Parcel before = ParcelSamples.inserted(connection);
        ParcelInput input = ParcelSamples.other(connection);

        ApiAnswer answer = api.sending("If-Match", "\"another\"")
                .put(path(before), Api.without(input, "id"));

        assertThat(answer.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    @Test
    @Tag("replace")
    void replaceRefusesAnotherKey() throws SQLException {
        Parcel before = ParcelSamples.inserted(connection);
        Parcel another = ParcelSamples.inserted(connection);

        ApiAnswer answer = api.put(path(before), ParcelInput.of(another));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).contains("id");
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    @Test
    @Tag("patch")
    void patchChangesOneFieldAndNoOther() throws SQLException {
        Parcel before = ParcelSamples.inserted(connection);
        ParcelInput other = ParcelSamples.other(connection);
        Parcel row = before;

        for (String field
                : List.of("name", "varietyCode", "areaHa", "slopePercent", "soil", "plantedOn", "organic", "latitude",
                        "longitude")) {
            ApiAnswer answer = api.patch(path(before), Api.only(other, field));

            assertThat(answer.status()).isEqualTo(200);
            Parcel after = answer.as(Parcel.class);
            assertThat(Json.tree(ParcelInput.of(after))).isEqualTo(Api.copying(ParcelInput.of(row), other, field));
            assertThat(repository.findById(connection, before.id())).contains(after);
            row = after;
        }
    }

    @Test
    @Tag("patch")
    void changedRowHasAnotherTag() throws SQLException {
        String path = path(ParcelSamples.inserted(connection));
        String before = api.get(path).header("ETag");

        ApiAnswer answer = api.patch(path, Api.only(ParcelSamples.other(connection), "name"));

        assertThat(answer.header("ETag")).isNotEqualTo(before).isEqualTo(api.get(path).header("ETag"));
    }

    @Test
    @Tag("patch")
    void patchOfAnotherStateIsRefused() throws SQLException {
        Parcel before = ParcelSamples.inserted(connection);
        String tag = api.get(path(before)).header("ETag");
        ParcelInput other = ParcelSamples.other(connection);

        ApiAnswer refused = api.sending("If-Match", "\"another\"")
                .patch(path(before), Api.only(other, "name"));

        assertThat(refused.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.id())).contains(before);
        assertThat(api.sending("If-Match", tag).patch(path(before), "{}").status()).isEqualTo(200);
    }

    @Test
    @Tag("delete")
    void deleteOfAnotherStateIsRefused() throws SQLException {
        Parcel stored = ParcelSamples.inserted(connection);

        assertThat(api.sending("If-Match", "\"another\"").delete(path(stored)).status()).isEqualTo(412);

        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    @Test
    @Tag("delete")
    void deleteRemovesTheRow() throws SQLException {
        Parcel stored = ParcelSamples.inserted(connection);

        assertThat(api.delete(path(stored)).status()).isEqualTo(204);

        assertThat(repository.findById(connection, stored.id())).isEmpty();
        assertThat(api.get(path(stored)).status()).isEqualTo(404);
        assertThat(api.delete(path(stored)).status()).isEqualTo(404);
    }

    /** Unique PARCEL_NAME_KEY: NAME. */
    @Test
    @Tag("rules")
    void duplicateNameIsRefused() throws SQLException {
        Parcel stored = ParcelSamples.inserted(connection);
        ParcelInput input = ParcelSamples.sample(connection);

        assertRefused(Api.copying(input, ParcelInput.of(stored), "name"), 409, "name");
    }

    /** Reference PARCEL_VARIETY_FKEY: VARIETY_CODE -&gt; GRAPE_VARIETY (CODE). */
    @Test
    @Tag("rules")
    void varietyCodeOfAMissingRowIsRefused() throws SQLException {
        ParcelInput input = ParcelSamples.sample(connection);

        assertRefused(Api.with(input, "varietyCode", "???"), 422, "varietyCode");
    }

    /** Check PARCEL_AREA_CHECK: "AREA_HA" &gt; CAST(0 AS NUMERIC(1)). */
    @Test
    @Tag("rules")
    void areaHaBelowItsLeastIsRefused() throws SQLException {
        ParcelInput input = ParcelSamples.sample(connection);

        assertRefused(Api.with(input, "areaHa", 0), 400, "areaHa");
    }

    /** Check PARCEL_LATITUDE_CHECK: "LATITUDE" BETWEEN -90 AND 90. */
    @Test
    @Tag("rules")
    void latitudeBelowItsLeastIsRefused() throws SQLException {
        ParcelInput input = ParcelSamples.sample(connection);

        assertRefused(Api.with(input, "latitude", -91), 400, "latitude");
    }

    /** Check PARCEL_LATITUDE_CHECK: "LATITUDE" BETWEEN -90 AND 90. */
    @Test
    @Tag("rules")
    void latitudeAboveItsMostIsRefused() throws SQLException {
        ParcelInput input = ParcelSamples.sample(connection);

        assertRefused(Api.with(input, "latitude", 91), 400, "latitude");
    }

    /** Check PARCEL_LONGITUDE_CHECK: "LONGITUDE" BETWEEN -180 AND 180. */
    @Test
    @Tag("rules")
    void longitudeBelowItsLeastIsRefused() throws SQLException {
        ParcelInput input = ParcelSamples.sample(connection);

        assertRefused(Api.with(input, "longitude", -181), 400, "longitude");
    }

    /** Check PARCEL_LONGITUDE_CHECK: "LONGITUDE" BETWEEN -180 AND 180. */
    @Test
    @Tag("rules")
    void longitudeAboveItsMostIsRefused() throws SQLException {
        ParcelInput input = ParcelSamples.sample(connection);

        assertRefused(Api.with(input, "longitude", 181), 400, "longitude");
    }

    /** Check PARCEL_SLOPE_CHECK: "SLOPE_PERCENT" BETWEEN 0 AND 100. */
    @Test
    @Tag("rules")
    void slopePercentBelowItsLeastIsRefused() throws SQLException {
        ParcelInput input = ParcelSamples.sample(connection);

        assertRefused(Api.with(input, "slopePercent", -1), 400, "slopePercent");
    }

    /** Check PARCEL_SLOPE_CHECK: "SLOPE_PERCENT" BETWEEN 0 AND 100. */
    @Test
    @Tag("rules")
    void slopePercentAboveItsMostIsRefused() throws SQLException {
        ParcelInput input = ParcelSamples.sample(connection);

        assertRefused(Api.with(input, "slopePercent", 101), 400, "slopePercent");
    }

    /** Check PARCEL_SOIL_CHECK: "SOIL" IN('chalk', 'clay', 'gravel', 'loam', 'sand', 'slate'). */
    @Test
    @Tag("rules")
    void soilNotAmongItsValuesIsRefused() throws SQLException {
        ParcelInput input = ParcelSamples.sample(connection);

        assertRefused(Api.with(input, "soil", "no such value"), 400, "soil");
    }

    /** Generated ID: numbered by the database. */
    @Test
    @Tag("rules")
    void idFromTheClientIsRefused() throws SQLException {
        ParcelInput input = ParcelSamples.sample(connection);

        assertRefused(Api.with(input, "id", 1), 400, "id");
    }

    /** Not null NAME. */
    @Test
    @Tag("rules")
    void createWithoutNameIsRefused() throws SQLException {
        ParcelInput input = ParcelSamples.sample(connection);

        assertRefused(Api.without(input, "name"), 400, "name");
    }

    /** Type VARCHAR(80) of NAME. */
    @Test
    @Tag("rules")
    void nameTooLongIsRefused() throws SQLException {
        ParcelInput input = ParcelSamples.sample(connection);

        assertRefused(Api.with(input, "name", "x".repeat(81)), 400, "name");
    }

    /** Not null VARIETY_CODE. */
    @Test
    @Tag("rules")
    void createWithoutVarietyCodeIsRefused() throws SQLException {
        ParcelInput input = ParcelSamples.sample(connection);

        assertRefused(Api.without(input, "varietyCode"), 400, "varietyCode");
    }

    /** Type VARCHAR(8) of VARIETY_CODE. */
    @Test
    @Tag("rules")
    void varietyCodeTooLongIsRefused() throws SQLException {
        ParcelInput input = ParcelSamples.sample(connection);

        assertRefused(Api.with(input, "varietyCode", "x".repeat(9)), 400, "varietyCode");
    }

    /** Not null AREA_HA. */
    @Test
    @Tag("rules")
    void createWithoutAreaHaIsRefused() throws SQLException {
        ParcelInput input = ParcelSamples.sample(connection);

        assertRefused(Api.without(input, "areaHa"), 400, "areaHa");
    }

    /** Type NUMERIC(6, 3) of AREA_HA. */
    @Test
    @Tag("rules")
    void areaHaWithTooManyDigitsIsRefused() throws SQLException {
        ParcelInput input = ParcelSamples.sample(connection);

        assertRefused(Api.with(input, "areaHa", 1000), 400, "areaHa");
    }

    /** Type NUMERIC(6, 3) of AREA_HA. */
    @Test
    @Tag("rules")
    void areaHaWithTooManyDecimalsIsRefused() throws SQLException {
        ParcelInput input = ParcelSamples.sample(connection);

        assertRefused(Api.with(input, "areaHa", new BigDecimal("500.0005")), 400, "areaHa");
    }

    /** Not null SOIL. */
    @Test
    @Tag("rules")
    void soilCannotBeCleared() throws SQLException {
        Parcel before = ParcelSamples.inserted(connection);

        ApiAnswer answer = api.patch(path(before), Api.clearing("soil"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("soil");
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    /** Not null ORGANIC. */
    @Test
    @Tag("rules")
    void organicCannotBeCleared() throws SQLException {
        Parcel before = ParcelSamples.inserted(connection);

        ApiAnswer answer = api.patch(path(before), Api.clearing("organic"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("organic");
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    /** Default 'loam' of SOIL. */
    @Test
    @Tag("rules")
    void soilTakesItsDefault() throws SQLException {
        ParcelInput input = ParcelSamples.sample(connection);

        ApiAnswer answer = api.post(PATH, Api.without(input, "soil"));

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.body().hasNonNull("soil")).isTrue();
    }

    /** Default FALSE of ORGANIC. */
    @Test
    @Tag("rules")
    void organicTakesItsDefault() throws SQLException {
        ParcelInput input = ParcelSamples.sample(connection);

        ApiAnswer answer = api.post(PATH, Api.without(input, "organic"));

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.body().hasNonNull("organic")).isTrue();
    }

    /** Reference PARCEL_VARIETY_FKEY: VARIETY_CODE -&gt; GRAPE_VARIETY (CODE). */
    @Test
    @Tag("rules")
    void rowReferredToByVarietyCodeCannotBeDeleted() throws SQLException {
        Parcel stored = ParcelSamples.inserted(connection);

        ApiAnswer answer = api.delete("/grape-varieties/" + PathKeys.join(stored.varietyCode()));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.body().path("detail").textValue()).contains("parcels");
        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    /** Asserts that a new row is refused on account of these fields, and that the table stays as it is. */
    private void assertRefused(Object body, int status, String... fields) throws SQLException {
        List<Parcel> before = repository.list(connection, Page.all()).rows();

        ApiAnswer answer = api.post(PATH, body);

        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.violatedFields()).as(answer.text()).containsAll(List.of(fields));
        if (status == 400) {
            assertThat(answer.text()).as("the service knows the rule").doesNotContain("The database");
        }
        assertThat(repository.list(connection, Page.all()).rows()).isEqualTo(before);
    }

    private static String path(Parcel parcel) {
        return PATH + "/" + PathKeys.join(parcel.id());
    }
}
