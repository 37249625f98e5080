package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.CellarLogInput;
import com.example.cellar.entity.CellarLog;
import com.example.cellar.samples.CellarLogSamples;
import com.example.cellar.support.Condition;
import com.example.cellar.support.PageQuery;
import com.example.cellar.support.TestTransaction;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

class CellarLogRepositoryTest {
    @RegisterExtension
    private final TestTransaction transaction = new TestTransaction();

    private final CellarLogRepository repository = new CellarLogRepository();

    @Test
    @Tag("repository")
    void insertStoresEveryColumn() throws SQLException {
        Connection connection = transaction.connection();
        CellarLogInput input = CellarLogSamples.sample(connection);

        CellarLog stored = repository.insert(connection, input);

        assertThat(CellarLogInput.of(stored)).usingRecursiveComparison().ignoringExpectedNullFields().isEqualTo(input);
        assertThat(repository.list(connection, PageQuery.all()).rows()).contains(stored);
    }

    @Test
    @Tag("repository")
    void listGoesOnAfterAnOffset() throws SQLException {
        Connection connection = transaction.connection();
        List<CellarLog> all = repository.list(connection, PageQuery.all()).rows();

        assertThat(all).hasSize((int) repository.count(connection, Condition.NONE));
        assertThat(repository.list(connection, PageQuery.first(1).after(1L)).rows())
                .isEqualTo(all.stream().skip(1).limit(1).toList());
    }
}
