package com.example.cellar.controller;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.CellarHandInput;
import com.example.cellar.entity.CellarHand;
import com.example.cellar.repository.CellarHandRepository;
import com.example.cellar.samples.CellarHandSamples;
import com.example.cellar.support.Api;
import com.example.cellar.support.ApiAnswer;
import com.example.cellar.support.Condition;
import com.example.cellar.support.InputReader;
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

class CellarHandControllerTest {
    private static final String PATH = "/cellar-hands";

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.CELLAR_HAND);

    private final CellarHandRepository repository = new CellarHandRepository();
    private final Api api = SERVICE.api();
    private final Connection connection = SERVICE.connection();

    @Test
    @Tag("list")
    void listReturnsTheRowsOfTheTable() throws SQLException {
        ApiAnswer answer = api.get(PATH + "?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.asList(CellarHand.class)).isEqualTo(repository.list(connection, Page.first(500)).rows());
    }

    @Test
    @Tag("list")
    void pagesFollowEachOther() throws SQLException {
        CellarHandSamples.inserted(connection);
        CellarHandSamples.inserted(connection);
        List<CellarHand> rows = new ArrayList<>();

        int pages = api.eachPage(PATH + "?limit=3", page -> rows.addAll(page.asList(CellarHand.class)));

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
        CellarHandSamples.inserted(connection);
        List<CellarHand> expected = new ArrayList<>(repository.list(connection, Page.all()).rows());
        Collections.reverse(expected);

        ApiAnswer answer = api.get(PATH + "?limit=500&sort=-id");

        assertThat(answer.asList(CellarHand.class)).isEqualTo(expected.subList(0, Math.min(500, expected.size())));
    }

    @Test
    @Tag("list")
    void pagesInTheOrderOfSupervisorIdHaveEachRowOnce() throws SQLException {
        CellarHandSamples.inserted(connection);
        CellarHandSamples.inserted(connection);
        List<CellarHand> ascending = new ArrayList<>();
        List<CellarHand> descending = new ArrayList<>();

        api.eachPage(PATH + "?limit=3&sort=" + "supervisorId", page -> ascending.addAll(page.asList(CellarHand.class)));
        api.eachPage(PATH + "?limit=3&sort=-" + "supervisorId", page ->
                descending.addAll(page.asList(CellarHand.class)));

        List<CellarHand> all = repository.list(connection, Page.all()).rows();
        assertThat(ascending).containsExactlyInAnyOrderElementsOf(all);
        assertThat(descending).containsExactlyInAnyOrderElementsOf(all);
    }

    @Test
    @Tag("create")
    void createStoresTheRowAndReturnsIt() throws SQLException {
        CellarHandInput input = CellarHandSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, input);

        assertThat(answer.status()).isEqualTo(201);
        CellarHand created = answer.as(CellarHand.class);
        assertThat(CellarHandInput.of(created)).usingRecursiveComparison().ignoringExpectedNullFields()
                .isEqualTo(input);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 1);
        assertThat(api.at(answer.header("Location")).as(CellarHand.class)).isEqualTo(created);
        assertThat(repository.findById(connection, created.id())).contains(created);
    }

    @Test
    @Tag("create")
    void createManyStoresEveryRow() throws SQLException {
        List<CellarHandInput> inputs
                = List.of(CellarHandSamples.sample(connection), CellarHandSamples.sample(connection));
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, inputs);

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.asList(CellarHand.class)).hasSize(2);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 2);
    }

    @Test
    @Tag("create")
    void createManyStoresNoneIfOneIsRefused() throws SQLException {
        CellarHandInput input = CellarHandSamples.sample(connection);
        CellarHand stored = CellarHandSamples.inserted(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer
                = api.post(PATH,
                        List.of(input,
                                Api.copying(CellarHandSamples.sample(connection), CellarHandInput.of(stored),
                                        "email")));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.violatedFields()).allMatch(field -> field.startsWith("[1]")).isNotEmpty();
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("read")
    void readReturnsTheRow() throws SQLException {
        CellarHand stored = CellarHandSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.as(CellarHand.class)).isEqualTo(stored);
    }

    @Test
    @Tag("read")
    void readOfAKnownStateIsNotSentAgain() throws SQLException {
        String path = path(CellarHandSamples.inserted(connection));
        String tag = api.get(path).header("ETag");

        assertThat(api.sending("If-None-Match", tag).get(path).status()).isEqualTo(304);
        assertThat(api.sending("If-None-Match", "\"another\"").get(path).status()).isEqualTo(200);
    }

    @Test
    @Tag("read")
    void fieldsNarrowTheAnswer() throws SQLException {
        String path = path(CellarHandSamples.inserted(connection));

        ApiAnswer answer = api.get(path + "?fields=id");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body()).isEqualTo(Api.only(api.get(path).body(), "id"));
    }

    @Test
    @Tag("list")
    void filterByIdNarrows() throws SQLException {
        CellarHand stored = CellarHandSamples.inserted(connection);
        CellarHandSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&id=" + PathKeys.join(stored.id()));

        List<CellarHand> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.id(), stored.id()))
                .toList();
        assertThat(answer.asList(CellarHand.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&id%5Bis%5D=" + PathKeys.join(stored.id())).asList(CellarHand.class))
                .isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByEmailNarrows() throws SQLException {
        CellarHand stored = CellarHandSamples.inserted(connection);
        CellarHandSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&email=" + PathKeys.join(stored.email()));

        List<CellarHand> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.email(), stored.email()))
                .toList();
        assertThat(answer.asList(CellarHand.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&email%5Bis%5D=" + PathKeys.join(stored.email())).asList(CellarHand.class))
                .isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filtersByTheOrderOfIdDivideTheList() throws SQLException {
        CellarHand stored = CellarHandSamples.inserted(connection);
        CellarHandSamples.inserted(connection);
        List<CellarHand> all = repository.list(connection, Page.first(500)).rows();
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
    void emailIsSearched() throws SQLException {
        CellarHand stored = CellarHandSamples.inserted(connection);
        String value = stored.email();
        String end = value.substring(1);
        boolean repeated = value.regionMatches(true, 0, end, 0, end.length());

        assertThat(where("email", "startsWith", Api.encoded(value))).contains(stored);
        assertThat(where("email", "contains", Api.encoded(end))).contains(stored);
        assertThat(where("email", "startsWith", Api.encoded(end)).contains(stored)).isEqualTo(repeated);
    }

    private List<CellarHand> where(String property, String comparison, String value) {
        return api.get(PATH + "?limit=500&" + Api.encoded(property) + "[" + comparison + "]=" + value)
                .asList(CellarHand.class);
    }

    @Test
    @Tag("replace")
    void replaceStoresEveryField() throws SQLException {
        CellarHand before = CellarHandSamples.inserted(connection);
        CellarHandInput input = CellarHandSamples.other(connection);

        ApiAnswer answer = api.put(path(before), Api.without(input, "id"));

        assertThat(answer.status()).isEqualTo(200);
        CellarHand after = answer.as(CellarHand.class);
        assertThat(CellarHandInput.of(after)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
        assertThat(repository.findById(connection, before.id())).contains(after);
    }

    @Test
    @Tag("replace")
    void replaceOfAnotherStateIsRefused() throws SQLException {
        CellarHand before = CellarHandSamples.inserted(connection);
        CellarHandInput input = CellarHandSamples.other(connection);

        ApiAnswer answer = api.sending("If-Match", "\"another\"")
                .put(path(before), Api.without(input, "id"));

        assertThat(answer.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    @Test
    @Tag("replace")
    void replaceRefusesAnotherKey() throws SQLException {
        CellarHand before = CellarHandSamples.inserted(connection);
        CellarHand another = CellarHandSamples.inserted(connection);

        ApiAnswer answer = api.put(path(before), CellarHandInput.of(another));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).contains("id");
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    @Test
    @Tag("patch")
    void patchChangesOneFieldAndNoOther() throws SQLException {
        CellarHand before = CellarHandSamples.inserted(connection);
        CellarHandInput other = CellarHandSamples.other(connection);
        CellarHand row = before;

        for (String field : List.of("fullName", "email", "craft", "shiftStarts", "supervisorId")) {
            ApiAnswer answer = api.patch(path(before), Api.only(other, field));

            assertThat(answer.status()).isEqualTo(200);
            CellarHand after = answer.as(CellarHand.class);
            assertThat(Json.tree(CellarHandInput.of(after)))
                    .isEqualTo(Api.copying(CellarHandInput.of(row), other, field));
            assertThat(repository.findById(connection, before.id())).contains(after);
            row = after;
        }
    }

    @Test
    @Tag("patch")
    void changedRowHasAnotherTag() throws SQLException {
        String path = path(CellarHandSamples.inserted(connection));
        String before = api.get(path).header("ETag");

        ApiAnswer answer = api.patch(path, Api.only(CellarHandSamples.other(connection), "fullName"));

        assertThat(answer.header("ETag")).isNotEqualTo(before).isEqualTo(api.get(path).header("ETag"));
    }

    @Test
    @Tag("patch")
    void patchOfAnotherStateIsRefused() throws SQLException {
        CellarHand before = CellarHandSamples.inserted(connection);
        String tag = api.get(path(before)).header("ETag");
        CellarHandInput other = CellarHandSamples.other(connection);

        ApiAnswer refused = api.sending("If-Match", "\"another\"")
                .patch(path(before), Api.only(other, "fullName"));

        assertThat(refused.status()).isEqualTo(412);
        assertThat(repository.findById(connection, before.id())).contains(before);
        assertThat(api.sending("If-Match", tag).patch(path(before), "{}").status()).isEqualTo(200);
    }

    @Test
    @Tag("delete")
    void deleteOfAnotherStateIsRefused() throws SQLException {
        CellarHand stored = CellarHandSamples.inserted(connection);

        assertThat(api.sending("If-Match", "\"another\"").delete(path(stored)).status()).isEqualTo(412);

        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    @Test
    @Tag("delete")
    void deleteRemovesTheRow() throws SQLException {
        CellarHand stored = CellarHandSamples.inserted(connection);

        assertThat(api.delete(path(stored)).status()).isEqualTo(204);

        assertThat(repository.findById(connection, stored.id())).isEmpty();
        assertThat(api.get(path(stored)).status()).isEqualTo(404);
        assertThat(api.delete(path(stored)).status()).isEqualTo(404);
    }

    /** Unique CELLAR_HAND_EMAIL_KEY: EMAIL. */
    @Test
    @Tag("rules")
    void duplicateEmailIsRefused() throws SQLException {
        CellarHand stored = CellarHandSamples.inserted(connection);
        CellarHandInput input = CellarHandSamples.sample(connection);

        assertRefused(Api.copying(input, CellarHandInput.of(stored), "email"), 409, "email");
    }

    /** Reference CELLAR_HAND_SUPERVISOR_FKEY: SUPERVISOR_ID -&gt; CELLAR_HAND (ID). */
    @Test
    @Tag("rules")
    void supervisorIdOfAMissingRowIsRefused() throws SQLException {
        CellarHandInput input = CellarHandSamples.sample(connection);

        assertRefused(Api.with(input, "supervisorId", 2000000000), 422, "supervisorId");
    }

    /** Check CELLAR_HAND_CRAFT_CHECK: "CRAFT" IN('cellar', 'cooperage', 'laboratory', 'vineyard'). */
    @Test
    @Tag("rules")
    void craftNotAmongItsValuesIsRefused() throws SQLException {
        CellarHandInput input = CellarHandSamples.sample(connection);

        assertRefused(Api.with(input, "craft", "no such value"), 400, "craft");
    }

    /** Check CELLAR_HAND_DATES_CHECK: "LEFT_ON" &gt;= "HIRED_ON". */
    @Test
    @Tag("rules")
    void leftOnAndHiredOnExchangedAreRefused() throws SQLException {
        CellarHandInput input = CellarHandSamples.sample(connection);

        assertRefused(Api.exchanging(input, "leftOn", "hiredOn"), 400, "leftOn");
    }

    /** Check CELLAR_HAND_EMAIL_CHECK: "EMAIL" LIKE '%_&#64;_%'. */
    @Test
    @Tag("rules")
    void emailOutOfItsPatternIsRefused() throws SQLException {
        CellarHandInput input = CellarHandSamples.sample(connection);

        assertRefused(Api.with(input, "email", "?"), 400, "email");
    }

    /** Generated ID: numbered by the database. */
    @Test
    @Tag("rules")
    void idFromTheClientIsRefused() throws SQLException {
        CellarHandInput input = CellarHandSamples.sample(connection);

        assertRefused(Api.with(input, "id", 1), 400, "id");
    }

    /** Not null FULL_NAME. */
    @Test
    @Tag("rules")
    void createWithoutFullNameIsRefused() throws SQLException {
        CellarHandInput input = CellarHandSamples.sample(connection);

        assertRefused(Api.without(input, "fullName"), 400, "fullName");
    }

    /** Type VARCHAR(80) of FULL_NAME. */
    @Test
    @Tag("rules")
    void fullNameTooLongIsRefused() throws SQLException {
        CellarHandInput input = CellarHandSamples.sample(connection);

        assertRefused(Api.with(input, "fullName", "x".repeat(81)), 400, "fullName");
    }

    /** Not null EMAIL. */
    @Test
    @Tag("rules")
    void createWithoutEmailIsRefused() throws SQLException {
        CellarHandInput input = CellarHandSamples.sample(connection);

        assertRefused(Api.without(input, "email"), 400, "email");
    }

    /** Not null HIRED_ON. */
    @Test
    @Tag("rules")
    void createWithoutHiredOnIsRefused() throws SQLException {
        CellarHandInput input = CellarHandSamples.sample(connection);

        assertRefused(Api.without(input, "hiredOn"), 400, "hiredOn");
    }

    /** Not null SHIFT_STARTS. */
    @Test
    @Tag("rules")
    void createWithoutShiftStartsIsRefused() throws SQLException {
        CellarHandInput input = CellarHandSamples.sample(connection);

        assertRefused(Api.without(input, "shiftStarts"), 400, "shiftStarts");
    }

    /** Not null CRAFT. */
    @Test
    @Tag("rules")
    void craftCannotBeCleared() throws SQLException {
        CellarHand before = CellarHandSamples.inserted(connection);

        ApiAnswer answer = api.patch(path(before), Api.clearing("craft"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("craft");
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    /** Default 'cellar' of CRAFT. */
    @Test
    @Tag("rules")
    void craftTakesItsDefault() throws SQLException {
        CellarHandInput input = CellarHandSamples.sample(connection);

        ApiAnswer answer = api.post(PATH, Api.without(input, "craft"));

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.body().hasNonNull("craft")).isTrue();
    }

    /** Reference CELLAR_HAND_SUPERVISOR_FKEY: SUPERVISOR_ID -&gt; CELLAR_HAND (ID). */
    @Test
    @Tag("rules")
    void rowReferredToBySupervisorIdCannotBeDeleted() throws SQLException {
        CellarHand stored = referring("supervisorId");

        ApiAnswer answer = api.delete("/cellar-hands/" + PathKeys.join(stored.supervisorId()));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.body().path("detail").textValue()).contains("cellar-hands");
        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    /** A stored row that refers to another one by this property. */
    private CellarHand referring(String property) throws SQLException {
        Object key = Json.tree(CellarHandSamples.inserted(connection)).get("id");
        return repository.insert(connection, InputReader.read(
                Api.with(CellarHandSamples.sample(connection), property, key), CellarHandInput.class));
    }

    /** Asserts that a new row is refused on account of these fields, and that the table stays as it is. */
    private void assertRefused(Object body, int status, String... fields) throws SQLException {
        List<CellarHand> before = repository.list(connection, Page.all()).rows();

        ApiAnswer answer = api.post(PATH, body);

        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.violatedFields()).as(answer.text()).containsAll(List.of(fields));
        if (status == 400) {
            assertThat(answer.text()).as("the service knows the rule").doesNotContain("The database");
        }
        assertThat(repository.list(connection, Page.all()).rows()).isEqualTo(before);
    }

    private static String path(CellarHand cellarHand) {
        return PATH + "/" + PathKeys.join(cellarHand.id());
    }
}
