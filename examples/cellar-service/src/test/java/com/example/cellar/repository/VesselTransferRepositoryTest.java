package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.VesselTransferInput;
import com.example.cellar.entity.VesselTransfer;
import com.example.cellar.samples.VesselTransferSamples;
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

class VesselTransferRepositoryTest {
    @RegisterExtension
    private final TestTransaction transaction = new TestTransaction();

    private final VesselTransferRepository repository = new VesselTransferRepository();

    @Test
    @Tag("repository")
    void insertStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        VesselTransferInput input = VesselTransferSamples.sample(connection);

        VesselTransfer stored = repository.insert(connection, input);

        assertStored(connection, stored, input);
        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    @Test
    @Tag("repository")
    void updateStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        VesselTransfer before = VesselTransferSamples.inserted(connection);
        VesselTransferSamples.inserted(connection);
        VesselTransferInput input = VesselTransferSamples.other(connection);
        List<VesselTransfer> others = new ArrayList<>(repository.list(connection, PageQuery.all()).rows());
        others.remove(before);

        assertThat(repository.update(connection, before.id(), input, Update.ALL)).isTrue();

        VesselTransfer after = repository.findById(connection, before.id()).orElseThrow();
        assertStored(connection, after, input);
        assertThat(repository.list(connection, PageQuery.all()).rows()).contains(after).containsAll(others);
    }

    @Test
    @Tag("repository")
    void deleteRemovesTheRowAndNoOther() throws SQLException {
        Connection connection = transaction.connection();
        VesselTransfer stored = VesselTransferSamples.inserted(connection);
        VesselTransferSamples.inserted(connection);
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
        VesselTransferSamples.inserted(connection);
        VesselTransferSamples.inserted(connection);
        List<VesselTransfer> all = repository.list(connection, PageQuery.all()).rows();

        assertThat(all).hasSize((int) repository.count(connection, Condition.NONE));
        assertThat(repository.list(connection, PageQuery.first(1)).rows()).isEqualTo(all.subList(0, 1));
        assertThat(repository.list(connection, PageQuery.first(1).after(all.get(0).id())).rows())
                .isEqualTo(all.subList(1, 2));
    }

    private static void assertStored(Connection connection, VesselTransfer stored, VesselTransferInput input)
            throws SQLException {
        TestRow row = TestRow.find(connection, Tables.VESSEL_TRANSFER, stored.id());
        assertThat(row.get("ID")).isEqualTo(stored.id());
        assertThat(row.get("from")).isEqualTo(input.from());
        assertThat(row.get("to")).isEqualTo(input.to());
        assertThat(row.get("LITRES")).isEqualTo(input.litres());
        assertThat(row.get("MOVED_AT")).isEqualTo(input.movedAt());
        assertThat(row.get("MOVED_BY")).isEqualTo(input.movedBy());
        assertThat(row.get("REASON")).isEqualTo(input.reason());
        assertThat(VesselTransferInput.of(stored)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
    }
}
