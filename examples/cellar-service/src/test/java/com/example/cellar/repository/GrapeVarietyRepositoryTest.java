package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.GrapeVarietyInput;
import com.example.cellar.entity.GrapeVariety;
import com.example.cellar.samples.GrapeVarietySamples;
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

class GrapeVarietyRepositoryTest {
    @RegisterExtension
    private final TestTransaction transaction = new TestTransaction();

    private final GrapeVarietyRepository repository = new GrapeVarietyRepository();

    @Test
    @Tag("repository")
    void insertStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        GrapeVarietyInput input = GrapeVarietySamples.sample(connection);

        GrapeVariety stored = repository.insert(connection, input);

        assertStored(connection, stored, input);
        assertThat(repository.findById(connection, stored.code())).contains(stored);
    }

    @Test
    @Tag("repository")
    void updateStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        GrapeVariety before = GrapeVarietySamples.inserted(connection);
        GrapeVarietySamples.inserted(connection);
        GrapeVarietyInput input = GrapeVarietySamples.other(connection);
        List<GrapeVariety> others = new ArrayList<>(repository.list(connection, PageQuery.all()).rows());
        others.remove(before);

        assertThat(repository.update(connection, before.code(), input, Update.ALL)).isTrue();

        GrapeVariety after = repository.findById(connection, before.code()).orElseThrow();
        assertStored(connection, after, input);
        assertThat(repository.list(connection, PageQuery.all()).rows()).contains(after).containsAll(others);
    }

    @Test
    @Tag("repository")
    void deleteRemovesTheRowAndNoOther() throws SQLException {
        Connection connection = transaction.connection();
        GrapeVariety stored = GrapeVarietySamples.inserted(connection);
        GrapeVarietySamples.inserted(connection);
        long rows = repository.count(connection, Condition.NONE);

        assertThat(repository.delete(connection, stored.code())).isTrue();

        assertThat(repository.findById(connection, stored.code())).isEmpty();
        assertThat(repository.count(connection, Condition.NONE)).isEqualTo(rows - 1);
        assertThat(repository.delete(connection, stored.code())).isFalse();
    }

    @Test
    @Tag("repository")
    void listGoesOnAfterAKey() throws SQLException {
        Connection connection = transaction.connection();
        GrapeVarietySamples.inserted(connection);
        GrapeVarietySamples.inserted(connection);
        List<GrapeVariety> all = repository.list(connection, PageQuery.all()).rows();

        assertThat(all).hasSize((int) repository.count(connection, Condition.NONE));
        assertThat(repository.list(connection, PageQuery.first(1)).rows()).isEqualTo(all.subList(0, 1));
        assertThat(repository.list(connection, PageQuery.first(1).after(all.get(0).code())).rows())
                .isEqualTo(all.subList(1, 2));
    }

    private static void assertStored(Connection connection, GrapeVariety stored, GrapeVarietyInput input)
            throws SQLException {
        TestRow row = TestRow.find(connection, Tables.GRAPE_VARIETY, stored.code());
        assertThat(row.get("CODE")).isEqualTo(stored.code());
        assertThat(row.get("NAME")).isEqualTo(input.name());
        assertThat(row.get("COLOUR")).isEqualTo(Sql.databaseValue(input.colour()));
        assertThat(row.get("order")).isEqualTo(input.order());
        assertThat(row.get("SYNONYMS")).isEqualTo(input.synonyms());
        assertThat(GrapeVarietyInput.of(stored)).usingRecursiveComparison().ignoringFields("code").isEqualTo(input);
    }
}
