package com.example.cellar.controller;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.BlendInput;
import com.example.cellar.entity.Blend;
import com.example.cellar.repository.BlendRepository;
import com.example.cellar.samples.BlendSamples;
import com.example.cellar.support.Api;
import com.example.cellar.support.ApiAnswer;
import com.example.cellar.support.Condition;
import com.example.cellar.support.Json;
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

class BlendControllerTest {
    private static final String PATH = "/blends";

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.CELLAR_HAND,
            Tables.BLEND);

    private final BlendRepository repository = new BlendRepository();
    private final Api api = SERVICE.api();
    private final Connection connection = SERVICE.connection();

    @Test
    @Tag("list")
    void listReturnsTheRowsOfTheTable() throws SQLException {
        ApiAnswer answer = api.get(PATH + "?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.asList(Blend.class)).isEqualTo(repository.list(connection, Page.first(500)).rows());
    }

    @Test
    @Tag("list")
    void pagesFollowEachOther() throws SQLException {
        BlendSamples.inserted(connection);
        BlendSamples.inserted(connection);
        List<Blend> rows = new ArrayList<>();

        int pages = api.eachPage(PATH + "?limit=3", page -> rows.addAll(page.asList(Blend.class)));

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
        BlendSamples.inserted(connection);
        List<Blend> expected = new ArrayList<>(repository.list(connection, Page.all()).rows());
        Collections.reverse(expected);

        ApiAnswer answer = api.get(PATH + "?limit=500&sort=-id");

        assertThat(answer.asList(Blend.class)).isEqualTo(expected.subList(0, Math.min(500, expected.size())));
    }

    @Test
    @Tag("list")
    void pagesInTheOrderOfVintageHaveEachRowOnce() throws SQLException {
        BlendSamples.inserted(connection);
        BlendSamples.inserted(connection);
        List<Blend> ascending = new ArrayList<>();
        List<Blend> descending = new ArrayList<>();

        api.eachPage(PATH + "?limit=3&sort=" + "vintage", page -> ascending.addAll(page.asList(Blend.class)));
        api.eachPage(PATH + "?limit=3&sort=-" + "vintage", page -> descending.addAll(page.asList(Blend.class)));

        List<Blend> all = repository.list(connection, Page.all()).rows();
        assertThat(ascending).containsExactlyInAnyOrderElementsOf(all);
        assertThat(descending).containsExactlyInAnyOrderElementsOf(all);
    }

    @Test
    @Tag("create")
    void createStoresTheRowAndReturnsIt() throws SQLException {
        BlendInput input = BlendSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, input);

        assertThat(answer.status()).isEqualTo(201);
        Blend created = answer.as(Blend.class);
        assertThat(BlendInput.of(created)).usingRecursiveComparison().ignoringExpectedNullFields().isEqualTo(input);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 1);
        assertThat(api.at(answer.header("Location")).as(Blend.class)).isEqualTo(created);
        assertThat(repository.findById(connection, created.id())).contains(created);
    }

    @Test
    @Tag("create")
    void createManyStoresEveryRow() throws SQLException {
        List<BlendInput> inputs = List.of(BlendSamples.sample(connection), BlendSamples.sample(connection));
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, inputs);

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.asList(Blend.class)).hasSize(2);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 2);
    }

    @Test
    @Tag("create")
    void createManyStoresNoneIfOneIsRefused() throws SQLException {
        BlendInput input = BlendSamples.sample(connection);
        Blend stored = BlendSamples.inserted(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer
                = api.post(PATH,
                        List.of(input,
                                Api.copying(BlendSamples.sample(connection), BlendInput.of(stored), "name",
                                        "vintage")));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.violatedFields()).allMatch(field -> field.startsWith("[1]")).isNotEmpty();
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("read")
    void readReturnsTheRow() throws SQLException {
        Blend stored = BlendSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.as(Blend.class)).isEqualTo(stored);
    }

    @Test
    @Tag("read")
    void readOfAKnownStateIsNotSentAgain() throws SQLException {
        String path = path(BlendSamples.inserted(connection));
        String tag = api.get(path).header("ETag");

        assertThat(api.sending("If-None-Match", tag).get(path).status()).isEqualTo(304);
        assertThat(api.sending("If-None-Match", "\"another\"").get(path).status()).isEqualTo(200);
    }

    @Test
    @Tag("read")
    void fieldsNarrowTheAnswer() throws SQLException {
        String path = path(BlendSamples.inserted(connection));

        ApiAnswer answer = api.get(path + "?fields=id");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body()).isEqualTo(Api.only(api.get(path).body(), "id"));
    }

    @Test
    @Tag("read")
    void includeCellarHandEmbedsTheRow() throws SQLException {
        Blend stored = BlendSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored) + "?include=cellarHand");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body().get("cellarHand"))
                .isEqualTo(api.get("/cellar-hands/" + PathKeys.join(stored.approvedBy())).body());
    }

    @Test
    @Tag("list")
    void listBlendsOfCellarHandNarrows() throws SQLException {
        Blend stored = BlendSamples.inserted(connection);
        BlendSamples.inserted(connection);

        ApiAnswer answer = api.get("/cellar-hands/" + PathKeys.join(stored.approvedBy()) + "/blends?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        List<Blend> expected = repository.list(connection, Page.all()).rows().stream()
                .filter(row -> Objects.equals(row.approvedBy(), stored.approvedBy()))
                .toList();
        assertThat(answer.asList(Blend.class)).contains(stored).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByIdNarrows() throws SQLException {
        Blend stored = BlendSamples.inserted(connection);
        BlendSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&id=" + PathKeys.join(stored.id()));

        List<Blend> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.id(), stored.id()))
                .toList();
        assertThat(answer.asList(Blend.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&id%5Bis%5D=" + PathKeys.join(stored.id())).asList(Blend.class))
                .isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByNameNarrows() throws SQLException {
        Blend stored = BlendSamples.inserted(connection);
        BlendSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&name=" + PathKeys.join(stored.name()));

        List<Blend> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.name(), stored.name()))
                .toList();
        assertThat(answer.asList(Blend.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&name%5Bis%5D=" + PathKeys.join(stored.name())).asList(Blend.class))
                .isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByVintageNarrows() throws SQLException {
        Blend stored = BlendSamples.inserted(connection);
        BlendSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&vintage=" + PathKeys.join(stored.vintage()));

        List<Blend> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.vintage(), stored.vintage()))
                .toList();
        assertThat(answer.asList(Blend.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&vintage%5Bis%5D=" + PathKeys.join(stored.vintage())).asList(Blend.class))
                .isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByApprovedByNarrows() throws SQLException {
        Blend stored = BlendSamples.inserted(connection);
        BlendSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&approvedBy=" + PathKeys.join(stored.approvedBy()));

        List<Blend> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.approvedBy(), stored.approvedBy()))
                .toList();
        assertThat(answer.asList(Blend.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&approvedBy%5Bis%5D=" + PathKeys.join(stored.approvedBy()))
                .asList(Blend.class)).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filtersByTheOrderOfIdDivideTheList() throws SQLException {
        Blend stored = BlendSamples.inserted(connection);
        BlendSamples.inserted(connection);
        List<Blend> all = repository.list(connection, Page.first(500)).rows();
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
        Blend stored = BlendSamples.inserted(connection);
        String value = stored.name();
        String end = value.substring(1);
        boolean repeated = value.regionMatches(true, 0, end, 0, end.length());

        assertThat(where("name", "startsWith", Api.encoded(value))).contains(stored);
        assertThat(where("name", "contains", Api.encoded(end))).contains(stored);
        assertThat(where("name", "startsWith", Api.encoded(end)).contains(stored)).isEqualTo(repeated);
    }

    private List<Blend> where(String property, String comparison, String value) {
        return api.get(PATH + "?limit=500&" + Api.encoded(property) + "[" + comparison + "]=" + value)
                .asList(Blend.class);
    }

    @Test
    @Tag("replace")
    void replaceStoresEveryField() throws SQLException {
        Blend before = BlendSamples.inserted(connection);
        BlendInput input = BlendSamples.other(connection);

        ApiAnswer answer = api.put(path(before), Api.without(input, "id"));

        assertThat(answer.status()).isEqualTo(200);
        Blend after = answer.as(Blend.class);
        assertThat(BlendInput.of(after)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
        assertThat(repository.findById(connection, before.id())).contains(after);
    }

    @Test
    @Tag("replace")
    void replaceOfAnotherStateIsRefused() throws SQLException {
        Blend before = BlendSamples.inserted(connection);
        BlendInput input = BlendSamples.other(connection);

        ApiAnswer answer = api.sending("If-Match", "\"another\"")
                .put(path(before), Api.without(input, "id"));

        assertThat(answer.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    @Test
    @Tag("replace")
    void replaceRefusesAnotherKey() throws SQLException {
        Blend before = BlendSamples.inserted(connection);
        Blend another = BlendSamples.inserted(connection);

        ApiAnswer answer = api.put(path(before), BlendInput.of(another));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).contains("id");
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    @Test
    @Tag("patch")
    void patchChangesOneFieldAndNoOther() throws SQLException {
        Blend before = BlendSamples.inserted(connection);
        BlendInput other = BlendSamples.other(connection);
        Blend row = before;

        for (String field : List.of("name", "vintage", "blendedOn", "tastingNotes", "approvedBy")) {
            ApiAnswer answer = api.patch(path(before), Api.only(other, field));

            assertThat(answer.status()).isEqualTo(200);
            Blend after = answer.as(Blend.class);
            assertThat(Json.tree(BlendInput.of(after))).isEqualTo(Api.copying(BlendInput.of(row), other, field));
            assertThat(repository.findById(connection, before.id())).contains(after);
            row = after;
        }
    }

    @Test
    @Tag("patch")
    void changedRowHasAnotherTag() throws SQLException {
        String path = path(BlendSamples.inserted(connection));
        String before = api.get(path).header("ETag");

        ApiAnswer answer = api.patch(path, Api.only(BlendSamples.other(connection), "name"));

        assertThat(answer.header("ETag")).isNotEqualTo(before).isEqualTo(api.get(path).header("ETag"));
    }

    @Test
    @Tag("patch")
    void patchOfAnotherStateIsRefused() throws SQLException {
        Blend before = BlendSamples.inserted(connection);
        String tag = api.get(path(before)).header("ETag");
        BlendInput other = BlendSamples.other(connection);

        ApiAnswer refused = api.sending("If-Match", "\"another\"")
                .patch(path(before), Api.only(other, "name"));

        assertThat(refused.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.id())).contains(before);
        assertThat(api.sending("If-Match", tag).patch(path(before), "{}").status()).isEqualTo(200);
    }

    @Test
    @Tag("delete")
    void deleteOfAnotherStateIsRefused() throws SQLException {
        Blend stored = BlendSamples.inserted(connection);

        assertThat(api.sending("If-Match", "\"another\"").delete(path(stored)).status()).isEqualTo(412);

        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    @Test
    @Tag("delete")
    void deleteRemovesTheRow() throws SQLException {
        Blend stored = BlendSamples.inserted(connection);

        assertThat(api.delete(path(stored)).status()).isEqualTo(204);

        assertThat(repository.findById(connection, stored.id())).isEmpty();
        assertThat(api.get(path(stored)).status()).isEqualTo(404);
        assertThat(api.delete(path(stored)).status()).isEqualTo(404);
    }

    /** Unique BLEND_NAME_VINTAGE_KEY: NAME, VINTAGE. */
    @Test
    @Tag("rules")
    void duplicateNameAndVintageIsRefused() throws SQLException {
        Blend stored = BlendSamples.inserted(connection);
        BlendInput input = BlendSamples.sample(connection);

        assertRefused(Api.copying(input, BlendInput.of(stored), "name", "vintage"), 409, "name", "vintage");
    }

    /** Reference BLEND_APPROVER_FKEY: APPROVED_BY -&gt; CELLAR_HAND (ID). */
    @Test
    @Tag("rules")
    void approvedByOfAMissingRowIsRefused() throws SQLException {
        BlendInput input = BlendSamples.sample(connection);

        assertRefused(Api.with(input, "approvedBy", 2000000000), 422, "approvedBy");
    }

    /** Check BLEND_VINTAGE_CHECK: "VINTAGE" BETWEEN 1950 AND 2100. */
    @Test
    @Tag("rules")
    void vintageBelowItsLeastIsRefused() throws SQLException {
        BlendInput input = BlendSamples.sample(connection);

        assertRefused(Api.with(input, "vintage", 1949), 400, "vintage");
    }

    /** Check BLEND_VINTAGE_CHECK: "VINTAGE" BETWEEN 1950 AND 2100. */
    @Test
    @Tag("rules")
    void vintageAboveItsMostIsRefused() throws SQLException {
        BlendInput input = BlendSamples.sample(connection);

        assertRefused(Api.with(input, "vintage", 2101), 400, "vintage");
    }

    /** Generated ID: numbered by the database. */
    @Test
    @Tag("rules")
    void idFromTheClientIsRefused() throws SQLException {
        BlendInput input = BlendSamples.sample(connection);

        assertRefused(Api.with(input, "id", 1), 400, "id");
    }

    /** Not null NAME. */
    @Test
    @Tag("rules")
    void createWithoutNameIsRefused() throws SQLException {
        BlendInput input = BlendSamples.sample(connection);

        assertRefused(Api.without(input, "name"), 400, "name");
    }

    /** Type VARCHAR(80) of NAME. */
    @Test
    @Tag("rules")
    void nameTooLongIsRefused() throws SQLException {
        BlendInput input = BlendSamples.sample(connection);

        assertRefused(Api.with(input, "name", "x".repeat(81)), 400, "name");
    }

    /** Not null BLENDED_ON. */
    @Test
    @Tag("rules")
    void createWithoutBlendedOnIsRefused() throws SQLException {
        BlendInput input = BlendSamples.sample(connection);

        assertRefused(Api.without(input, "blendedOn"), 400, "blendedOn");
    }

    /** Reference BLEND_APPROVER_FKEY: APPROVED_BY -&gt; CELLAR_HAND (ID). */
    @Test
    @Tag("rules")
    void rowReferredToByApprovedByCannotBeDeleted() throws SQLException {
        Blend stored = BlendSamples.inserted(connection);

        ApiAnswer answer = api.delete("/cellar-hands/" + PathKeys.join(stored.approvedBy()));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.body().path("detail").textValue()).contains("blends");
        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    /** Asserts that a new row is refused on account of these fields, and that the table stays as it is. */
    private void assertRefused(Object body, int status, String... fields) throws SQLException {
        List<Blend> before = repository.list(connection, Page.all()).rows();

        ApiAnswer answer = api.post(PATH, body);

        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.violatedFields()).as(answer.text()).containsAll(List.of(fields));
        if (status == 400) {
            assertThat(answer.text()).as("the service knows the rule").doesNotContain("The database");
        }
        assertThat(repository.list(connection, Page.all()).rows()).isEqualTo(before);
    }

    private static String path(Blend blend) {
        return PATH + "/" + PathKeys.join(blend.id());
    }
}
