package com.example.cellar.controller;

import com.example.cellar.entity.CellarStock;
import com.example.cellar.repository.CellarStockRepository;
import com.example.cellar.support.ListContract;
import com.example.cellar.support.TableFacts;
import com.example.cellar.support.TestRows;

class CellarStockControllerTest implements
        ListContract<CellarStock> {
    @Override
    public TableFacts<CellarStock, CellarStock> facts() {
        return TableFacts.of("/cellar-stock", TestRows.of(CellarStock.class, new CellarStockRepository()));
    }
}
