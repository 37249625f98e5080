package com.example.cellar.service;

import com.example.cellar.dto.CellarLogInput;
import com.example.cellar.entity.CellarHand;
import com.example.cellar.entity.CellarLog;
import com.example.cellar.repository.CellarHandRepository;
import com.example.cellar.repository.CellarLogRepository;
import com.example.cellar.support.Includes;
import com.example.cellar.support.OnCreate;
import com.example.cellar.support.PageQuery;
import com.example.cellar.support.PageResult;
import com.example.cellar.support.Rules;
import com.example.cellar.support.Transactions;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;

/** What can be done with cellar logs, each in a transaction of its own. */
public final class CellarLogService {
    /** The rows that a cellar log refers to, which a client can ask to have included. */
    public static final Includes<CellarLog> INCLUDES = Includes.<CellarLog>none()
            .with("hand", CellarLog::handId, new CellarHandRepository()::lookUpById, CellarHand::id);

    private final Transactions transactions;
    private final CellarLogRepository repository;

    public CellarLogService(Transactions transactions, CellarLogRepository repository) {
        this.transactions = transactions.on(CellarLogRepository.CONSTRAINTS);
        this.repository = repository;
    }

    /** The rows of a page. */
    public PageResult<CellarLog> list(PageQuery page) {
        return transactions.read(page, connection -> repository.list(connection, page));
    }

    /** The rows of a page that refer to this cellar hand. */
    public PageResult<CellarLog> listWhereHandIdIs(int handId, PageQuery page) {
        return transactions.read(page, connection -> repository.listWhereHandIdIs(connection, handId, page));
    }

    /** Rows as JSON, each with the rows that it refers to under these names. */
    public List<ObjectNode> including(List<String> names, List<CellarLog> rows) {
        return transactions.read(connection -> INCLUDES.embed(connection, rows, names));
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

    /** Creates all rows or, if one cannot be, none, and returns them as stored; a problem names the element. */
    public List<CellarLog> createAll(List<CellarLogInput> inputs) {
        Rules.verify(inputs.stream().map(input -> check(input, OnCreate.class)).toList());
        return transactions.writeEach(inputs, repository::insert);
    }

    private static Rules check(CellarLogInput input, Class<?> group) {
        return Rules.of(input, group);
    }
}
