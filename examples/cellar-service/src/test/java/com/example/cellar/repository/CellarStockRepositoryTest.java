package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.entity.CellarStock;
import com.example.cellar.support.Condition;
import com.example.cellar.support.PageQuery;
import com.example.cellar.support.TestTransaction;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

class CellarStockRepositoryTest {
    @RegisterExtension
    private final TestTransaction transaction = new TestTransaction();

    private final CellarStockRepository repository = new CellarStockRepository();

    @Test
    @Tag("repository")
    void listGoesOnAfterAnOffset() throws SQLException {
        Connection connection = transaction.connection();
        List<CellarStock> all = repository.list(connection, PageQuery.all()).rows();

        assertThat(all).hasSize((int) repository.count(connection, Condition.NONE));
        assertThat(repository.list(connection, PageQuery.first(1).after(1L)).rows())
                .isEqualTo(all.stream().skip(1).limit(1).toList());
    }
}
