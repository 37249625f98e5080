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
    @Tag("rules")
    void createWithoutEntryIsRefused() throws SQLException {
        CellarLogInput input = CellarLogSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.without(input, "entry"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("entry");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void tooLongEntryIsRefused() throws SQLException {
        CellarLogInput input = CellarLogSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.with(input, "entry", "x".repeat(501)));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("entry");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void handIdOfAMissingRowIsRefused() throws SQLException {
        CellarLogInput input = CellarLogSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.with(input, "handId", 2000000000));

        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.violatedFields()).contains("handId");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void rowReferredToByHandIdCannotBeDeleted() throws SQLException {
        CellarLog stored = CellarLogSamples.inserted(connection);

        ApiAnswer answer = api.delete("/cellar-hands" + "/" + PathKeys.join(stored.handId()));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.body().path("detail").textValue()).contains("cellar-logs");
        assertThat(repository.list(connection, Page.all()).rows()).contains(stored);
    }
}
