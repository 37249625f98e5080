package com.example.cellar.controller;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.LabelInput;
import com.example.cellar.entity.Label;
import com.example.cellar.repository.LabelRepository;
import com.example.cellar.samples.LabelSamples;
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

class LabelControllerTest {
    private static final String PATH = "/labels";

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.LABEL);

    private final LabelRepository repository = new LabelRepository();
    private final Api api = SERVICE.api();
    private final Connection connection = SERVICE.connection();

    @Test
    @Tag("list")
    void listReturnsTheRowsOfTheTable() throws SQLException {
        ApiAnswer answer = api.get(PATH + "?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.asList(Label.class)).isEqualTo(repository.list(connection, Page.first(500)).rows());
    }

    @Test
    @Tag("list")
    void pagesFollowEachOther() throws SQLException {
        LabelSamples.inserted(connection);
        LabelSamples.inserted(connection);
        List<Label> rows = new ArrayList<>();

        int pages = api.eachPage(PATH + "?limit=3", page -> rows.addAll(page.asList(Label.class)));

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
        LabelSamples.inserted(connection);
        List<Label> expected = new ArrayList<>(repository.list(connection, Page.all()).rows());
        Collections.reverse(expected);

        ApiAnswer answer = api.get(PATH + "?limit=500&sort=-id");

        assertThat(answer.asList(Label.class)).isEqualTo(expected.subList(0, Math.min(500, expected.size())));
    }

    @Test
    @Tag("list")
    void pagesInTheOrderOfTitleHaveEachRowOnce() throws SQLException {
        LabelSamples.inserted(connection);
        LabelSamples.inserted(connection);
        List<Label> ascending = new ArrayList<>();
        List<Label> descending = new ArrayList<>();

        api.eachPage(PATH + "?limit=3&sort=" + "title", page -> ascending.addAll(page.asList(Label.class)));
        api.eachPage(PATH + "?limit=3&sort=-" + "title", page -> descending.addAll(page.asList(Label.class)));

        List<Label> all = repository.list(connection, Page.all()).rows();
        assertThat(ascending).containsExactlyInAnyOrderElementsOf(all);
        assertThat(descending).containsExactlyInAnyOrderElementsOf(all);
    }

    @Test
    @Tag("create")
    void createStoresTheRowAndReturnsIt() throws SQLException {
        LabelInput input = LabelSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, input);

        assertThat(answer.status()).isEqualTo(201);
        Label created = answer.as(Label.class);
        assertThat(LabelInput.of(created)).usingRecursiveComparison().ignoringExpectedNullFields().isEqualTo(input);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 1);
        assertThat(api.at(answer.header("Location")).as(Label.class)).isEqualTo(created);
        assertThat(repository.findById(connection, created.id())).contains(created);
    }

    @Test
    @Tag("create")
    void createManyStoresEveryRow() throws SQLException {
        List<LabelInput> inputs = List.of(LabelSamples.sample(connection), LabelSamples.sample(connection));
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, inputs);

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.asList(Label.class)).hasSize(2);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 2);
    }

    @Test
    @Tag("create")
    void createManyStoresNoneIfOneIsRefused() throws SQLException {
        LabelInput input = LabelSamples.sample(connection);
        Label stored = LabelSamples.inserted(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer
                = api.post(PATH,
                        List.of(input,
                                Api.copying(LabelSamples.sample(connection), LabelInput.of(stored), "title",
                                        "languageCode")));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.violatedFields()).allMatch(field -> field.startsWith("[1]")).isNotEmpty();
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("read")
    void readReturnsTheRow() throws SQLException {
        Label stored = LabelSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.as(Label.class)).isEqualTo(stored);
    }

    @Test
    @Tag("read")
    void readOfAKnownStateIsNotSentAgain() throws SQLException {
        String path = path(LabelSamples.inserted(connection));
        String tag = api.get(path).header("ETag");

        assertThat(api.sending("If-None-Match", tag).get(path).status()).isEqualTo(304);
        assertThat(api.sending("If-None-Match", "\"another\"").get(path).status()).isEqualTo(200);
    }

    @Test
    @Tag("read")
    void fieldsNarrowTheAnswer() throws SQLException {
        String path = path(LabelSamples.inserted(connection));

        ApiAnswer answer = api.get(path + "?fields=id");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body()).isEqualTo(Api.only(api.get(path).body(), "id"));
    }

    @Test
    @Tag("list")
    void filterByIdNarrows() throws SQLException {
        Label stored = LabelSamples.inserted(connection);
        LabelSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&id=" + PathKeys.join(stored.id()));

        List<Label> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.id(), stored.id()))
                .toList();
        assertThat(answer.asList(Label.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&id%5Bis%5D=" + PathKeys.join(stored.id())).asList(Label.class))
                .isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByTitleNarrows() throws SQLException {
        Label stored = LabelSamples.inserted(connection);
        LabelSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&title=" + PathKeys.join(stored.title()));

        List<Label> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.title(), stored.title()))
                .toList();
        assertThat(answer.asList(Label.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&title%5Bis%5D=" + PathKeys.join(stored.title())).asList(Label.class))
                .isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByLanguageCodeNarrows() throws SQLException {
        Label stored = LabelSamples.inserted(connection);
        LabelSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&languageCode=" + PathKeys.join(stored.languageCode()));

        List<Label> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.languageCode(), stored.languageCode()))
                .toList();
        assertThat(answer.asList(Label.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&languageCode%5Bis%5D=" + PathKeys.join(stored.languageCode()))
                .asList(Label.class)).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filtersByTheOrderOfIdDivideTheList() throws SQLException {
        Label stored = LabelSamples.inserted(connection);
        LabelSamples.inserted(connection);
        List<Label> all = repository.list(connection, Page.first(500)).rows();
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
    void titleIsSearched() throws SQLException {
        Label stored = LabelSamples.inserted(connection);
        String value = stored.title();
        String end = value.substring(1);
        boolean repeated = value.regionMatches(true, 0, end, 0, end.length());

        assertThat(where("title", "startsWith", Api.encoded(value))).contains(stored);
        assertThat(where("title", "contains", Api.encoded(end))).contains(stored);
        assertThat(where("title", "startsWith", Api.encoded(end)).contains(stored)).isEqualTo(repeated);
    }

    private List<Label> where(String property, String comparison, String value) {
        return api.get(PATH + "?limit=500&" + Api.encoded(property) + "[" + comparison + "]=" + value)
                .asList(Label.class);
    }

    @Test
    @Tag("replace")
    void replaceStoresEveryField() throws SQLException {
        Label before = LabelSamples.inserted(connection);
        LabelInput input = LabelSamples.other(connection);

        ApiAnswer answer = api.put(path(before), Api.without(input, "id"));

        assertThat(answer.status()).isEqualTo(200);
        Label after = answer.as(Label.class);
        assertThat(LabelInput.of(after)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
        assertThat(repository.findById(connection, before.id())).contains(after);
    }

    @Test
    @Tag("replace")
    void replaceOfAnotherStateIsRefused() throws SQLException {
        Label before = LabelSamples.inserted(connection);
        LabelInput input = LabelSamples.other(connection);

        ApiAnswer answer = api.sending("If-Match", "\"another\"")
                .put(path(before), Api.without(input, "id"));

        assertThat(answer.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    @Test
    @Tag("replace")
    void replaceRefusesAnotherKey() throws SQLException {
        Label before = LabelSamples.inserted(connection);
        Label another = LabelSamples.inserted(connection);

        ApiAnswer answer = api.put(path(before), LabelInput.of(another));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).contains("id");
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    @Test
    @Tag("patch")
    void patchChangesOneFieldAndNoOther() throws SQLException {
        Label before = LabelSamples.inserted(connection);
        LabelInput other = LabelSamples.other(connection);
        Label row = before;

        for (String field : List.of("title", "languageCode", "backText", "picture")) {
            ApiAnswer answer = api.patch(path(before), Api.only(other, field));

            assertThat(answer.status()).isEqualTo(200);
            Label after = answer.as(Label.class);
            assertThat(Json.tree(LabelInput.of(after))).isEqualTo(Api.copying(LabelInput.of(row), other, field));
            assertThat(repository.findById(connection, before.id())).contains(after);
            row = after;
        }
    }

    @Test
    @Tag("patch")
    void changedRowHasAnotherTag() throws SQLException {
        String path = path(LabelSamples.inserted(connection));
        String before = api.get(path).header("ETag");

        ApiAnswer answer = api.patch(path, Api.only(LabelSamples.other(connection), "title"));

        assertThat(answer.header("ETag")).isNotEqualTo(before).isEqualTo(api.get(path).header("ETag"));
    }

    @Test
    @Tag("patch")
    void patchOfAnotherStateIsRefused() throws SQLException {
        Label before = LabelSamples.inserted(connection);
        String tag = api.get(path(before)).header("ETag");
        LabelInput other = LabelSamples.other(connection);

        ApiAnswer refused = api.sending("If-Match", "\"another\"")
                .patch(path(before), Api.only(other, "title"));

        assertThat(refused.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.id())).contains(before);
        assertThat(api.sending("If-Match", tag).patch(path(before), "{}").status()).isEqualTo(200);
    }

    @Test
    @Tag("delete")
    void deleteOfAnotherStateIsRefused() throws SQLException {
        Label stored = LabelSamples.inserted(connection);

        assertThat(api.sending("If-Match", "\"another\"").delete(path(stored)).status()).isEqualTo(412);

        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    @Test
    @Tag("delete")
    void deleteRemovesTheRow() throws SQLException {
        Label stored = LabelSamples.inserted(connection);

        assertThat(api.delete(path(stored)).status()).isEqualTo(204);

        assertThat(repository.findById(connection, stored.id())).isEmpty();
        assertThat(api.get(path(stored)).status()).isEqualTo(404);
        assertThat(api.delete(path(stored)).status()).isEqualTo(404);
    }

    /** Unique LABEL_TITLE_LANGUAGE_KEY: TITLE, LANGUAGE_CODE. */
    @Test
    @Tag("rules")
    void duplicateTitleAndLanguageCodeIsRefused() throws SQLException {
        Label stored = LabelSamples.inserted(connection);
        LabelInput input = LabelSamples.sample(connection);

        assertRefused(Api.copying(input, LabelInput.of(stored), "title", "languageCode"), 409, "title", "languageCode");
    }

    /** Generated ID: numbered by the database. */
    @Test
    @Tag("rules")
    void idFromTheClientIsRefused() throws SQLException {
        LabelInput input = LabelSamples.sample(connection);

        assertRefused(Api.with(input, "id", 1), 400, "id");
    }

    /** Not null TITLE. */
    @Test
    @Tag("rules")
    void createWithoutTitleIsRefused() throws SQLException {
        LabelInput input = LabelSamples.sample(connection);

        assertRefused(Api.without(input, "title"), 400, "title");
    }

    /** Type VARCHAR(60) of TITLE. */
    @Test
    @Tag("rules")
    void titleTooLongIsRefused() throws SQLException {
        LabelInput input = LabelSamples.sample(connection);

        assertRefused(Api.with(input, "title", "x".repeat(61)), 400, "title");
    }

    /** Type CHAR(2) of LANGUAGE_CODE. */
    @Test
    @Tag("rules")
    void languageCodeTooLongIsRefused() throws SQLException {
        LabelInput input = LabelSamples.sample(connection);

        assertRefused(Api.with(input, "languageCode", "x".repeat(3)), 400, "languageCode");
    }

    /** Type VARCHAR(1000) of BACK_TEXT. */
    @Test
    @Tag("rules")
    void backTextTooLongIsRefused() throws SQLException {
        LabelInput input = LabelSamples.sample(connection);

        assertRefused(Api.with(input, "backText", "x".repeat(1001)), 400, "backText");
    }

    /** Not null LANGUAGE_CODE. */
    @Test
    @Tag("rules")
    void languageCodeCannotBeCleared() throws SQLException {
        Label before = LabelSamples.inserted(connection);

        ApiAnswer answer = api.patch(path(before), Api.clearing("languageCode"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("languageCode");
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    /** Asserts that a new row is refused on account of these fields, and that the table stays as it is. */
    private void assertRefused(Object body, int status, String... fields) throws SQLException {
        List<Label> before = repository.list(connection, Page.all()).rows();

        ApiAnswer answer = api.post(PATH, body);

        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.violatedFields()).as(answer.text()).containsAll(List.of(fields));
        if (status == 400) {
            assertThat(answer.text()).as("the service knows the rule").doesNotContain("The database");
        }
        assertThat(repository.list(connection, Page.all()).rows()).isEqualTo(before);
    }

    private static String path(Label label) {
        return PATH + "/" + PathKeys.join(label.id());
    }
}
