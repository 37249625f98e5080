package com.example.cellar.service;

import com.example.cellar.dto.CellarHandInput;
import com.example.cellar.entity.CellarHand;
import com.example.cellar.repository.CellarHandRepository;
import com.example.cellar.support.Includes;
import com.example.cellar.support.MergePatch;
import com.example.cellar.support.OnCreate;
import com.example.cellar.support.OnReplace;
import com.example.cellar.support.PageQuery;
import com.example.cellar.support.PageResult;
import com.example.cellar.support.Precondition;
import com.example.cellar.support.RowService;
import com.example.cellar.support.Rules;
import com.example.cellar.support.Transactions;
import com.example.cellar.support.Update;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;

/** What can be done with cellar hands, each in a transaction of its own; {@link RowService} says what they throw. */
public final class CellarHandService extends RowService<CellarHand, Integer> {
    /** The rows that a cellar hand refers to, which a client can ask to have included. */
    public static final Includes<CellarHand> INCLUDES = Includes.<CellarHand>none()
            .with("supervisor", CellarHand::supervisorId, new CellarHandRepository()::lookUpById, CellarHand::id);

    private final CellarHandRepository repository;

    public CellarHandService(Transactions transactions, CellarHandRepository repository) {
        super(transactions.on(CellarHandRepository.CONSTRAINTS), "cellar hand", repository::findById,
                repository::lockById);
        this.repository = repository;
    }

    /** The rows of a page. */
    public PageResult<CellarHand> list(PageQuery page) {
        return transactions.read(page, connection -> repository.list(connection, page));
    }

    /** The row with this key. */
    public CellarHand find(int id) {
        return transactions.read(connection -> existing(connection, id));
    }

    /** The rows of a page that refer to this cellar hand. */
    public PageResult<CellarHand> listWhereSupervisorIdIs(int supervisorId, PageQuery page) {
        return transactions.read(page, connection ->
                repository.listWhereSupervisorIdIs(connection, supervisorId, page));
    }

    /** Rows as JSON, each with the rows that it refers to under these names. */
    public List<ObjectNode> including(List<String> names, List<CellarHand> rows) {
        return transactions.read(connection -> INCLUDES.embed(connection, rows, names));
    }

    /** Creates a row and returns it as stored. */
    public CellarHand create(CellarHandInput input) {
        check(input, OnCreate.class).verify();
        return transactions.write(connection -> repository.insert(connection, input));
    }

    /** Creates all rows or, if one cannot be, none, and returns them as stored; a problem names the element. */
    public List<CellarHand> createAll(List<CellarHandInput> inputs) {
        Rules.verify(inputs.stream().map(input -> check(input, OnCreate.class)).toList());
        return transactions.writeEach(inputs, repository::insert);
    }

    /** Replaces everything but the key and returns the row as stored. */
    public CellarHand replace(int id, CellarHandInput input, Precondition precondition) {
        checkReplacement(id, input).verify();
        return transactions.write(connection -> {
            verifyState(connection, id, precondition);
            return updated(connection, id, repository.update(connection, id, input, Update.ALL));
        });
    }

    /** Changes some fields (RFC 7396) and returns the row as stored. */
    public CellarHand patch(int id, ObjectNode patch, Precondition precondition) {
        return transactions.write(connection -> {
            CellarHand current = locked(connection, id);
            precondition.verify(current);
            CellarHandInput before = CellarHandInput.of(current);
            CellarHandInput changed = MergePatch.apply(patch, before, CellarHandInput.class);
            checkReplacement(id, changed).forgive(check(before, OnReplace.class), patch::has).verify();
            return updated(connection, id, repository.update(connection, id, changed, patch::has));
        });
    }

    /** Deletes the row with this key. */
    public void delete(int id, Precondition precondition) {
        boolean deleted = transactions.delete(connection -> {
            verifyState(connection, id, precondition);
            return repository.delete(connection, id);
        });
        if (!deleted) {
            throw missing(id);
        }
    }

    private static Rules checkReplacement(int id, CellarHandInput input) {
        return check(input, OnReplace.class)
                .sameKey("id", input.id(), id);
    }

    private static Rules check(CellarHandInput input, Class<?> group) {
        return Rules.of(input, group)
                .atLeast("leftOn", input.leftOn(), "hiredOn", input.hiredOn());
    }
}
