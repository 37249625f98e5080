package com.example.cellar.controller;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.CellarLogInput;
import com.example.cellar.entity.CellarLog;
import com.example.cellar.repository.CellarLogRepository;
import com.example.cellar.samples.CellarLogSamples;
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
import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

class CellarLogControllerTest {
    private static final String PATH = "/cellar-logs";

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.CELLAR_HAND,
            Tables.CELLAR_LOG);

    private final CellarLogRepository repository = new CellarLogRepository();
    private final Api api = SERVICE.api();
    private final Connection connection = SERVICE.connection();

    @Test
    @Tag("list")
    void listReturnsTheRowsOfTheTable() throws SQLException {
        ApiAnswer answer = api.get(PATH + "?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.asList(CellarLog.class)).isEqualTo(repository.list(connection, Page.first(500)).rows());
    }

    @Test
    @Tag("list")
    void pagesFollowEachOther() throws SQLException {
        CellarLogSamples.inserted(connection);
        CellarLogSamples.inserted(connection);
        List<CellarLog> rows = new ArrayList<>();

        int pages = api.eachPage(PATH + "?limit=3", page -> rows.addAll(page.asList(CellarLog.class)));

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
    @Tag("create")
    void createStoresTheRowAndReturnsIt() throws SQLException {
        CellarLogInput input = CellarLogSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, input);

        assertThat(answer.status()).isEqualTo(201);
        CellarLog created = answer.as(CellarLog.class);
        assertThat(CellarLogInput.of(created)).usingRecursiveComparison().ignoringExpectedNullFields().isEqualTo(input);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 1);
        assertThat(repository.list(connection, Page.all()).rows()).contains(created);
    }

    @Test
    @Tag("create")
    void createManyStoresEveryRow() throws SQLException {
        List<CellarLogInput> inputs = List.of(CellarLogSamples.sample(connection), CellarLogSamples.sample(connection));
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, inputs);

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.asList(CellarLog.class)).hasSize(2);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 2);
    }

    @Test
    @Tag("create")
    void createManyStoresNoneIfOneIsRefused() throws SQLException {
        CellarLogInput input = CellarLogSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, List.of(input, Api.with(input, "no such property", 1)));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsExactly("[1].no such property");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("list")
    void listCellarLogsOfCellarHandNarrows() throws SQLException {
        CellarLog stored = CellarLogSamples.inserted(connection);
        CellarLogSamples.inserted(connection);

        ApiAnswer answer = api.get("/cellar-hands/" + PathKeys.join(stored.handId()) + "/cellar-logs?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        List<CellarLog> expected = repository.list(connection, Page.all()).rows().stream()
                .filter(row -> Objects.equals(row.handId(), stored.handId()))
                .toList();
        assertThat(answer.asList(CellarLog.class)).contains(stored).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByLoggedAtNarrows() throws SQLException {
        CellarLog stored = CellarLogSamples.inserted(connection);
        CellarLogSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&loggedAt=" + PathKeys.join(stored.loggedAt()));

        List<CellarLog> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.loggedAt(), stored.loggedAt()))
                .toList();
        assertThat(answer.asList(CellarLog.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&loggedAt%5Bis%5D=" + PathKeys.join(stored.loggedAt()))
                .asList(CellarLog.class)).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filterByHandIdNarrows() throws SQLException {
        CellarLog stored = CellarLogSamples.inserted(connection);
        CellarLogSamples.inserted(connection);

        ApiAnswer answer = api.get(PATH + "?limit=500&handId=" + PathKeys.join(stored.handId()));

        List<CellarLog> expected = repository.list(connection, Page.first(500)).rows().stream()
                .filter(row -> Objects.equals(row.handId(), stored.handId()))
                .toList();
        assertThat(answer.asList(CellarLog.class)).contains(stored).isEqualTo(expected);
        assertThat(api.get(PATH + "?limit=500&handId%5Bis%5D=" + PathKeys.join(stored.handId()))
                .asList(CellarLog.class)).isEqualTo(expected);
    }

    @Test
    @Tag("list")
    void filtersByTheOrderOfLoggedAtDivideTheList() throws SQLException {
        CellarLog stored = CellarLogSamples.inserted(connection);
        CellarLogSamples.inserted(connection);
        List<CellarLog> all = repository.list(connection, Page.first(500)).rows();
        String value = PathKeys.join(stored.loggedAt());

        assertThat(where("loggedAt", "less", value)).doesNotContain(stored).isSubsetOf(where("loggedAt", "not", value));
        assertThat(where("loggedAt", "greater", value)).doesNotContain(stored)
                .isSubsetOf(where("loggedAt", "not", value));
        assertThat(where("loggedAt", "less", value).size() + where("loggedAt", "atLeast", value).size())
                .isEqualTo(all.size());
        assertThat(where("loggedAt", "greater", value).size() + where("loggedAt", "atMost", value).size())
                .isEqualTo(all.size());
        assertThat(where("loggedAt", "in", value).size() + where("loggedAt", "not", value).size())
                .isEqualTo(all.size());
        assertThat(where("loggedAt", "isNull", "false")).isEqualTo(all);
        assertThat(where("loggedAt", "isNull", "true")).isEmpty();
    }

    private List<CellarLog> where(String property, String comparison, String value) {
        return api.get(PATH + "?limit=500&" + Api.encoded(property) + "[" + comparison + "]=" + value)
                .asList(CellarLog.class);
    }

    /** Reference CELLAR_LOG_HAND_FKEY: HAND_ID -&gt; CELLAR_HAND (ID). */
    @Test
    @Tag("rules")
    void handIdOfAMissingRowIsRefused() throws SQLException {
        CellarLogInput input = CellarLogSamples.sample(connection);

        assertRefused(Api.with(input, "handId", 2000000000), 422, "handId");
    }

    /** Not null ENTRY. */
    @Test
    @Tag("rules")
    void createWithoutEntryIsRefused() throws SQLException {
        CellarLogInput input = CellarLogSamples.sample(connection);

        assertRefused(Api.without(input, "entry"), 400, "entry");
    }

    /** Type VARCHAR(500) of ENTRY. */
    @Test
    @Tag("rules")
    void entryTooLongIsRefused() throws SQLException {
        CellarLogInput input = CellarLogSamples.sample(connection);

        assertRefused(Api.with(input, "entry", "x".repeat(501)), 400, "entry");
    }

    /** Default LOCALTIMESTAMP of LOGGED_AT. */
    @Test
    @Tag("rules")
    void loggedAtTakesItsDefault() throws SQLException {
        CellarLogInput input = CellarLogSamples.sample(connection);

        ApiAnswer answer = api.post(PATH, Api.without(input, "loggedAt"));

        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.body().hasNonNull("loggedAt")).isTrue();
    }

    /** Reference CELLAR_LOG_HAND_FKEY: HAND_ID -&gt; CELLAR_HAND (ID). */
    @Test
    @Tag("rules")
    void rowReferredToByHandIdCannotBeDeleted() throws SQLException {
        CellarLog stored = CellarLogSamples.inserted(connection);

        ApiAnswer answer = api.delete("/cellar-hands/" + PathKeys.join(stored.handId()));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.body().path("detail").textValue()).contains("cellar-logs");
        assertThat(repository.list(connection, Page.all()).rows()).contains(stored);
    }

    /** Asserts that a new row is refused on account of these fields, and that the table stays as it is. */
    private void assertRefused(Object body, int status, String... fields) throws SQLException {
        List<CellarLog> before = repository.list(connection, Page.all()).rows();

        ApiAnswer answer = api.post(PATH, body);

        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.violatedFields()).as(answer.text()).containsAll(List.of(fields));
        if (status == 400) {
            assertThat(answer.text()).as("the service knows the rule").doesNotContain("The database");
        }
        assertThat(repository.list(connection, Page.all()).rows()).isEqualTo(before);
    }
}
