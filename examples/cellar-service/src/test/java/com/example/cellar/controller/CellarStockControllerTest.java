package com.example.cellar.controller;

import com.example.cellar.entity.CellarStock;
import com.example.cellar.repository.CellarStockRepository;
import com.example.cellar.support.ListContract;
import com.example.cellar.support.ServiceUnderTest;
import com.example.cellar.support.TableFacts;
import com.example.cellar.support.TestRows;
import org.junit.jupiter.api.extension.RegisterExtension;

class CellarStockControllerTest implements
        ListContract<CellarStock> {
    private static final String PATH = "/cellar-stock";
    private static final TableFacts FACTS = TableFacts.of(PATH);

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching();

    @Override
    public ServiceUnderTest service() {
        return SERVICE;
    }

    @Override
    public TableFacts facts() {
        return FACTS;
    }

    @Override
    public TestRows<CellarStock, ?, ?> rows() {
        return TestRows.of(CellarStock.class, new CellarStockRepository());
    }
}
