package com.example.cellar.controller;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.LabAnalysisInput;
import com.example.cellar.entity.LabAnalysis;
import com.example.cellar.repository.LabAnalysisRepository;
import com.example.cellar.samples.LabAnalysisSamples;
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
import java.util.UUID;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

class LabAnalysisControllerTest {
    private static final String PATH = "/lab-analyses";

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.VESSEL,
            Tables.WINE_LOT,
            Tables.LAB_ANALYSIS);

    private final LabAnalysisRepository repository = new LabAnalysisRepository();
    private final Api api = SERVICE.api();
    private final Connection connection = SERVICE.connection();

    @Test
    @Tag("list")
    void listReturnsTheRowsOfTheTable() throws SQLException {
        ApiAnswer answer = api.get(PATH + "?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.asList(LabAnalysis.class)).isEqualTo(repository.list(connection, Page.first(500)));
    }

    @Test
    @Tag("list")
    void pagesFollowEachOther() throws SQLException {
        LabAnalysisSamples.inserted(connection);
        LabAnalysisSamples.inserted(connection);
        List<LabAnalysis> rows = new ArrayList<>();

        int pages = api.eachPage(PATH + "?limit=3", page -> rows.addAll(page.asList(LabAnalysis.class)));

        assertThat(rows).isEqualTo(repository.list(connection, Page.all()));
        assertThat(pages).isEqualTo(Math.max(1, (rows.size() + 2) / 3));
    }

    @Test
    @Tag("create")
    void createStoresTheRowAndReturnsIt() throws SQLException {
        LabAnalysisInput input = LabAnalysisSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, input);

        assertThat(answer.status()).isEqualTo(201);
        LabAnalysis created = answer.as(LabAnalysis.class);
        assertThat(LabAnalysisInput.of(created)).usingRecursiveComparison().ignoringExpectedNullFields()
                .isEqualTo(input);
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows + 1);
        assertThat(api.at(answer.header("Location")).as(LabAnalysis.class)).isEqualTo(created);
        assertThat(repository.findById(connection, created.id())).contains(created);
    }

    @Test
    @Tag("read")
    void readReturnsTheRow() throws SQLException {
        LabAnalysis stored = LabAnalysisSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.as(LabAnalysis.class)).isEqualTo(stored);
    }

    @Test
    @Tag("read")
    void includeWineLotEmbedsTheRow() throws SQLException {
        LabAnalysis stored = LabAnalysisSamples.inserted(connection);

        ApiAnswer answer = api.get(path(stored) + "?include=wineLot");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body().get("wineLot"))
                .isEqualTo(api.get("/wine-lots/" + PathKeys.join(stored.wineLotId())).body());
    }

    @Test
    @Tag("list")
    void listLabAnalysesOfWineLotNarrows() throws SQLException {
        LabAnalysis stored = LabAnalysisSamples.inserted(connection);
        LabAnalysisSamples.inserted(connection);

        ApiAnswer answer = api.get("/wine-lots/" + PathKeys.join(stored.wineLotId()) + "/lab-analyses?limit=500");

        assertThat(answer.status()).isEqualTo(200);
        List<LabAnalysis> expected = repository.list(connection, Page.all()).stream()
                .filter(row -> Objects.equals(row.wineLotId(), stored.wineLotId()))
                .toList();
        assertThat(answer.asList(LabAnalysis.class)).contains(stored).isEqualTo(expected);
    }

    @Test
    @Tag("replace")
    void replaceStoresEveryField() throws SQLException {
        LabAnalysis before = LabAnalysisSamples.inserted(connection);
        LabAnalysisInput input = LabAnalysisSamples.other(connection);

        ApiAnswer answer = api.put(path(before), Api.without(input, "id"));

        assertThat(answer.status()).isEqualTo(200);
        LabAnalysis after = answer.as(LabAnalysis.class);
        assertThat(LabAnalysisInput.of(after)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
        assertThat(repository.findById(connection, before.id())).contains(after);
    }

    @Test
    @Tag("replace")
    void replaceRefusesAnotherKey() throws SQLException {
        LabAnalysis before = LabAnalysisSamples.inserted(connection);
        LabAnalysis another = LabAnalysisSamples.inserted(connection);

        ApiAnswer answer = api.put(path(before), LabAnalysisInput.of(another));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).contains("id");
        assertThat(repository.findById(connection, before.id())).contains(before);
    }

    @Test
    @Tag("patch")
    void patchChangesOneFieldAndNoOther() throws SQLException {
        LabAnalysis before = LabAnalysisSamples.inserted(connection);
        LabAnalysisInput other = LabAnalysisSamples.other(connection);

        ApiAnswer answer = api.patch(path(before), Api.only(other, "wineLotId"));

        assertThat(answer.status()).isEqualTo(200);
        LabAnalysis after = answer.as(LabAnalysis.class);
        assertThat(after.wineLotId()).isEqualTo(other.wineLotId());
        assertThat(LabAnalysisInput.of(after)).usingRecursiveComparison().ignoringFields("wineLotId")
                .isEqualTo(LabAnalysisInput.of(before));
        assertThat(repository.findById(connection, before.id())).contains(after);
    }

    @Test
    @Tag("delete")
    void deleteRemovesTheRow() throws SQLException {
        LabAnalysis stored = LabAnalysisSamples.inserted(connection);

        assertThat(api.delete(path(stored)).status()).isEqualTo(204);

        assertThat(repository.findById(connection, stored.id())).isEmpty();
        assertThat(api.get(path(stored)).status()).isEqualTo(404);
        assertThat(api.delete(path(stored)).status()).isEqualTo(404);
    }

    @Test
    @Tag("rules")
    void createWithoutWineLotIdIsRefused() throws SQLException {
        LabAnalysisInput input = LabAnalysisSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.without(input, "wineLotId"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("wineLotId");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void createWithoutTakenAtIsRefused() throws SQLException {
        LabAnalysisInput input = LabAnalysisSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.without(input, "takenAt"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.violatedFields()).containsOnly("takenAt");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    @Test
    @Tag("rules")
    void wineLotIdOfAMissingRowIsRefused() throws SQLException {
        LabAnalysisInput input = LabAnalysisSamples.sample(connection);
        long rows = repository.count(connection, Condition.NONE);

        ApiAnswer answer = api.post(PATH, Api.with(input, "wineLotId", new UUID(-1, -1)));

        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.violatedFields()).contains("wineLotId");
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows);
    }

    private static String path(LabAnalysis labAnalysis) {
        return PATH + "/" + PathKeys.join(labAnalysis.id());
    }
}
