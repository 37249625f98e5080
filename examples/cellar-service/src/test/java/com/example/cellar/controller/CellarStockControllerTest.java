package com.example.cellar.controller;

import com.example.cellar.entity.CellarStock;
import com.example.cellar.repository.CellarStockRepository;
import com.example.cellar.support.ListContract;
import com.example.cellar.support.PageQuery;
import com.example.cellar.support.ServiceUnderTest;
import com.example.cellar.support.TableFacts;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import org.junit.jupiter.api.extension.RegisterExtension;

class CellarStockControllerTest implements
        ListContract<CellarStock> {
    private static final String PATH = "/cellar-stock";
    private static final TableFacts FACTS = TableFacts.of(PATH);

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching();

    private final CellarStockRepository repository = new CellarStockRepository();
    private final Connection connection = SERVICE.connection();

    @Override
    public ServiceUnderTest service() {
        return SERVICE;
    }

    @Override
    public TableFacts facts() {
        return FACTS;
    }

    @Override
    public Class<CellarStock> type() {
        return CellarStock.class;
    }

    @Override
    public List<CellarStock> stored(PageQuery page) throws SQLException {
        return repository.list(connection, page).rows();
    }
}
