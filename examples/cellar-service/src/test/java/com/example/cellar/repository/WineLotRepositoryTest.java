package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.WineLotInput;
import com.example.cellar.entity.WineLot;
import com.example.cellar.samples.WineLotSamples;
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

class WineLotRepositoryTest {
    @RegisterExtension
    private final TestTransaction transaction = new TestTransaction();

    private final WineLotRepository repository = new WineLotRepository();

    @Test
    @Tag("repository")
    void insertStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        WineLotInput input = WineLotSamples.sample(connection);

        WineLot stored = repository.insert(connection, input);

        assertStored(connection, stored, input);
        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    @Test
    @Tag("repository")
    void updateStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        WineLot before = WineLotSamples.inserted(connection);
        WineLotSamples.inserted(connection);
        WineLotInput input = WineLotSamples.other(connection);
        List<WineLot> others = new ArrayList<>(repository.list(connection, PageQuery.all()).rows());
        others.remove(before);

        assertThat(repository.update(connection, before.id(), input, Update.ALL)).isTrue();

        WineLot after = repository.findById(connection, before.id()).orElseThrow();
        assertStored(connection, after, input);
        assertThat(repository.list(connection, PageQuery.all()).rows()).contains(after).containsAll(others);
    }

    @Test
    @Tag("repository")
    void deleteRemovesTheRowAndNoOther() throws SQLException {
        Connection connection = transaction.connection();
        WineLot stored = WineLotSamples.inserted(connection);
        WineLotSamples.inserted(connection);
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
        WineLotSamples.inserted(connection);
        WineLotSamples.inserted(connection);
        List<WineLot> all = repository.list(connection, PageQuery.all()).rows();

        assertThat(all).hasSize((int) repository.count(connection, Condition.NONE));
        assertThat(repository.list(connection, PageQuery.first(1)).rows()).isEqualTo(all.subList(0, 1));
        assertThat(repository.list(connection, PageQuery.first(1).after(all.get(0).id())).rows())
                .isEqualTo(all.subList(1, 2));
    }

    private static void assertStored(Connection connection, WineLot stored, WineLotInput input) throws SQLException {
        TestRow row = TestRow.find(connection, Tables.WINE_LOT, stored.id());
        assertThat(row.get("ID")).isEqualTo(stored.id());
        assertThat(row.get("NAME")).isEqualTo(input.name());
        assertThat(row.get("VINTAGE")).isEqualTo(input.vintage());
        assertThat(row.get("VESSEL_ID")).isEqualTo(input.vesselId());
        assertThat(row.get("LITRES")).isEqualTo(input.litres());
        assertThat(row.get("FILLED_ON")).isEqualTo(input.filledOn());
        assertThat(row.get("EMPTIED_ON")).isEqualTo(input.emptiedOn());
        assertThat(row.get("CREATED_AT")).isEqualTo(input.createdAt());
        assertThat(WineLotInput.of(stored)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
    }
}
