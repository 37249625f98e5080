package com.example.cellar.controller;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.GrapeVarietyInput;
import com.example.cellar.entity.GrapeVariety;
import com.example.cellar.repository.GrapeVarietyRepository;
import com.example.cellar.samples.GrapeVarietySamples;
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
        assertThat(answer.asList(GrapeVariety.class)).isEqualTo(repository.list(connection, Page.first(500)));
    }

    @Test
    @Tag("list")
    void pagesFollowEachOther() throws SQLException {
        GrapeVarietySamples.inserted(connection);
        GrapeVarietySamples.inserted(connection);
        List<GrapeVariety> rows = new ArrayList<>();

        int pages = api.eachPage(PATH + "?limit=3", page -> rows.addAll(page.asList(GrapeVariety.class)));

        assertThat(rows).isEqualTo(repository.list(connection, Page.all()));
        assertThat(pages).isEqualTo(Math.max(1, (rows.size() + 2) / 3));
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
    @Tag("read")
    void readReturnsTheRow() throws SQLException {
        GrapeVariety stored = GrapeVarietySamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.as(GrapeVariety.class)).isEqualTo(stored);
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

        ApiAnswer answer = api.patch(path(before), Api.only(other, "name"));

        assertThat(answer.status()).isEqualTo(200);
        GrapeVariety after = answer.as(GrapeVariety.class);
        assertThat(after.name()).isEqualTo(other.name());
        assertThat(GrapeVarietyInput.of(after)).usingRecursiveComparison().ignoringFields("name")
                .isEqualTo(GrapeVarietyInput.of(before));
        assertThat(repository.findById(connection, before.code())).contains(after);
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

    @Test
    @Tag("rules")
    void createWithoutCodeIsRefused() throws SQLException {
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.without(input, "code"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("code");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void createWithoutNameIsRefused() throws SQLException {
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.without(input, "name"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("name");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void createWithoutColourIsRefused() throws SQLException {
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.without(input, "colour"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("colour");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void tooLongCodeIsRefused() throws SQLException {
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.with(input, "code", "x".repeat(9)));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("code");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void tooLongNameIsRefused() throws SQLException {
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.with(input, "name", "x".repeat(61)));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("name");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void tooLongSynonymsIsRefused() throws SQLException {
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.with(input, "synonyms", "x".repeat(201)));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("synonyms");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void duplicateCodeIsRefused() throws SQLException {
        GrapeVariety stored = GrapeVarietySamples.inserted(connection);
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.copying(input, GrapeVarietyInput.of(stored), "code"));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void duplicateNameIsRefused() throws SQLException {
        GrapeVariety stored = GrapeVarietySamples.inserted(connection);
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.copying(input, GrapeVarietyInput.of(stored), "name"));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    private static String path(GrapeVariety grapeVariety) {
        return PATH + "/" + PathKeys.join(grapeVariety.code());
    }
}
