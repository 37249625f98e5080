package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.HarvestInput;
import com.example.cellar.entity.Harvest;
import com.example.cellar.samples.HarvestSamples;
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

class HarvestRepositoryTest {
    @RegisterExtension
    private final TestTransaction transaction = new TestTransaction();

    private final HarvestRepository repository = new HarvestRepository();

    @Test
    @Tag("repository")
    void insertStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        HarvestInput input = HarvestSamples.sample(connection);

        Harvest stored = repository.insert(connection, input);

        assertStored(connection, stored, input);
        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    @Test
    @Tag("repository")
    void updateStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        Harvest before = HarvestSamples.inserted(connection);
        HarvestSamples.inserted(connection);
        HarvestInput input = HarvestSamples.other(connection);
        List<Harvest> others = new ArrayList<>(repository.list(connection, PageQuery.all()).rows());
        others.remove(before);

        assertThat(repository.update(connection, before.id(), input, Update.ALL)).isTrue();

        Harvest after = repository.findById(connection, before.id()).orElseThrow();
        assertStored(connection, after, input);
        assertThat(repository.list(connection, PageQuery.all()).rows()).contains(after).containsAll(others);
    }

    @Test
    @Tag("repository")
    void deleteRemovesTheRowAndNoOther() throws SQLException {
        Connection connection = transaction.connection();
        Harvest stored = HarvestSamples.inserted(connection);
        HarvestSamples.inserted(connection);
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
        HarvestSamples.inserted(connection);
        HarvestSamples.inserted(connection);
        List<Harvest> all = repository.list(connection, PageQuery.all()).rows();

        assertThat(all).hasSize((int) repository.count(connection, Condition.NONE));
        assertThat(repository.list(connection, PageQuery.first(1)).rows()).isEqualTo(all.subList(0, 1));
        assertThat(repository.list(connection, PageQuery.first(1).after(all.get(0).id())).rows())
                .isEqualTo(all.subList(1, 2));
    }

    private static void assertStored(Connection connection, Harvest stored, HarvestInput input) throws SQLException {
        TestRow row = TestRow.find(connection, Tables.HARVEST, stored.id());
        assertThat(row.get("ID")).isEqualTo(stored.id());
        assertThat(row.get("PARCEL_ID")).isEqualTo(input.parcelId());
        assertThat(row.get("PICKED_ON")).isEqualTo(input.pickedOn());
        assertThat(row.get("WEIGHT_KG")).isEqualTo(input.weightKg());
        assertThat(row.get("BRIX")).isEqualTo(input.brix());
        assertThat(row.get("BY_MACHINE")).isEqualTo(input.byMachine());
        assertThat(row.get("PICKED_BY")).isEqualTo(input.pickedBy());
        assertThat(HarvestInput.of(stored)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
    }
}
