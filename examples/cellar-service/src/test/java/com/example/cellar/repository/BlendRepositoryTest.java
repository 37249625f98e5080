package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.BlendInput;
import com.example.cellar.entity.Blend;
import com.example.cellar.samples.BlendSamples;
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

class BlendRepositoryTest {
    @RegisterExtension
    private final TestTransaction transaction = new TestTransaction();

    private final BlendRepository repository = new BlendRepository();

    @Test
    @Tag("repository")
    void insertStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        BlendInput input = BlendSamples.sample(connection);

        Blend stored = repository.insert(connection, input);

        assertStored(connection, stored, input);
        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    @Test
    @Tag("repository")
    void updateStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        Blend before = BlendSamples.inserted(connection);
        BlendSamples.inserted(connection);
        BlendInput input = BlendSamples.other(connection);
        List<Blend> others = new ArrayList<>(repository.list(connection, PageQuery.all()).rows());
        others.remove(before);

        assertThat(repository.update(connection, before.id(), input, Update.ALL)).isTrue();

        Blend after = repository.findById(connection, before.id()).orElseThrow();
        assertStored(connection, after, input);
        assertThat(repository.list(connection, PageQuery.all()).rows()).contains(after).containsAll(others);
    }

    @Test
    @Tag("repository")
    void deleteRemovesTheRowAndNoOther() throws SQLException {
        Connection connection = transaction.connection();
        Blend stored = BlendSamples.inserted(connection);
        BlendSamples.inserted(connection);
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
        BlendSamples.inserted(connection);
        BlendSamples.inserted(connection);
        List<Blend> all = repository.list(connection, PageQuery.all()).rows();

        assertThat(all).hasSize((int) repository.count(connection, Condition.NONE));
        assertThat(repository.list(connection, PageQuery.first(1)).rows()).isEqualTo(all.subList(0, 1));
        assertThat(repository.list(connection, PageQuery.first(1).after(all.get(0).id())).rows())
                .isEqualTo(all.subList(1, 2));
    }

    private static void assertStored(Connection connection, Blend stored, BlendInput input) throws SQLException {
        TestRow row = TestRow.find(connection, Tables.BLEND, stored.id());
        assertThat(row.get("ID")).isEqualTo(stored.id());
        assertThat(row.get("NAME")).isEqualTo(input.name());
        assertThat(row.get("VINTAGE")).isEqualTo(input.vintage());
        assertThat(row.get("BLENDED_ON")).isEqualTo(input.blendedOn());
        assertThat(row.get("TASTING_NOTES")).isEqualTo(input.tastingNotes());
        assertThat(row.get("APPROVED_BY")).isEqualTo(input.approvedBy());
        assertThat(BlendInput.of(stored)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
    }
}
