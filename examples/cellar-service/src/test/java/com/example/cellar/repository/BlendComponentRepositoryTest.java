package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.BlendComponentInput;
import com.example.cellar.entity.BlendComponent;
import com.example.cellar.samples.BlendComponentSamples;
import com.example.cellar.support.Api;
import com.example.cellar.support.Condition;
import com.example.cellar.support.InputReader;
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

class BlendComponentRepositoryTest {
    @RegisterExtension
    private final TestTransaction transaction = new TestTransaction();

    private final BlendComponentRepository repository = new BlendComponentRepository();

    @Test
    @Tag("repository")
    void insertStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        BlendComponentInput input = BlendComponentSamples.sample(connection);

        BlendComponent stored = repository.insert(connection, input);

        assertStored(connection, stored, input);
        assertThat(repository.findById(connection, stored.primaryKey())).contains(stored);
    }

    @Test
    @Tag("repository")
    void updateStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        BlendComponent before = BlendComponentSamples.inserted(connection);
        insertBeside(connection, before);
        BlendComponentInput input = BlendComponentSamples.other(connection);
        List<BlendComponent> others = new ArrayList<>(repository.list(connection, PageQuery.all()).rows());
        others.remove(before);

        assertThat(repository.update(connection, before.primaryKey(), input, Update.ALL)).isTrue();

        BlendComponent after = repository.findById(connection, before.primaryKey()).orElseThrow();
        assertStored(connection, after, input);
        assertThat(repository.list(connection, PageQuery.all()).rows()).contains(after).containsAll(others);
    }

    @Test
    @Tag("repository")
    void deleteRemovesTheRowAndNoOther() throws SQLException {
        Connection connection = transaction.connection();
        BlendComponent stored = BlendComponentSamples.inserted(connection);
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
        BlendComponentSamples.inserted(connection);
        BlendComponentSamples.inserted(connection);
        List<BlendComponent> all = repository.list(connection, PageQuery.all()).rows();

        assertThat(all).hasSize((int) repository.count(connection, Condition.NONE));
        assertThat(repository.list(connection, PageQuery.first(1)).rows()).isEqualTo(all.subList(0, 1));
        assertThat(repository.list(connection, PageQuery.first(1).after(all.get(0).blendId(), all.get(0).wineLotId()))
                .rows()).isEqualTo(all.subList(1, 2));
    }

    /** Inserts rows that have parts of their keys in common with a stored one. */
    private void insertBeside(Connection connection, BlendComponent stored) throws SQLException {
        for (String part : List.of("blendId", "wineLotId")) {
            repository.insert(connection, InputReader.read(
                    Api.copying(BlendComponentSamples.sample(connection), BlendComponentInput.of(stored), part),
                            BlendComponentInput.class));
        }
    }

    private static void assertStored(Connection connection, BlendComponent stored, BlendComponentInput input)
            throws SQLException {
        TestRow row = TestRow.find(connection, Tables.BLEND_COMPONENT, stored.blendId(), stored.wineLotId());
        assertThat(row.get("BLEND_ID")).isEqualTo(stored.blendId());
        assertThat(row.get("WINE_LOT_ID")).isEqualTo(stored.wineLotId());
        assertThat(row.get("SHARE")).isEqualTo(input.share());
        assertThat(BlendComponentInput.of(stored)).usingRecursiveComparison().ignoringFields("blendId", "wineLotId")
                .isEqualTo(input);
    }
}
