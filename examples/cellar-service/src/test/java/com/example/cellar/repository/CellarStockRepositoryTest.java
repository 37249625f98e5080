package com.example.cellar.repository;

import com.example.cellar.entity.CellarStock;
import com.example.cellar.support.RepositoryContract;
import com.example.cellar.support.TestRows;
import com.example.cellar.support.TestTransaction;
import java.sql.Connection;
import org.junit.jupiter.api.extension.RegisterExtension;

class CellarStockRepositoryTest implements RepositoryContract<CellarStock> {
    @RegisterExtension
    private final TestTransaction transaction = new TestTransaction();

    @Override
    public Connection connection() {
        return transaction.connection();
    }

    @Override
    public TestRows<CellarStock, ?, ?> rows() {
        return TestRows.of(CellarStock.class, new CellarStockRepository());
    }
}
