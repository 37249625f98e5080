package com.example.cellar.controller;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.HarvestInput;
import com.example.cellar.entity.Harvest;
import com.example.cellar.repository.HarvestRepository;
import com.example.cellar.samples.HarvestSamples;
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

class HarvestControllerTest {
    private static final String PATH = "/harvests";

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.CELLAR_HAND,
            Tables.GRAPE_VARIETY,
            Tables.PARCEL,
            Tables.HARVEST);

    private final HarvestRepository repository = new HarvestRepository();
    private final Api api = SERVICE.api();
    private final Connection connection = SERVICE.connection();

    @Test
    @Tag("list")
    void listReturnsTheRowsOfTheTable() throws SQLException {
        ApiAnswer answer = api.get(PATH + "?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.asList(Harvest.class)).isEqualTo(repository.list(connection, Page.first(500)).rows());
    }

    @Test
    @Tag("list")
    void pagesFollowEachOther() throws SQLException {
        HarvestSamples.inserted(connection);
        HarvestSamples.inserted(connection);
        List<Harvest> rows = new ArrayList<>();

        int pages = api.eachPage(PATH + "?limit=3", page -> rows.addAll(page.asList(Harvest.class)));

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
        HarvestSamples.inserted(connection);
        List<Harvest> expected = new ArrayList<>(repository.list(connection, Page.all()).rows());
        Collections.reverse(expected);

        ApiAnswer answer = api.get(PATH + "?limit=500&sort=-id");

        assertThat(answer.asList(Harvest.class)).isEqualTo(expected.subList(0, Math.min(500, expected.size())));
    }

    @Test
    @Tag("list")
    void pagesInTheOrderOfPickedByHaveEachRowOnce() throws SQLException {
        HarvestSamples.inserted(connection);
        HarvestSamples.inserted(connection);
        List<Harvest> ascending = new ArrayList<>();
        List<Harvest> descending = new ArrayList<>();

        api.eachPage(PATH + "?limit=3&sort=" + "pickedBy", page -> ascending.addAll(page.asList(Harvest.class)));
        api.eachPage(PATH + "?limit=3&sort=-" + "pickedBy", page -> descending.addAll(page.asList(Harvest.class)));

        List<Harvest> all = repository.list(connection, Page.all()).rows();
        assertThat(ascending).containsExactlyInAnyOrderElementsOf(all);
        assertThat(descending).containsExactlyInAnyOrderElementsOf(all);
    }

    @Test
    @Tag("create")
    void createStoresTheRowAndReturnsIt() throws SQLException {
        HarvestInput input = HarvestSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, input);

        assertThat(answer.status()).isEqualTo(201);
        Harvest created = answer.as(Harvest.class);
        assertThat(HarvestInput.of(created)).usingRecursiveComparison().ignoringExpectedNullFields().isEqualTo(input);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 1);
        assertThat(api.at(answer.header("Location")).as(Harvest.class)).isEqualTo(created);
        assertThat(repository.findById(connection, created.id())).contains(created);
    }

    @Test
    @Tag("create")
    void createManyStoresEveryRow() throws SQLException {
        List<HarvestInput> inputs = List.of(HarvestSamples.sample(connection), HarvestSamples.sample(connection));
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, inputs);

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.asList(Harvest.class)).hasSize(2);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 2);
    }

    @Test
    @Tag("create")
    void createManyStoresNoneIfOneIsRefused() throws SQLException {
        HarvestInput input = HarvestSamples.sample(connection);
        Harvest stored = HarvestSamples.inserted(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer
                = api.post(PATH,
                        List.of(input,
                                Api.copying(HarvestSamples.sample(connection), HarvestInput.of(stored), "parcelId",
                                        "pickedOn")));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.violatedFields()).allMatch(field -> field.startsWith("[1]")).isNotEmpty();
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("read")
    void readReturnsTheRow() throws SQLException {
        Harvest stored = HarvestSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.as(Harvest.class)).isEqualTo(stored);
    }

    @Test
    @Tag("read")
    void readOfAKnownStateIsNotSentAgain() throws SQLException {
        String path = path(HarvestSamples.inserted(connection));
        String tag = api.get(path).header("ETag");

        assertThat(api.sending("If-None-Match", tag).get(path).status()).isEqualTo(304);
        assertThat(api.sending("If-None-Match", "\"another\"").get(path).status()).isEqualTo(200);
    }

    @Test
    @Tag("read")
    void fieldsNarrowTheAnswer() throws SQLException {
        String path = path(HarvestSamples.inserted(connection));

        ApiAnswer answer = api.get(path + "?fields=id");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body()).isEqualTo(Api.only(api.get(path).body(), "id"));
    }

    @Test
    @Tag("read")
    void includeParcelEmbedsTheRow() throws SQLException {
        Harvest stored = HarvestSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored) + "?include=parcel");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body().get("parcel"))
                .isEqualTo(api.get("/parcels/" + PathKeys.join(stored.parcelId())).body());
    }

    @Test
    @Tag("read")
    void includeCellarHandEmbedsTheRow() throws SQLException {
        Harvest stored = HarvestSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored) + "?include=cellarHand");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body().get("cellarHand"))
                .isEqualTo(api.get("/cellar-hands/" + PathKeys.join(stored.pickedBy())).body());
    }

    @Test
    @Tag("list")
    void listHarvestsOfParcelNarrows() throws SQLException {
        Harvest stored = HarvestSamples.inserted(connection);
        HarvestSamples.inserted(connection);

        ApiAnswer answer = api.get("/parcels/" + PathKeys.join(stored.parcelId()) + "/harvests?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        List<Harvest> expected = repository.list(connection, Page.all()).rows().stream()
                .filter(row -> Objects.equals(row.parcelId(), stored.parcelId()))
                .toList();
        assertThat(answer.asList(Harvest.class)).contains(stored).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void listHarvestsOfCellarHandNarrows() throws SQLException {
        Harvest stored = HarvestSamples.inserted(connection);
        HarvestSamples.inserted(connection);

        ApiAnswer answer = api.get("/cellar-hands/" + PathKeys.join(stored.pickedBy()) + "/harvests?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        List<Harvest> expected = repository.list(connection, Page.all()).rows().stream()
                .filter(row -> Objects.equals(row.pickedBy(), stored.pickedBy()))
                .toList();
        assertThat(answer.asList(Harvest.class)).contains(stored).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByIdNarrows() throws SQLException {
        Harvest stored = HarvestSamples.inserted(connection);
        HarvestSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&id=" + PathKeys.join(stored.id()));

        List<Harvest> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.id(), stored.id()))
                .toList();
        assertThat(answer.asList(Harvest.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&id%5Bis%5D=" + PathKeys.join(stored.id())).asList(Harvest.class))
                .isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByParcelIdNarrows() throws SQLException {
        Harvest stored = HarvestSamples.inserted(connection);
        HarvestSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&parcelId=" + PathKeys.join(stored.parcelId()));

        List<Harvest> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.parcelId(), stored.parcelId()))
                .toList();
        assertThat(answer.asList(Harvest.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&parcelId%5Bis%5D=" + PathKeys.join(stored.parcelId()))
                .asList(Harvest.class)).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByPickedOnNarrows() throws SQLException {
        Harvest stored = HarvestSamples.inserted(connection);
        HarvestSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&pickedOn=" + PathKeys.join(stored.pickedOn()));

        List<Harvest> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.pickedOn(), stored.pickedOn()))
                .toList();
        assertThat(answer.asList(Harvest.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&pickedOn%5Bis%5D=" + PathKeys.join(stored.pickedOn()))
                .asList(Harvest.class)).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByPickedByNarrows() throws SQLException {
        Harvest stored = HarvestSamples.inserted(connection);
        HarvestSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&pickedBy=" + PathKeys.join(stored.pickedBy()));

        List<Harvest> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.pickedBy(), stored.pickedBy()))
                .toList();
        assertThat(answer.asList(Harvest.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&pickedBy%5Bis%5D=" + PathKeys.join(stored.pickedBy()))
                .asList(Harvest.class)).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filtersByTheOrderOfIdDivideTheList() throws SQLException {
        Harvest stored = HarvestSamples.inserted(connection);
        HarvestSamples.inserted(connection);
        List<Harvest> all = repository.list(connection, Page.first(500)).rows();
        String value = PathKeys.join(stored.id());

        assertThat(where("id", "less", value)).doesNotContain(stored).isSubsetOf(where("id", "not", value));
        assertThat(where("id", "greater", value)).doesNotContain(stored).isSubsetOf(where("id", "not", value));
        assertThat(where("id", "less", value).size() + where("id", "atLeast", value).size()).isEqualTo(all.size());
        assertThat(where("id", "greater", value).size() + where("id", "atMost", value).size()).isEqualTo(all.size());
        assertThat(where("id", "in", value).size() + where("id", "not", value).size()).isEqualTo(all.size());
        assertThat(where("id", "isNull", "false")).isEqualTo(all);
        assertThat(where("id", "isNull", "true")).isEmpty();
    }

    private List<Harvest> where(String property, String comparison, String value) {
        return api.get(PATH + "?limit=500&" + Api.encoded(property) + "[" + comparison + "]=" + value)
                .asList(Harvest.class);
    }

    @Test
    @Tag("replace")
    void replaceStoresEveryField() throws SQLException {
        Harvest before = HarvestSamples.inserted(connection);
        HarvestInput input = HarvestSamples.other(connection);

        ApiAnswer answer = api.put(path(before), Api.without(input, "id"));

        assertThat(answer.status()).isEqualTo(200);
        Harvest after = answer.as(Harvest.class);
        assertThat(HarvestInput.of(after)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
        assertThat(repository.findById(connection, before.id())).contains(after);
    }

    @Test
    @Tag("replace")
    void replaceOfAnotherStateIsRefused() throws SQLException {
        Harvest before = HarvestSamples.inserted(connection);
        HarvestInput input = HarvestSamples.other(connection);

        ApiAnswer answer = api.sending("If-Match", "\"another\"")
                .put(path(before), Api.without(input, "id"));

        assertThat(answer.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    @Test
    @Tag("replace")
    void replaceRefusesAnotherKey() throws SQLException {
        Harvest before = HarvestSamples.inserted(connection);
        Harvest another = HarvestSamples.inserted(connection);

        ApiAnswer answer = api.put(path(before), HarvestInput.of(another));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).contains("id");
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    @Test
    @Tag("patch")
    void patchChangesOneFieldAndNoOther() throws SQLException {
        Harvest before = HarvestSamples.inserted(connection);
        HarvestInput other = HarvestSamples.other(connection);
        Harvest row = before;

        for (String field : List.of("parcelId", "pickedOn", "weightKg", "brix", "byMachine", "pickedBy")) {
            ApiAnswer answer = api.patch(path(before), Api.only(other, field));

            assertThat(answer.status()).isEqualTo(200);
            Harvest after = answer.as(Harvest.class);
            assertThat(Json.tree(HarvestInput.of(after))).isEqualTo(Api.copying(HarvestInput.of(row), other, field));
            assertThat(repository.findById(connection, before.id())).contains(after);
            row = after;
        }
    }

    @Test
    @Tag("patch")
    void patchOfAnotherStateIsRefused() throws SQLException {
        Harvest before = HarvestSamples.inserted(connection);
        String tag = api.get(path(before)).header("ETag");
        HarvestInput other = HarvestSamples.other(connection);

        ApiAnswer refused = api.sending("If-Match", "\"another\"")
                .patch(path(before), Api.only(other, "parcelId"));

        assertThat(refused.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.id())).contains(before);
        assertThat(api.sending("If-Match", tag).patch(path(before), "{}").status()).isEqualTo(200);
    }

    @Test
    @Tag("delete")
    void deleteOfAnotherStateIsRefused() throws SQLException {
        Harvest stored = HarvestSamples.inserted(connection);

        assertThat(api.sending("If-Match", "\"another\"").delete(path(stored)).status()).isEqualTo(412);

        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    @Test
    @Tag("delete")
    void deleteRemovesTheRow() throws SQLException {
        Harvest stored = HarvestSamples.inserted(connection);

        assertThat(api.delete(path(stored)).status()).isEqualTo(204);

        assertThat(repository.findById(connection, stored.id())).isEmpty();
        assertThat(api.get(path(stored)).status()).isEqualTo(404);
        assertThat(api.delete(path(stored)).status()).isEqualTo(404);
    }

    /** Unique HARVEST_PARCEL_DAY_KEY: PARCEL_ID, PICKED_ON. */
    @Test
    @Tag("rules")
    void duplicateParcelIdAndPickedOnIsRefused() throws SQLException {
        Harvest stored = HarvestSamples.inserted(connection);
        HarvestInput input = HarvestSamples.sample(connection);

        assertRefused(Api.copying(input, HarvestInput.of(stored), "parcelId", "pickedOn"), 409, "parcelId", "pickedOn");
    }

    /** Reference HARVEST_PARCEL_FKEY: PARCEL_ID -&gt; PARCEL (ID). */
    @Test
    @Tag("rules")
    void parcelIdOfAMissingRowIsRefused() throws SQLException {
        HarvestInput input = HarvestSamples.sample(connection);

        assertRefused(Api.with(input, "parcelId", 2000000000), 422, "parcelId");
    }

    /** Reference HARVEST_PICKER_FKEY: PICKED_BY -&gt; CELLAR_HAND (ID) ON DELETE SET NULL. */
    @Test
    @Tag("rules")
    void pickedByOfAMissingRowIsRefused() throws SQLException {
        HarvestInput input = HarvestSamples.sample(connection);

        assertRefused(Api.with(input, "pickedBy", 2000000000), 422, "pickedBy");
    }

    /** Check HARVEST_BRIX_CHECK: "BRIX" BETWEEN 5 AND 45. */
    @Test
    @Tag("rules")
    void brixBelowItsLeastIsRefused() throws SQLException {
        HarvestInput input = HarvestSamples.sample(connection);

        assertRefused(Api.with(input, "brix", new BigDecimal("4.9")), 400, "brix");
    }

    /** Check HARVEST_BRIX_CHECK: "BRIX" BETWEEN 5 AND 45. */
    @Test
    @Tag("rules")
    void brixAboveItsMostIsRefused() throws SQLException {
        HarvestInput input = HarvestSamples.sample(connection);

        assertRefused(Api.with(input, "brix", new BigDecimal("45.1")), 400, "brix");
    }

    /** Check HARVEST_WEIGHT_CHECK: "WEIGHT_KG" &gt; CAST(0 AS NUMERIC(1)). */
    @Test
    @Tag("rules")
    void weightKgBelowItsLeastIsRefused() throws SQLException {
        HarvestInput input = HarvestSamples.sample(connection);

        assertRefused(Api.with(input, "weightKg", 0), 400, "weightKg");
    }

    /** Generated ID: numbered by the database. */
    @Test
    @Tag("rules")
    void idFromTheClientIsRefused() throws SQLException {
        HarvestInput input = HarvestSamples.sample(connection);

        assertRefused(Api.with(input, "id", 1), 400, "id");
    }

    /** Not null PARCEL_ID. */
    @Test
    @Tag("rules")
    void createWithoutParcelIdIsRefused() throws SQLException {
        HarvestInput input = HarvestSamples.sample(connection);

        assertRefused(Api.without(input, "parcelId"), 400, "parcelId");
    }

    /** Not null PICKED_ON. */
    @Test
    @Tag("rules")
    void createWithoutPickedOnIsRefused() throws SQLException {
        HarvestInput input = HarvestSamples.sample(connection);

        assertRefused(Api.without(input, "pickedOn"), 400, "pickedOn");
    }

    /** Not null WEIGHT_KG. */
    @Test
    @Tag("rules")
    void createWithoutWeightKgIsRefused() throws SQLException {
        HarvestInput input = HarvestSamples.sample(connection);

        assertRefused(Api.without(input, "weightKg"), 400, "weightKg");
    }

    /** Type NUMERIC(9, 2) of WEIGHT_KG. */
    @Test
    @Tag("rules")
    void weightKgWithTooManyDigitsIsRefused() throws SQLException {
        HarvestInput input = HarvestSamples.sample(connection);

        assertRefused(Api.with(input, "weightKg", 10000000), 400, "weightKg");
    }

    /** Type NUMERIC(9, 2) of WEIGHT_KG. */
    @Test
    @Tag("rules")
    void weightKgWithTooManyDecimalsIsRefused() throws SQLException {
        HarvestInput input = HarvestSamples.sample(connection);

        assertRefused(Api.with(input, "weightKg", new BigDecimal("10.005")), 400, "weightKg");
    }

    /** Type NUMERIC(4, 1) of BRIX. */
    @Test
    @Tag("rules")
    void brixWithTooManyDecimalsIsRefused() throws SQLException {
        HarvestInput input = HarvestSamples.sample(connection);

        assertRefused(Api.with(input, "brix", new BigDecimal("25.05")), 400, "brix");
    }

    /** Not null BY_MACHINE. */
    @Test
    @Tag("rules")
    void byMachineCannotBeCleared() throws SQLException {
        Harvest before = HarvestSamples.inserted(connection);

        ApiAnswer answer = api.patch(path(before), Api.clearing("byMachine"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("byMachine");
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    /** Default FALSE of BY_MACHINE. */
    @Test
    @Tag("rules")
    void byMachineTakesItsDefault() throws SQLException {
        HarvestInput input = HarvestSamples.sample(connection);

        ApiAnswer answer = api.post(PATH, Api.without(input, "byMachine"));

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.body().hasNonNull("byMachine")).isTrue();
    }

    /** Reference HARVEST_PARCEL_FKEY: PARCEL_ID -&gt; PARCEL (ID). */
    @Test
    @Tag("rules")
    void rowReferredToByParcelIdCannotBeDeleted() throws SQLException {
        Harvest stored = HarvestSamples.inserted(connection);

        ApiAnswer answer = api.delete("/parcels/" + PathKeys.join(stored.parcelId()));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.body().path("detail").textValue()).contains("harvests");
        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    /** Reference HARVEST_PICKER_FKEY: PICKED_BY -&gt; CELLAR_HAND (ID) ON DELETE SET NULL. */
    @Test
    @Tag("rules")
    void rowLosesADeletedRowOfPickedBy() throws SQLException {
        Harvest stored = HarvestSamples.inserted(connection);

        ApiAnswer answer = api.delete("/cellar-hands/" + PathKeys.join(stored.pickedBy()));

        assertThat(answer.status()).as(answer.text()).isEqualTo(204);
        assertThat(repository.findById(connection, stored.id()).orElseThrow().pickedBy()).isNull();
    }

    /** Asserts that a new row is refused on account of these fields, and that the table stays as it is. */
    private void assertRefused(Object body, int status, String... fields) throws SQLException {
        List<Harvest> before = repository.list(connection, Page.all()).rows();

        ApiAnswer answer = api.post(PATH, body);

        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.violatedFields()).as(answer.text()).containsAll(List.of(fields));
        if (status == 400) {
            assertThat(answer.text()).as("the service knows the rule").doesNotContain("The database");
        }
        assertThat(repository.list(connection, Page.all()).rows()).isEqualTo(before);
    }

    private static String path(Harvest harvest) {
        return PATH + "/" + PathKeys.join(harvest.id());
    }
}
