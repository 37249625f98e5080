package com.example.cellar.service;

import com.example.cellar.dto.CellarLogInput;
import com.example.cellar.entity.CellarLog;
import com.example.cellar.repository.CellarLogRepository;
import com.example.cellar.support.OnCreate;
import com.example.cellar.support.PageRequest;
import com.example.cellar.support.Rules;
import com.example.cellar.support.Transactions;
import java.util.List;

/** What can be done with cellar logs, each in a transaction of its own. */
public final class CellarLogService {
    private final Transactions transactions;
    private final CellarLogRepository repository;

    public CellarLogService(Transactions transactions, CellarLogRepository repository) {
        this.transactions = transactions.on(CellarLogRepository.CONSTRAINTS);
        this.repository = repository;
    }

    /** The rows of a page, and one more if another page follows. */
    public List<CellarLog> list(PageRequest<Long> page) {
        return transactions.read(connection -> repository.list(connection, page.offset(), page.limit() + 1));
    }

    /**
     * Creates a row and returns it as stored.
     *
     * @throws ProblemException 400 if a rule is broken, 409 for a duplicate, 422 for a reference to a missing row
     */
    public CellarLog create(CellarLogInput input) {
        check(input, OnCreate.class).verify();
        return transactions.write(connection -> repository.insert(connection, input));
    }

    private static Rules check(CellarLogInput input, Class<?> group) {
        return Rules.of(input, group);
    }
}
