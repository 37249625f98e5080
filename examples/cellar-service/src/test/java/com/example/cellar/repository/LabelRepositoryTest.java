package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.LabelInput;
import com.example.cellar.entity.Label;
import com.example.cellar.samples.LabelSamples;
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

class LabelRepositoryTest {
    @RegisterExtension
    private final TestTransaction transaction = new TestTransaction();

    private final LabelRepository repository = new LabelRepository();

    @Test
    @Tag("repository")
    void insertStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        LabelInput input = LabelSamples.sample(connection);

        Label stored = repository.insert(connection, input);

        assertStored(connection, stored, input);
        assertThat(repository.findById(connection, stored.id())).contains(stored);
    }

    @Test
    @Tag("repository")
    void updateStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        Label before = LabelSamples.inserted(connection);
        LabelSamples.inserted(connection);
        LabelInput input = LabelSamples.other(connection);
        List<Label> others = new ArrayList<>(repository.list(connection, PageQuery.all()).rows());
        others.remove(before);

        assertThat(repository.update(connection, before.id(), input, Update.ALL)).isTrue();

        Label after = repository.findById(connection, before.id()).orElseThrow();
        assertStored(connection, after, input);
        assertThat(repository.list(connection, PageQuery.all()).rows()).contains(after).containsAll(others);
    }

    @Test
    @Tag("repository")
    void deleteRemovesTheRowAndNoOther() throws SQLException {
        Connection connection = transaction.connection();
        Label stored = LabelSamples.inserted(connection);
        LabelSamples.inserted(connection);
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
        LabelSamples.inserted(connection);
        LabelSamples.inserted(connection);
        List<Label> all = repository.list(connection, PageQuery.all()).rows();

        assertThat(all).hasSize((int) repository.count(connection, Condition.NONE));
        assertThat(repository.list(connection, PageQuery.first(1)).rows()).isEqualTo(all.subList(0, 1));
        assertThat(repository.list(connection, PageQuery.first(1).after(all.get(0).id())).rows())
                .isEqualTo(all.subList(1, 2));
    }

    private static void assertStored(Connection connection, Label stored, LabelInput input) throws SQLException {
        TestRow row = TestRow.find(connection, Tables.LABEL, stored.id());
        assertThat(row.get("ID")).isEqualTo(stored.id());
        assertThat(row.get("TITLE")).isEqualTo(input.title());
        assertThat(row.get("LANGUAGE_CODE")).isEqualTo(input.languageCode());
        assertThat(row.get("BACK_TEXT")).isEqualTo(input.backText());
        assertThat(row.get("PICTURE")).isEqualTo(input.picture());
        assertThat(LabelInput.of(stored)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
    }
}
