package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.VesselInput;
import com.example.cellar.entity.Vessel;
import com.example.cellar.samples.VesselSamples;
import com.example.cellar.support.Condition;
import com.example.cellar.support.PageQuery;
import com.example.cellar.support.Sql;
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

class VesselRepositoryTest {
    @RegisterExtension
    private final TestTransaction transaction = new TestTransaction();

    private final VesselRepository repository = new VesselRepository();

    @Test
    @Tag("repository")
    void insertStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        VesselInput input = VesselSamples.sample(connection);

        Vessel stored = repository.insert(connection, input);

        assertStored(connection, stored, input);
        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    @Test
    @Tag("repository")
    void updateStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        Vessel before = VesselSamples.inserted(connection);
        VesselSamples.inserted(connection);
        VesselInput input = VesselSamples.other(connection);
        List<Vessel> others = new ArrayList<>(repository.list(connection, PageQuery.all()).rows());
        others.remove(before);

        assertThat(repository.update(connection, before.id(), input, Update.ALL)).isTrue();

        Vessel after = repository.findById(connection, before.id()).orElseThrow();
        assertStored(connection, after, input);
        assertThat(repository.list(connection, PageQuery.all()).rows()).contains(after).containsAll(others);
    }

    @Test
    @Tag("repository")
    void deleteRemovesTheRowAndNoOther() throws SQLException {
        Connection connection = transaction.connection();
        Vessel stored = VesselSamples.inserted(connection);
        VesselSamples.inserted(connection);
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
        VesselSamples.inserted(connection);
        VesselSamples.inserted(connection);
        List<Vessel> all = repository.list(connection, PageQuery.all()).rows();

        assertThat(all).hasSize((int) repository.count(connection, Condition.NONE));
        assertThat(repository.list(connection, PageQuery.first(1)).rows()).isEqualTo(all.subList(0, 1));
        assertThat(repository.list(connection, PageQuery.first(1).after(all.get(0).id())).rows())
                .isEqualTo(all.subList(1, 2));
    }

    private static void assertStored(Connection connection, Vessel stored, VesselInput input) throws SQLException {
        TestRow row = TestRow.find(connection, Tables.VESSEL, stored.id());
        assertThat(row.get("ID")).isEqualTo(stored.id());
        assertThat(row.get("CODE")).isEqualTo(input.code());
        assertThat(row.get("KIND")).isEqualTo(Sql.databaseValue(input.kind()));
        assertThat(row.get("CAPACITY_LITRES")).isEqualTo(input.capacityLitres());
        assertThat(row.get("TOAST")).isEqualTo(Sql.databaseValue(input.toast()));
        assertThat(row.get("BOUGHT_ON")).isEqualTo(input.boughtOn());
        assertThat(row.get("IN_USE")).isEqualTo(input.inUse());
        assertThat(VesselInput.of(stored)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
    }
}
