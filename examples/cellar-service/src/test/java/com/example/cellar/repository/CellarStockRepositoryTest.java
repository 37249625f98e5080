package com.example.cellar.repository;

import com.example.cellar.entity.CellarStock;
import com.example.cellar.support.RepositoryContract;
import com.example.cellar.support.TestRows;

class CellarStockRepositoryTest implements RepositoryContract<CellarStock> {
    @Override
    public TestRows<CellarStock, ?, ?> rows() {
        return TestRows.of(CellarStock.class, new CellarStockRepository());
    }
}
