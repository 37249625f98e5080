package com.example.cellar.controller;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.GrapeVarietyInput;
import com.example.cellar.entity.GrapeVariety;
import com.example.cellar.repository.GrapeVarietyRepository;
import com.example.cellar.samples.GrapeVarietySamples;
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

class GrapeVarietyControllerTest {
    private static final String PATH = "/grape-varieties";

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.GRAPE_VARIETY);

    private final GrapeVarietyRepository repository = new GrapeVarietyRepository();
    private final Api api = SERVICE.api();
    private final Connection connection = SERVICE.connection();

    @Test
    @Tag("list")
    void listReturnsTheRowsOfTheTable() throws SQLException {
        ApiAnswer answer = api.get(PATH + "?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.asList(GrapeVariety.class)).isEqualTo(repository.list(connection, Page.first(500)).rows());
    }

    @Test
    @Tag("list")
    void pagesFollowEachOther() throws SQLException {
        GrapeVarietySamples.inserted(connection);
        GrapeVarietySamples.inserted(connection);
        List<GrapeVariety> rows = new ArrayList<>();

        int pages = api.eachPage(PATH + "?limit=3", page -> rows.addAll(page.asList(GrapeVariety.class)));

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
        GrapeVarietySamples.inserted(connection);
        List<GrapeVariety> expected = new ArrayList<>(repository.list(connection, Page.all()).rows());
        Collections.reverse(expected);

        ApiAnswer answer = api.get(PATH + "?limit=500&sort=-code");

        assertThat(answer.asList(GrapeVariety.class)).isEqualTo(expected.subList(0, Math.min(500, expected.size())));
    }

    @Test
    @Tag("list")
    void pagesInTheOrderOfNameHaveEachRowOnce() throws SQLException {
        GrapeVarietySamples.inserted(connection);
        GrapeVarietySamples.inserted(connection);
        List<GrapeVariety> ascending = new ArrayList<>();
        List<GrapeVariety> descending = new ArrayList<>();

        api.eachPage(PATH + "?limit=3&sort=" + "name", page -> ascending.addAll(page.asList(GrapeVariety.class)));
        api.eachPage(PATH + "?limit=3&sort=-" + "name", page -> descending.addAll(page.asList(GrapeVariety.class)));

        List<GrapeVariety> all = repository.list(connection, Page.all()).rows();
        assertThat(ascending).containsExactlyInAnyOrderElementsOf(all);
        assertThat(descending).containsExactlyInAnyOrderElementsOf(all);
    }

    @Test
    @Tag("create")
    void createStoresTheRowAndReturnsIt() throws SQLException {
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, input);

        assertThat(answer.status()).isEqualTo(201);
        GrapeVariety created = answer.as(GrapeVariety.class);
        assertThat(GrapeVarietyInput.of(created)).usingRecursiveComparison().ignoringExpectedNullFields()
                .isEqualTo(input);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 1);
        assertThat(api.at(answer.header("Location")).as(GrapeVariety.class)).isEqualTo(created);
        assertThat(repository.findById(connection, created.code())).contains(created);
    }

    @Test
    @Tag("create")
    void createManyStoresEveryRow() throws SQLException {
        List<GrapeVarietyInput> inputs
                = List.of(GrapeVarietySamples.sample(connection), GrapeVarietySamples.sample(connection));
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, inputs);

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.asList(GrapeVariety.class)).hasSize(2);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 2);
    }

    @Test
    @Tag("create")
    void createManyStoresNoneIfOneIsRefused() throws SQLException {
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);
        GrapeVariety stored = GrapeVarietySamples.inserted(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer
                = api.post(PATH,
                        List.of(input,
                                Api.copying(GrapeVarietySamples.sample(connection), GrapeVarietyInput.of(stored),
                                        "code")));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.violatedFields()).allMatch(field -> field.startsWith("[1]")).isNotEmpty();
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("read")
    void readReturnsTheRow() throws SQLException {
        GrapeVariety stored = GrapeVarietySamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.as(GrapeVariety.class)).isEqualTo(stored);
    }

    @Test
    @Tag("read")
    void readOfAKnownStateIsNotSentAgain() throws SQLException {
        String path = path(GrapeVarietySamples.inserted(connection));
        String tag = api.get(path).header("ETag");

        assertThat(api.sending("If-None-Match", tag).get(path).status()).isEqualTo(304);
        assertThat(api.sending("If-None-Match", "\"another\"").get(path).status()).isEqualTo(200);
    }

    @Test
    @Tag("read")
    void fieldsNarrowTheAnswer() throws SQLException {
        String path = path(GrapeVarietySamples.inserted(connection));

        ApiAnswer answer = api.get(path + "?fields=code");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body()).isEqualTo(Api.only(api.get(path).body(), "code"));
    }

    @Test
    @Tag("list")
    void filterByCodeNarrows() throws SQLException {
        GrapeVariety stored = GrapeVarietySamples.inserted(connection);
        GrapeVarietySamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&code=" + PathKeys.join(stored.code()));

        List<GrapeVariety> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.code(), stored.code()))
                .toList();
        assertThat(answer.asList(GrapeVariety.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&code%5Bis%5D=" + PathKeys.join(stored.code())).asList(GrapeVariety.class))
                .isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByNameNarrows() throws SQLException {
        GrapeVariety stored = GrapeVarietySamples.inserted(connection);
        GrapeVarietySamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&name=" + PathKeys.join(stored.name()));

        List<GrapeVariety> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.name(), stored.name()))
                .toList();
        assertThat(answer.asList(GrapeVariety.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&name%5Bis%5D=" + PathKeys.join(stored.name())).asList(GrapeVariety.class))
                .isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void codeIsSearched() throws SQLException {
        GrapeVariety stored = GrapeVarietySamples.inserted(connection);
        String value = stored.code();
        String end = value.substring(1);
        boolean repeated = value.regionMatches(true, 0, end, 0, end.length());

        assertThat(where("code", "startsWith", Api.encoded(value))).contains(stored);
        assertThat(where("code", "contains", Api.encoded(end))).contains(stored);
        assertThat(where("code", "startsWith", Api.encoded(end)).contains(stored)).isEqualTo(repeated);
    }

    private List<GrapeVariety> where(String property, String comparison, String value) {
        return api.get(PATH + "?limit=500&" + Api.encoded(property) + "[" + comparison + "]=" + value)
                .asList(GrapeVariety.class);
    }

    @Test
    @Tag("replace")
    void replaceStoresEveryField() throws SQLException {
        GrapeVariety before = GrapeVarietySamples.inserted(connection);
        GrapeVarietyInput input = GrapeVarietySamples.other(connection);

        ApiAnswer answer = api.put(path(before), Api.without(input, "code"));

        assertThat(answer.status()).isEqualTo(200);
        GrapeVariety after = answer.as(GrapeVariety.class);
        assertThat(GrapeVarietyInput.of(after)).usingRecursiveComparison().ignoringFields("code").isEqualTo(input);
        assertThat(repository.findById(connection, before.code())).contains(after);
    }

    @Test
    @Tag("replace")
    void replaceOfAnotherStateIsRefused() throws SQLException {
        GrapeVariety before = GrapeVarietySamples.inserted(connection);
        GrapeVarietyInput input = GrapeVarietySamples.other(connection);

        ApiAnswer answer = api.sending("If-Match", "\"another\"")
                .put(path(before), Api.without(input, "code"));

        assertThat(answer.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.code())).contains(before);
    }

    @Test
    @Tag("replace")
    void replaceRefusesAnotherKey() throws SQLException {
        GrapeVariety before = GrapeVarietySamples.inserted(connection);
        GrapeVariety another = GrapeVarietySamples.inserted(connection);

        ApiAnswer answer = api.put(path(before), GrapeVarietyInput.of(another));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).contains("code");
        assertThat(repository.findById(connection, before.code())).contains(before);
    }

    @Test
    @Tag("patch")
    void patchChangesOneFieldAndNoOther() throws SQLException {
        GrapeVariety before = GrapeVarietySamples.inserted(connection);
        GrapeVarietyInput other = GrapeVarietySamples.other(connection);
        GrapeVariety row = before;

        for (String field : List.of("name", "colour", "order", "synonyms")) {
            ApiAnswer answer = api.patch(path(before), Api.only(other, field));

            assertThat(answer.status()).isEqualTo(200);
            GrapeVariety after = answer.as(GrapeVariety.class);
            assertThat(Json.tree(GrapeVarietyInput.of(after)))
                    .isEqualTo(Api.copying(GrapeVarietyInput.of(row), other, field));
            assertThat(repository.findById(connection, before.code())).contains(after);
            row = after;
        }
    }

    @Test
    @Tag("patch")
    void changedRowHasAnotherTag() throws SQLException {
        String path = path(GrapeVarietySamples.inserted(connection));
        String before = api.get(path).header("ETag");

        ApiAnswer answer = api.patch(path, Api.only(GrapeVarietySamples.other(connection), "name"));

        assertThat(answer.header("ETag")).isNotEqualTo(before).isEqualTo(api.get(path).header("ETag"));
    }

    @Test
    @Tag("patch")
    void patchOfAnotherStateIsRefused() throws SQLException {
        GrapeVariety before = GrapeVarietySamples.inserted(connection);
        String tag = api.get(path(before)).header("ETag");
        GrapeVarietyInput other = GrapeVarietySamples.other(connection);

        ApiAnswer refused = api.sending("If-Match", "\"another\"")
                .patch(path(before), Api.only(other, "name"));

        assertThat(refused.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.code())).contains(before);
        assertThat(api.sending("If-Match", tag).patch(path(before), "{}").status()).isEqualTo(200);
    }

    @Test
    @Tag("delete")
    void deleteOfAnotherStateIsRefused() throws SQLException {
        GrapeVariety stored = GrapeVarietySamples.inserted(connection);

        assertThat(api.sending("If-Match", "\"another\"").delete(path(stored)).status()).isEqualTo(412);

        assertThat(repository.findById(connection, stored.code())).contains(stored);
    }

    @Test
    @Tag("delete")
    void deleteRemovesTheRow() throws SQLException {
        GrapeVariety stored = GrapeVarietySamples.inserted(connection);

        assertThat(api.delete(path(stored)).status()).isEqualTo(204);

        assertThat(repository.findById(connection, stored.code())).isEmpty();
        assertThat(api.get(path(stored)).status()).isEqualTo(404);
        assertThat(api.delete(path(stored)).status()).isEqualTo(404);
    }

    /** Primary key GRAPE_VARIETY_PKEY: CODE. */
    @Test
    @Tag("rules")
    void duplicateCodeIsRefused() throws SQLException {
        GrapeVariety stored = GrapeVarietySamples.inserted(connection);
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);

        assertRefused(Api.copying(input, GrapeVarietyInput.of(stored), "code"), 409, "code");
    }

    /** Unique GRAPE_VARIETY_NAME_KEY: NAME. */
    @Test
    @Tag("rules")
    void duplicateNameIsRefused() throws SQLException {
        GrapeVariety stored = GrapeVarietySamples.inserted(connection);
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);

        assertRefused(Api.copying(input, GrapeVarietyInput.of(stored), "name"), 409, "name");
    }

    /** Check GRAPE_VARIETY_COLOUR_CHECK: "COLOUR" IN('red', 'white', 'grey'). */
    @Test
    @Tag("rules")
    void colourNotAmongItsValuesIsRefused() throws SQLException {
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);

        assertRefused(Api.with(input, "colour", "no such value"), 400, "colour");
    }

    /** Not null CODE. */
    @Test
    @Tag("rules")
    void createWithoutCodeIsRefused() throws SQLException {
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);

        assertRefused(Api.without(input, "code"), 400, "code");
    }

    /** Type VARCHAR(8) of CODE. */
    @Test
    @Tag("rules")
    void codeTooLongIsRefused() throws SQLException {
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);

        assertRefused(Api.with(input, "code", "x".repeat(9)), 400, "code");
    }

    /** Type VARCHAR(8) of CODE. */
    @Test
    @Tag("rules")
    void codeTooShortIsRefused() throws SQLException {
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);

        assertRefused(Api.with(input, "code", ""), 400, "code");
    }

    /** Not null NAME. */
    @Test
    @Tag("rules")
    void createWithoutNameIsRefused() throws SQLException {
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);

        assertRefused(Api.without(input, "name"), 400, "name");
    }

    /** Type VARCHAR(60) of NAME. */
    @Test
    @Tag("rules")
    void nameTooLongIsRefused() throws SQLException {
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);

        assertRefused(Api.with(input, "name", "x".repeat(61)), 400, "name");
    }

    /** Not null COLOUR. */
    @Test
    @Tag("rules")
    void createWithoutColourIsRefused() throws SQLException {
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);

        assertRefused(Api.without(input, "colour"), 400, "colour");
    }

    /** Type VARCHAR(200) of SYNONYMS. */
    @Test
    @Tag("rules")
    void synonymsTooLongIsRefused() throws SQLException {
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);

        assertRefused(Api.with(input, "synonyms", "x".repeat(201)), 400, "synonyms");
    }

    /** Not null order. */
    @Test
    @Tag("rules")
    void orderCannotBeCleared() throws SQLException {
        GrapeVariety before = GrapeVarietySamples.inserted(connection);

        ApiAnswer answer = api.patch(path(before), Api.clearing("order"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("order");
        assertThat(repository.findById(connection, before.code())).contains(before);
    }

    /** Default 100 of order. */
    @Test
    @Tag("rules")
    void orderTakesItsDefault() throws SQLException {
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);

        ApiAnswer answer = api.post(PATH, Api.without(input, "order"));

        assertThat(answer.status()).isEqualTo(201);
        assertThat(Api.plain(answer.body().get("order"))).isEqualTo("100");
    }

    /** Asserts that a new row is refused on account of these fields, and that the table stays as it is. */
    private void assertRefused(Object body, int status, String... fields) throws SQLException {
        List<GrapeVariety> before = repository.list(connection, Page.all()).rows();

        ApiAnswer answer = api.post(PATH, body);

        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.violatedFields()).as(answer.text()).containsAll(List.of(fields));
        if (status == 400) {
            assertThat(answer.text()).as("the service knows the rule").doesNotContain("The database");
        }
        assertThat(repository.list(connection, Page.all()).rows()).isEqualTo(before);
    }

    private static String path(GrapeVariety grapeVariety) {
        return PATH + "/" + PathKeys.join(grapeVariety.code());
    }
}
