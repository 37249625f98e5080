package com.example.cellar.controller;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.BottlingInput;
import com.example.cellar.entity.Bottling;
import com.example.cellar.repository.BottlingRepository;
import com.example.cellar.samples.BottlingSamples;
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

class BottlingControllerTest {
    private static final String PATH = "/bottlings";

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.CELLAR_HAND,
            Tables.LABEL,
            Tables.BLEND,
            Tables.BOTTLING);

    private final BottlingRepository repository = new BottlingRepository();
    private final Api api = SERVICE.api();
    private final Connection connection = SERVICE.connection();

    @Test
    @Tag("list")
    void listReturnsTheRowsOfTheTable() throws SQLException {
        ApiAnswer answer = api.get(PATH + "?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.asList(Bottling.class)).isEqualTo(repository.list(connection, Page.first(500)).rows());
    }

    @Test
    @Tag("list")
    void pagesFollowEachOther() throws SQLException {
        BottlingSamples.inserted(connection);
        BottlingSamples.inserted(connection);
        List<Bottling> rows = new ArrayList<>();

        int pages = api.eachPage(PATH + "?limit=3", page -> rows.addAll(page.asList(Bottling.class)));

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
        BottlingSamples.inserted(connection);
        List<Bottling> expected = new ArrayList<>(repository.list(connection, Page.all()).rows());
        Collections.reverse(expected);

        ApiAnswer answer = api.get(PATH + "?limit=500&sort=-id");

        assertThat(answer.asList(Bottling.class)).isEqualTo(expected.subList(0, Math.min(500, expected.size())));
    }

    @Test
    @Tag("list")
    void pagesInTheOrderOfLabelIdHaveEachRowOnce() throws SQLException {
        BottlingSamples.inserted(connection);
        BottlingSamples.inserted(connection);
        List<Bottling> ascending = new ArrayList<>();
        List<Bottling> descending = new ArrayList<>();

        api.eachPage(PATH + "?limit=3&sort=" + "labelId", page -> ascending.addAll(page.asList(Bottling.class)));
        api.eachPage(PATH + "?limit=3&sort=-" + "labelId", page -> descending.addAll(page.asList(Bottling.class)));

        List<Bottling> all = repository.list(connection, Page.all()).rows();
        assertThat(ascending).containsExactlyInAnyOrderElementsOf(all);
        assertThat(descending).containsExactlyInAnyOrderElementsOf(all);
    }

    @Test
    @Tag("create")
    void createStoresTheRowAndReturnsIt() throws SQLException {
        BottlingInput input = BottlingSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, input);

        assertThat(answer.status()).isEqualTo(201);
        Bottling created = answer.as(Bottling.class);
        assertThat(BottlingInput.of(created)).usingRecursiveComparison().ignoringExpectedNullFields().isEqualTo(input);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 1);
        assertThat(api.at(answer.header("Location")).as(Bottling.class)).isEqualTo(created);
        assertThat(repository.findById(connection, created.id())).contains(created);
    }

    @Test
    @Tag("create")
    void createManyStoresEveryRow() throws SQLException {
        List<BottlingInput> inputs = List.of(BottlingSamples.sample(connection), BottlingSamples.sample(connection));
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, inputs);

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.asList(Bottling.class)).hasSize(2);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 2);
    }

    @Test
    @Tag("create")
    void createManyStoresNoneIfOneIsRefused() throws SQLException {
        BottlingInput input = BottlingSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, List.of(input, Api.with(input, "no such property", 1)));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsExactly("[1].no such property");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("read")
    void readReturnsTheRow() throws SQLException {
        Bottling stored = BottlingSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.as(Bottling.class)).isEqualTo(stored);
    }

    @Test
    @Tag("read")
    void readOfAKnownStateIsNotSentAgain() throws SQLException {
        String path = path(BottlingSamples.inserted(connection));
        String tag = api.get(path).header("ETag");

        assertThat(api.sending("If-None-Match", tag).get(path).status()).isEqualTo(304);
        assertThat(api.sending("If-None-Match", "\"another\"").get(path).status()).isEqualTo(200);
    }

    @Test
    @Tag("read")
    void fieldsNarrowTheAnswer() throws SQLException {
        String path = path(BottlingSamples.inserted(connection));

        ApiAnswer answer = api.get(path + "?fields=id");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body()).isEqualTo(Api.only(api.get(path).body(), "id"));
    }

    @Test
    @Tag("read")
    void includeBlendEmbedsTheRow() throws SQLException {
        Bottling stored = BottlingSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored) + "?include=blend");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body().get("blend")).isEqualTo(api.get("/blends/" + PathKeys.join(stored.blendId())).body());
    }

    @Test
    @Tag("read")
    void includeLabelEmbedsTheRow() throws SQLException {
        Bottling stored = BottlingSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored) + "?include=label");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body().get("label")).isEqualTo(api.get("/labels/" + PathKeys.join(stored.labelId())).body());
    }

    @Test
    @Tag("list")
    void listBottlingsOfBlendNarrows() throws SQLException {
        Bottling stored = BottlingSamples.inserted(connection);
        BottlingSamples.inserted(connection);

        ApiAnswer answer = api.get("/blends/" + PathKeys.join(stored.blendId()) + "/bottlings?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        List<Bottling> expected = repository.list(connection, Page.all()).rows().stream()
                .filter(row -> Objects.equals(row.blendId(), stored.blendId()))
                .toList();
        assertThat(answer.asList(Bottling.class)).contains(stored).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void listBottlingsOfLabelNarrows() throws SQLException {
        Bottling stored = BottlingSamples.inserted(connection);
        BottlingSamples.inserted(connection);

        ApiAnswer answer = api.get("/labels/" + PathKeys.join(stored.labelId()) + "/bottlings?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        List<Bottling> expected = repository.list(connection, Page.all()).rows().stream()
                .filter(row -> Objects.equals(row.labelId(), stored.labelId()))
                .toList();
        assertThat(answer.asList(Bottling.class)).contains(stored).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByIdNarrows() throws SQLException {
        Bottling stored = BottlingSamples.inserted(connection);
        BottlingSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&id=" + PathKeys.join(stored.id()));

        List<Bottling> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.id(), stored.id()))
                .toList();
        assertThat(answer.asList(Bottling.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&id%5Bis%5D=" + PathKeys.join(stored.id())).asList(Bottling.class))
                .isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByBlendIdNarrows() throws SQLException {
        Bottling stored = BottlingSamples.inserted(connection);
        BottlingSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&blendId=" + PathKeys.join(stored.blendId()));

        List<Bottling> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.blendId(), stored.blendId()))
                .toList();
        assertThat(answer.asList(Bottling.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&blendId%5Bis%5D=" + PathKeys.join(stored.blendId()))
                .asList(Bottling.class)).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByLabelIdNarrows() throws SQLException {
        Bottling stored = BottlingSamples.inserted(connection);
        BottlingSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&labelId=" + PathKeys.join(stored.labelId()));

        List<Bottling> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.labelId(), stored.labelId()))
                .toList();
        assertThat(answer.asList(Bottling.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&labelId%5Bis%5D=" + PathKeys.join(stored.labelId()))
                .asList(Bottling.class)).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filtersByTheOrderOfIdDivideTheList() throws SQLException {
        Bottling stored = BottlingSamples.inserted(connection);
        BottlingSamples.inserted(connection);
        List<Bottling> all = repository.list(connection, Page.first(500)).rows();
        String value = PathKeys.join(stored.id());

        assertThat(where("id", "less", value)).doesNotContain(stored).isSubsetOf(where("id", "not", value));
        assertThat(where("id", "greater", value)).doesNotContain(stored).isSubsetOf(where("id", "not", value));
        assertThat(where("id", "less", value).size() + where("id", "atLeast", value).size()).isEqualTo(all.size());
        assertThat(where("id", "greater", value).size() + where("id", "atMost", value).size()).isEqualTo(all.size());
        assertThat(where("id", "in", value).size() + where("id", "not", value).size()).isEqualTo(all.size());
        assertThat(where("id", "isNull", "false")).isEqualTo(all);
        assertThat(where("id", "isNull", "true")).isEmpty();
    }

    private List<Bottling> where(String property, String comparison, String value) {
        return api.get(PATH + "?limit=500&" + Api.encoded(property) + "[" + comparison + "]=" + value)
                .asList(Bottling.class);
    }

    @Test
    @Tag("replace")
    void replaceStoresEveryField() throws SQLException {
        Bottling before = BottlingSamples.inserted(connection);
        BottlingInput input = BottlingSamples.other(connection);

        ApiAnswer answer = api.put(path(before), Api.without(input, "id"));

        assertThat(answer.status()).isEqualTo(200);
        Bottling after = answer.as(Bottling.class);
        assertThat(BottlingInput.of(after)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
        assertThat(repository.findById(connection, before.id())).contains(after);
    }

    @Test
    @Tag("replace")
    void replaceOfAnotherStateIsRefused() throws SQLException {
        Bottling before = BottlingSamples.inserted(connection);
        BottlingInput input = BottlingSamples.other(connection);

        ApiAnswer answer = api.sending("If-Match", "\"another\"")
                .put(path(before), Api.without(input, "id"));

        assertThat(answer.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    @Test
    @Tag("replace")
    void replaceRefusesAnotherKey() throws SQLException {
        Bottling before = BottlingSamples.inserted(connection);
        Bottling another = BottlingSamples.inserted(connection);

        ApiAnswer answer = api.put(path(before), BottlingInput.of(another));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).contains("id");
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    @Test
    @Tag("patch")
    void patchChangesOneFieldAndNoOther() throws SQLException {
        Bottling before = BottlingSamples.inserted(connection);
        BottlingInput other = BottlingSamples.other(connection);
        Bottling row = before;

        for (String field : List.of("blendId", "labelId", "bottledOn", "bottleMl", "bottles", "price", "closedWith")) {
            ApiAnswer answer = api.patch(path(before), Api.only(other, field));

            assertThat(answer.status()).isEqualTo(200);
            Bottling after = answer.as(Bottling.class);
            assertThat(Json.tree(BottlingInput.of(after))).isEqualTo(Api.copying(BottlingInput.of(row), other, field));
            assertThat(repository.findById(connection, before.id())).contains(after);
            row = after;
        }
    }

    @Test
    @Tag("patch")
    void patchOfAnotherStateIsRefused() throws SQLException {
        Bottling before = BottlingSamples.inserted(connection);
        String tag = api.get(path(before)).header("ETag");
        BottlingInput other = BottlingSamples.other(connection);

        ApiAnswer refused = api.sending("If-Match", "\"another\"")
                .patch(path(before), Api.only(other, "blendId"));

        assertThat(refused.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.id())).contains(before);
        assertThat(api.sending("If-Match", tag).patch(path(before), "{}").status()).isEqualTo(200);
    }

    @Test
    @Tag("delete")
    void deleteOfAnotherStateIsRefused() throws SQLException {
        Bottling stored = BottlingSamples.inserted(connection);

        assertThat(api.sending("If-Match", "\"another\"").delete(path(stored)).status()).isEqualTo(412);

        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    @Test
    @Tag("delete")
    void deleteRemovesTheRow() throws SQLException {
        Bottling stored = BottlingSamples.inserted(connection);

        assertThat(api.delete(path(stored)).status()).isEqualTo(204);

        assertThat(repository.findById(connection, stored.id())).isEmpty();
        assertThat(api.get(path(stored)).status()).isEqualTo(404);
        assertThat(api.delete(path(stored)).status()).isEqualTo(404);
    }

    /** Reference BOTTLING_BLEND_FKEY: BLEND_ID -&gt; BLEND (ID). */
    @Test
    @Tag("rules")
    void blendIdOfAMissingRowIsRefused() throws SQLException {
        BottlingInput input = BottlingSamples.sample(connection);

        assertRefused(Api.with(input, "blendId", 2000000000), 422, "blendId");
    }

    /** Reference BOTTLING_LABEL_FKEY: LABEL_ID -&gt; LABEL (ID). */
    @Test
    @Tag("rules")
    void labelIdOfAMissingRowIsRefused() throws SQLException {
        BottlingInput input = BottlingSamples.sample(connection);

        assertRefused(Api.with(input, "labelId", 2000000000), 422, "labelId");
    }

    /** Check BOTTLING_BOTTLES_CHECK: "BOTTLES" &gt; 0. */
    @Test
    @Tag("rules")
    void bottlesBelowItsLeastIsRefused() throws SQLException {
        BottlingInput input = BottlingSamples.sample(connection);

        assertRefused(Api.with(input, "bottles", 0), 400, "bottles");
    }

    /** Check BOTTLING_CLOSURE_CHECK: "CLOSED_WITH" IN('cork', 'screw cap', 'crown cap', 'glass'). */
    @Test
    @Tag("rules")
    void closedWithNotAmongItsValuesIsRefused() throws SQLException {
        BottlingInput input = BottlingSamples.sample(connection);

        assertRefused(Api.with(input, "closedWith", "no such value"), 400, "closedWith");
    }

    /** Check BOTTLING_PRICE_CHECK: "PRICE" &gt;= CAST(0 AS NUMERIC(1)). */
    @Test
    @Tag("rules")
    void priceBelowItsLeastIsRefused() throws SQLException {
        BottlingInput input = BottlingSamples.sample(connection);

        assertRefused(Api.with(input, "price", new BigDecimal("-0.01")), 400, "price");
    }

    /** Check BOTTLING_SIZE_CHECK: "BOTTLE_ML" IN(375, 500, 750, 1500). */
    @Test
    @Tag("rules")
    void bottleMlNotAmongItsValuesIsRefused() throws SQLException {
        BottlingInput input = BottlingSamples.sample(connection);

        assertRefused(Api.with(input, "bottleMl", 376), 400, "bottleMl");
    }

    /** Generated ID: numbered by the database. */
    @Test
    @Tag("rules")
    void idFromTheClientIsRefused() throws SQLException {
        BottlingInput input = BottlingSamples.sample(connection);

        assertRefused(Api.with(input, "id", 1), 400, "id");
    }

    /** Not null BLEND_ID. */
    @Test
    @Tag("rules")
    void createWithoutBlendIdIsRefused() throws SQLException {
        BottlingInput input = BottlingSamples.sample(connection);

        assertRefused(Api.without(input, "blendId"), 400, "blendId");
    }

    /** Not null BOTTLED_ON. */
    @Test
    @Tag("rules")
    void createWithoutBottledOnIsRefused() throws SQLException {
        BottlingInput input = BottlingSamples.sample(connection);

        assertRefused(Api.without(input, "bottledOn"), 400, "bottledOn");
    }

    /** Not null BOTTLES. */
    @Test
    @Tag("rules")
    void createWithoutBottlesIsRefused() throws SQLException {
        BottlingInput input = BottlingSamples.sample(connection);

        assertRefused(Api.without(input, "bottles"), 400, "bottles");
    }

    /** Generated LITRES: ("BOTTLES" &#42; "BOTTLE_ML") / 1000.0. */
    @Test
    @Tag("rules")
    void litresFromTheClientIsRefused() throws SQLException {
        BottlingInput input = BottlingSamples.sample(connection);

        assertRefused(Api.with(input, "litres", 1), 400, "litres");
    }

    /** Type NUMERIC(8, 2) of PRICE. */
    @Test
    @Tag("rules")
    void priceWithTooManyDigitsIsRefused() throws SQLException {
        BottlingInput input = BottlingSamples.sample(connection);

        assertRefused(Api.with(input, "price", 1000000), 400, "price");
    }

    /** Type NUMERIC(8, 2) of PRICE. */
    @Test
    @Tag("rules")
    void priceWithTooManyDecimalsIsRefused() throws SQLException {
        BottlingInput input = BottlingSamples.sample(connection);

        assertRefused(Api.with(input, "price", new BigDecimal("10.005")), 400, "price");
    }

    /** Not null CLOSED_WITH. */
    @Test
    @Tag("rules")
    void createWithoutClosedWithIsRefused() throws SQLException {
        BottlingInput input = BottlingSamples.sample(connection);

        assertRefused(Api.without(input, "closedWith"), 400, "closedWith");
    }

    /** Not null BOTTLE_ML. */
    @Test
    @Tag("rules")
    void bottleMlCannotBeCleared() throws SQLException {
        Bottling before = BottlingSamples.inserted(connection);

        ApiAnswer answer = api.patch(path(before), Api.clearing("bottleMl"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("bottleMl");
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    /** Default 750 of BOTTLE_ML. */
    @Test
    @Tag("rules")
    void bottleMlTakesItsDefault() throws SQLException {
        BottlingInput input = BottlingSamples.sample(connection);

        ApiAnswer answer = api.post(PATH, Api.without(input, "bottleMl"));

        assertThat(answer.status()).isEqualTo(201);
        assertThat(Api.plain(answer.body().get("bottleMl"))).isEqualTo("750");
    }

    /** Reference BOTTLING_BLEND_FKEY: BLEND_ID -&gt; BLEND (ID). */
    @Test
    @Tag("rules")
    void rowReferredToByBlendIdCannotBeDeleted() throws SQLException {
        Bottling stored = BottlingSamples.inserted(connection);

        ApiAnswer answer = api.delete("/blends/" + PathKeys.join(stored.blendId()));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.body().path("detail").textValue()).contains("bottlings");
        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    /** Reference BOTTLING_LABEL_FKEY: LABEL_ID -&gt; LABEL (ID). */
    @Test
    @Tag("rules")
    void rowReferredToByLabelIdCannotBeDeleted() throws SQLException {
        Bottling stored = BottlingSamples.inserted(connection);

        ApiAnswer answer = api.delete("/labels/" + PathKeys.join(stored.labelId()));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.body().path("detail").textValue()).contains("bottlings");
        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    /** Asserts that a new row is refused on account of these fields, and that the table stays as it is. */
    private void assertRefused(Object body, int status, String... fields) throws SQLException {
        List<Bottling> before = repository.list(connection, Page.all()).rows();

        ApiAnswer answer = api.post(PATH, body);

        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.violatedFields()).as(answer.text()).containsAll(List.of(fields));
        if (status == 400) {
            assertThat(answer.text()).as("the service knows the rule").doesNotContain("The database");
        }
        assertThat(repository.list(connection, Page.all()).rows()).isEqualTo(before);
    }

    private static String path(Bottling bottling) {
        return PATH + "/" + PathKeys.join(bottling.id());
    }
}
