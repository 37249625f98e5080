package com.example.cellar.controller;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.BlendInput;
import com.example.cellar.entity.Blend;
import com.example.cellar.repository.BlendRepository;
import com.example.cellar.samples.BlendSamples;
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
        assertThat(answer.asList(Blend.class)).isEqualTo(repository.list(connection, Page.first(500)));
    }

    @Test
    @Tag("list")
    void pagesFollowEachOther() throws SQLException {
        BlendSamples.inserted(connection);
        BlendSamples.inserted(connection);
        List<Blend> rows = new ArrayList<>();

        int pages = api.eachPage(PATH + "?limit=3", page -> rows.addAll(page.asList(Blend.class)));

        assertThat(rows).isEqualTo(repository.list(connection, Page.all()));
        assertThat(pages).isEqualTo(Math.max(1, (rows.size() + 2) / 3));
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
    @Tag("read")
    void readReturnsTheRow() throws SQLException {
        Blend stored = BlendSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.as(Blend.class)).isEqualTo(stored);
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
        List<Blend> expected = repository.list(connection, Page.all()).stream()
                .filter(row -> Objects.equals(row.approvedBy(), stored.approvedBy()))
                .toList();
        assertThat(answer.asList(Blend.class)).contains(stored).isEqualTo(expected);
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

        ApiAnswer answer = api.patch(path(before), Api.only(other, "name"));

        assertThat(answer.status()).isEqualTo(200);
        Blend after = answer.as(Blend.class);
        assertThat(after.name()).isEqualTo(other.name());
        assertThat(BlendInput.of(after)).usingRecursiveComparison().ignoringFields("name")
                .isEqualTo(BlendInput.of(before));
        assertThat(repository.findById(connection, before.id())).contains(after);
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

    @Test
    @Tag("rules")
    void createWithoutNameIsRefused() throws SQLException {
        BlendInput input = BlendSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.without(input, "name"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("name");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void createWithoutBlendedOnIsRefused() throws SQLException {
        BlendInput input = BlendSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.without(input, "blendedOn"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("blendedOn");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void tooLongNameIsRefused() throws SQLException {
        BlendInput input = BlendSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.with(input, "name", "x".repeat(81)));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("name");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void duplicateNameAndVintageIsRefused() throws SQLException {
        Blend stored = BlendSamples.inserted(connection);
        BlendInput input = BlendSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.copying(input, BlendInput.of(stored), "name", "vintage"));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void approvedByOfAMissingRowIsRefused() throws SQLException {
        BlendInput input = BlendSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.with(input, "approvedBy", 2000000000));

        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.violatedFields()).contains("approvedBy");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void rowReferredToByApprovedByCannotBeDeleted() throws SQLException {
        Blend stored = BlendSamples.inserted(connection);

        ApiAnswer answer = api.delete("/cellar-hands" + "/" + PathKeys.join(stored.approvedBy()));

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.body().path("detail").textValue()).contains("blends");
        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    private static String path(Blend blend) {
        return PATH + "/" + PathKeys.join(blend.id());
    }
}
