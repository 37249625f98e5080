package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.LabAnalysisInput;
import com.example.cellar.entity.LabAnalysis;
import com.example.cellar.samples.LabAnalysisSamples;
import com.example.cellar.support.Condition;
import com.example.cellar.support.PageQuery;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRow;
import com.example.cellar.support.TestTransaction;
import com.example.cellar.support.Update;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

class LabAnalysisRepositoryTest {
    @RegisterExtension
    private final TestTransaction transaction = new TestTransaction();

    private final LabAnalysisRepository repository = new LabAnalysisRepository();

    @Test
    @Tag("repository")
    void insertStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        LabAnalysisInput input = LabAnalysisSamples.sample(connection);

        LabAnalysis stored = repository.insert(connection, input);

        assertStored(connection, stored, input);
        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    @Test
    @Tag("repository")
    void updateStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        LabAnalysis before = LabAnalysisSamples.inserted(connection);
        LabAnalysisSamples.inserted(connection);
        LabAnalysisInput input = LabAnalysisSamples.other(connection);
        List<LabAnalysis> others = new ArrayList<>(repository.list(connection, PageQuery.all()).rows());
        others.remove(before);

        assertThat(repository.update(connection, before.id(), input, Update.ALL)).isTrue();

        LabAnalysis after = repository.findById(connection, before.id()).orElseThrow();
        assertStored(connection, after, input);
        assertThat(repository.list(connection, PageQuery.all()).rows()).contains(after).containsAll(others);
    }

    @Test
    @Tag("repository")
    void deleteRemovesTheRowAndNoOther() throws SQLException {
        Connection connection = transaction.connection();
        LabAnalysis stored = LabAnalysisSamples.inserted(connection);
        LabAnalysisSamples.inserted(connection);
        long rows = repository.count(connection, Condition.NONE);

        assertThat(repository.delete(connection, stored.id())).isTrue();

        assertThat(repository.findById(connection, stored.id())).isEmpty();
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows - 1);
        assertThat(repository.delete(connection, stored.id())).isFalse();
    }

    @Test
    @Tag("repository")
    void listGoesOnAfterAKey() throws SQLException {
        Connection connection = transaction.connection();
        LabAnalysisSamples.inserted(connection);
        LabAnalysisSamples.inserted(connection);
        List<LabAnalysis> all = repository.list(connection, PageQuery.all()).rows();

        assertThat(all).hasSize((int) repository.count(connection, Condition.NONE));
        assertThat(repository.list(connection, PageQuery.first(1)).rows()).isEqualTo(all.subList(0, 1));
        assertThat(repository.list(connection, PageQuery.first(1).after(all.get(0).id())).rows())
                .isEqualTo(all.subList(1, 2));
    }

    private static void assertStored(Connection connection, LabAnalysis stored, LabAnalysisInput input)
            throws SQLException {
        TestRow row = TestRow.find(connection, Tables.LAB_ANALYSIS, stored.id());
        assertThat(row.get("ID")).isEqualTo(stored.id());
        assertThat(row.get("WINE_LOT_ID")).isEqualTo(input.wineLotId());
        assertThat(row.get("TAKEN_AT")).isEqualTo(input.takenAt());
        assertThat(row.get("PH")).isEqualTo(input.ph());
        assertThat(row.get("ALCOHOL_VOLUME")).isEqualTo(input.alcoholVolume());
        assertThat(row.get("CELSIUS")).isEqualTo(input.celsius());
        assertThat(row.get("READINGS")).isEqualTo(input.readings());
        assertThat(row.get("REMARKS")).isEqualTo(input.remarks());
        assertThat(LabAnalysisInput.of(stored)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
    }
}
