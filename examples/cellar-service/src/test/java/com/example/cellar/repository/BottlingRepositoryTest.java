package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.BottlingInput;
import com.example.cellar.entity.Bottling;
import com.example.cellar.samples.BottlingSamples;
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

class BottlingRepositoryTest {
    @RegisterExtension
    private final TestTransaction transaction = new TestTransaction();

    private final BottlingRepository repository = new BottlingRepository();

    @Test
    @Tag("repository")
    void insertStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        BottlingInput input = BottlingSamples.sample(connection);

        Bottling stored = repository.insert(connection, input);

        assertStored(connection, stored, input);
        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    @Test
    @Tag("repository")
    void updateStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        Bottling before = BottlingSamples.inserted(connection);
        BottlingSamples.inserted(connection);
        BottlingInput input = BottlingSamples.other(connection);
        List<Bottling> others = new ArrayList<>(repository.list(connection, PageQuery.all()).rows());
        others.remove(before);

        assertThat(repository.update(connection, before.id(), input, Update.ALL)).isTrue();

        Bottling after = repository.findById(connection, before.id()).orElseThrow();
        assertStored(connection, after, input);
        assertThat(repository.list(connection, PageQuery.all()).rows()).contains(after).containsAll(others);
    }

    @Test
    @Tag("repository")
    void deleteRemovesTheRowAndNoOther() throws SQLException {
        Connection connection = transaction.connection();
        Bottling stored = BottlingSamples.inserted(connection);
        BottlingSamples.inserted(connection);
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
        BottlingSamples.inserted(connection);
        BottlingSamples.inserted(connection);
        List<Bottling> all = repository.list(connection, PageQuery.all()).rows();

        assertThat(all).hasSize((int) repository.count(connection, Condition.NONE));
        assertThat(repository.list(connection, PageQuery.first(1)).rows()).isEqualTo(all.subList(0, 1));
        assertThat(repository.list(connection, PageQuery.first(1).after(all.get(0).id())).rows())
                .isEqualTo(all.subList(1, 2));
    }

    private static void assertStored(Connection connection, Bottling stored, BottlingInput input) throws SQLException {
        TestRow row = TestRow.find(connection, Tables.BOTTLING, stored.id());
        assertThat(row.get("ID")).isEqualTo(stored.id());
        assertThat(row.get("BLEND_ID")).isEqualTo(input.blendId());
        assertThat(row.get("LABEL_ID")).isEqualTo(input.labelId());
        assertThat(row.get("BOTTLED_ON")).isEqualTo(input.bottledOn());
        assertThat(row.get("BOTTLE_ML")).isEqualTo(input.bottleMl());
        assertThat(row.get("BOTTLES")).isEqualTo(input.bottles());
        assertThat(row.get("PRICE")).isEqualTo(input.price());
        assertThat(row.get("CLOSED_WITH")).isEqualTo(Sql.databaseValue(input.closedWith()));
        assertThat(BottlingInput.of(stored)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
    }
}
