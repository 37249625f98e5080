package com.example.cellar.controller;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.CellarHandInput;
import com.example.cellar.entity.CellarHand;
import com.example.cellar.repository.CellarHandRepository;
import com.example.cellar.samples.CellarHandSamples;
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
        assertThat(answer.asList(CellarHand.class)).isEqualTo(repository.list(connection, Page.first(500)));
    }

    @Test
    @Tag("list")
    void pagesFollowEachOther() throws SQLException {
        CellarHandSamples.inserted(connection);
        CellarHandSamples.inserted(connection);
        List<CellarHand> rows = new ArrayList<>();

        int pages = api.eachPage(PATH + "?limit=3", page -> rows.addAll(page.asList(CellarHand.class)));

        assertThat(rows).isEqualTo(repository.list(connection, Page.all()));
        assertThat(pages).isEqualTo(Math.max(1, (rows.size() + 2) / 3));
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
    @Tag("read")
    void readReturnsTheRow() throws SQLException {
        CellarHand stored = CellarHandSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.as(CellarHand.class)).isEqualTo(stored);
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

        ApiAnswer answer = api.patch(path(before), Api.only(other, "fullName"));

        assertThat(answer.status()).isEqualTo(200);
        CellarHand after = answer.as(CellarHand.class);
        assertThat(after.fullName()).isEqualTo(other.fullName());
        assertThat(CellarHandInput.of(after)).usingRecursiveComparison().ignoringFields("fullName")
                .isEqualTo(CellarHandInput.of(before));
        assertThat(repository.findById(connection, before.id())).contains(after);
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

    @Test
    @Tag("rules")
    void createWithoutFullNameIsRefused() throws SQLException {
        CellarHandInput input = CellarHandSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.without(input, "fullName"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("fullName");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void createWithoutEmailIsRefused() throws SQLException {
        CellarHandInput input = CellarHandSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.without(input, "email"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("email");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void createWithoutHiredOnIsRefused() throws SQLException {
        CellarHandInput input = CellarHandSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.without(input, "hiredOn"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("hiredOn");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void createWithoutShiftStartsIsRefused() throws SQLException {
        CellarHandInput input = CellarHandSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.without(input, "shiftStarts"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("shiftStarts");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void tooLongFullNameIsRefused() throws SQLException {
        CellarHandInput input = CellarHandSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.with(input, "fullName", "x".repeat(81)));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("fullName");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void tooLongEmailIsRefused() throws SQLException {
        CellarHandInput input = CellarHandSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.with(input, "email", "x".repeat(121)));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("email");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void duplicateEmailIsRefused() throws SQLException {
        CellarHand stored = CellarHandSamples.inserted(connection);
        CellarHandInput input = CellarHandSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.copying(input, CellarHandInput.of(stored), "email"));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void supervisorIdOfAMissingRowIsRefused() throws SQLException {
        CellarHandInput input = CellarHandSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.with(input, "supervisorId", 2000000000));

        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.violatedFields()).contains("supervisorId");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    private static String path(CellarHand cellarHand) {
        return PATH + "/" + PathKeys.join(cellarHand.id());
    }
}
