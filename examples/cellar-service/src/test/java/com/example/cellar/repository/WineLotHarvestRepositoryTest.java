package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.WineLotHarvestInput;
import com.example.cellar.entity.WineLotHarvest;
import com.example.cellar.samples.WineLotHarvestSamples;
import com.example.cellar.support.Api;
import com.example.cellar.support.Condition;
import com.example.cellar.support.InputReader;
import com.example.cellar.support.PageQuery;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRow;
import com.example.cellar.support.TestTransaction;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

class WineLotHarvestRepositoryTest {
    @RegisterExtension
    private final TestTransaction transaction = new TestTransaction();

    private final WineLotHarvestRepository repository = new WineLotHarvestRepository();

    @Test
    @Tag("repository")
    void insertStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        WineLotHarvestInput input = WineLotHarvestSamples.sample(connection);

        WineLotHarvest stored = repository.insert(connection, input);

        assertStored(connection, stored, input);
        assertThat(repository.findById(connection, stored.primaryKey())).contains(stored);
    }

    @Test
    @Tag("repository")
    void deleteRemovesTheRowAndNoOther() throws SQLException {
        Connection connection = transaction.connection();
        WineLotHarvest stored = WineLotHarvestSamples.inserted(connection);
        insertBeside(connection, stored);
        long rows = repository.count(connection, Condition.NONE);

        assertThat(repository.delete(connection, stored.primaryKey())).isTrue();

        assertThat(repository.findById(connection, stored.primaryKey())).isEmpty();
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows - 1);
        assertThat(repository.delete(connection, stored.primaryKey())).isFalse();
    }

    @Test
    @Tag("repository")
    void listGoesOnAfterAKey() throws SQLException {
        Connection connection = transaction.connection();
        WineLotHarvestSamples.inserted(connection);
        WineLotHarvestSamples.inserted(connection);
        List<WineLotHarvest> all = repository.list(connection, PageQuery.all()).rows();

        assertThat(all).hasSize((int) repository.count(connection, Condition.NONE));
        assertThat(repository.list(connection, PageQuery.first(1)).rows()).isEqualTo(all.subList(0, 1));
        assertThat(repository.list(connection, PageQuery.first(1).after(all.get(0).wineLotId(), all.get(0).harvestId()))
                .rows()).isEqualTo(all.subList(1, 2));
    }

    /** Inserts rows that have parts of their keys in common with a stored one. */
    private void insertBeside(Connection connection, WineLotHarvest stored) throws SQLException {
        for (String part : List.of("wineLotId", "harvestId")) {
            repository.insert(connection, InputReader.read(
                    Api.copying(WineLotHarvestSamples.sample(connection), WineLotHarvestInput.of(stored), part),
                            WineLotHarvestInput.class));
        }
    }

    private static void assertStored(Connection connection, WineLotHarvest stored, WineLotHarvestInput input)
            throws SQLException {
        TestRow row = TestRow.find(connection, Tables.WINE_LOT_HARVEST, stored.wineLotId(), stored.harvestId());
        assertThat(row.get("WINE_LOT_ID")).isEqualTo(stored.wineLotId());
        assertThat(row.get("HARVEST_ID")).isEqualTo(stored.harvestId());
        assertThat(WineLotHarvestInput.of(stored)).usingRecursiveComparison().ignoringFields("wineLotId", "harvestId")
                .isEqualTo(input);
    }
}
