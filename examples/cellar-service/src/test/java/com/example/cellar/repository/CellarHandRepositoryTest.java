package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.CellarHandInput;
import com.example.cellar.entity.CellarHand;
import com.example.cellar.samples.CellarHandSamples;
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

class CellarHandRepositoryTest {
    @RegisterExtension
    private final TestTransaction transaction = new TestTransaction();

    private final CellarHandRepository repository = new CellarHandRepository();

    @Test
    @Tag("repository")
    void insertStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        CellarHandInput input = CellarHandSamples.sample(connection);

        CellarHand stored = repository.insert(connection, input);

        assertStored(connection, stored, input);
        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    @Test
    @Tag("repository")
    void updateStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        CellarHand before = CellarHandSamples.inserted(connection);
        CellarHandSamples.inserted(connection);
        CellarHandInput input = CellarHandSamples.other(connection);
        List<CellarHand> others = new ArrayList<>(repository.list(connection, PageQuery.all()).rows());
        others.remove(before);

        assertThat(repository.update(connection, before.id(), input, Update.ALL)).isTrue();

        CellarHand after = repository.findById(connection, before.id()).orElseThrow();
        assertStored(connection, after, input);
        assertThat(repository.list(connection, PageQuery.all()).rows()).contains(after).containsAll(others);
    }

    @Test
    @Tag("repository")
    void deleteRemovesTheRowAndNoOther() throws SQLException {
        Connection connection = transaction.connection();
        CellarHand stored = CellarHandSamples.inserted(connection);
        CellarHandSamples.inserted(connection);
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
        CellarHandSamples.inserted(connection);
        CellarHandSamples.inserted(connection);
        List<CellarHand> all = repository.list(connection, PageQuery.all()).rows();

        assertThat(all).hasSize((int) repository.count(connection, Condition.NONE));
        assertThat(repository.list(connection, PageQuery.first(1)).rows()).isEqualTo(all.subList(0, 1));
        assertThat(repository.list(connection, PageQuery.first(1).after(all.get(0).id())).rows())
                .isEqualTo(all.subList(1, 2));
    }

    private static void assertStored(Connection connection, CellarHand stored, CellarHandInput input)
            throws SQLException {
        TestRow row = TestRow.find(connection, Tables.CELLAR_HAND, stored.id());
        assertThat(row.get("ID")).isEqualTo(stored.id());
        assertThat(row.get("FULL_NAME")).isEqualTo(input.fullName());
        assertThat(row.get("EMAIL")).isEqualTo(input.email());
        assertThat(row.get("CRAFT")).isEqualTo(Sql.databaseValue(input.craft()));
        assertThat(row.get("HIRED_ON")).isEqualTo(input.hiredOn());
        assertThat(row.get("LEFT_ON")).isEqualTo(input.leftOn());
        assertThat(row.get("SHIFT_STARTS")).isEqualTo(input.shiftStarts());
        assertThat(row.get("SUPERVISOR_ID")).isEqualTo(input.supervisorId());
        assertThat(CellarHandInput.of(stored)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
    }
}
