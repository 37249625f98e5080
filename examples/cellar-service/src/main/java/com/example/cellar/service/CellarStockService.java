package com.example.cellar.service;

import com.example.cellar.entity.CellarStock;
import com.example.cellar.repository.CellarStockRepository;
import com.example.cellar.support.PageQuery;
import com.example.cellar.support.PageResult;
import com.example.cellar.support.Transactions;

/** What can be done with cellar stock, each in a transaction of its own. */
public final class CellarStockService {
    private final Transactions transactions;
    private final CellarStockRepository repository;

    public CellarStockService(Transactions transactions, CellarStockRepository repository) {
        this.transactions = transactions;
        this.repository = repository;
    }

    /** The rows of a page. */
    public PageResult<CellarStock> list(PageQuery page) {
        return transactions.read(page, connection -> repository.list(connection, page));
    }
}
