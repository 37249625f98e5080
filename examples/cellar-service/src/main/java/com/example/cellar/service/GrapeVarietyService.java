package com.example.cellar.service;

import com.example.cellar.dto.GrapeVarietyInput;
import com.example.cellar.entity.GrapeVariety;
import com.example.cellar.repository.GrapeVarietyRepository;
import com.example.cellar.support.FoundRows;
import com.example.cellar.support.MergePatch;
import com.example.cellar.support.OnCreate;
import com.example.cellar.support.OnReplace;
import com.example.cellar.support.Page;
import com.example.cellar.support.Precondition;
import com.example.cellar.support.ProblemException;
import com.example.cellar.support.Rules;
import com.example.cellar.support.Transactions;
import com.example.cellar.support.Update;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.function.Predicate;

/** What can be done with grape varieties, each in a transaction of its own. */
public final class GrapeVarietyService {
    private final Transactions transactions;
    private final GrapeVarietyRepository repository;

    public GrapeVarietyService(Transactions transactions, GrapeVarietyRepository repository) {
        this.transactions = transactions.on(GrapeVarietyRepository.CONSTRAINTS);
        this.repository = repository;
    }

    /** The rows of a page. */
    public FoundRows<GrapeVariety> list(Page page) {
        return transactions.read(page, connection -> repository.list(connection, page));
    }

    /**
     * The row with this key.
     *
     * @throws ProblemException 404 if there is none
     */
    public GrapeVariety find(String code) {
        return transactions.read(connection -> existing(connection, code));
    }

    /**
     * Creates a row and returns it as stored.
     *
     * @throws ProblemException 400 if a rule is broken, 409 for a duplicate, 422 for a reference to a missing row
     */
    public GrapeVariety create(GrapeVarietyInput input) {
        check(input, OnCreate.class).verify();
        return transactions.write(connection -> repository.insert(connection, input));
    }

    /**
     * Creates all rows or, if one cannot be, none, and returns them as stored.
     *
     * @throws ProblemException as {@link #create}, naming the element
     */
    public List<GrapeVariety> createAll(List<GrapeVarietyInput> inputs) {
        Rules.verify(inputs.stream().map(input -> check(input, OnCreate.class)).toList());
        return transactions.writeEach(inputs, input -> String.valueOf(input.code()), repository::insert);
    }

    /**
     * Replaces everything but the key and returns the row as stored.
     *
     * @throws ProblemException 404 if there is no such row, 412 if it is in another state, 400 if a rule is broken, 409
     *     for a duplicate, 422 for a reference to a missing row
     */
    public GrapeVariety replace(String code, GrapeVarietyInput input, Precondition precondition) {
        checkReplacement(code, input).verify();
        return transactions.write(connection -> {
            if (!precondition.isNone()) {
                precondition.verify(locked(connection, code));
            }
            return updated(connection, code, input, Update.ALL);
        });
    }

    /**
     * Changes some fields (RFC 7396) and returns the row as stored.
     *
     * @throws ProblemException 404 if there is no such row, 412 if it is in another state, 400 if a rule is broken, 409
     *     for a duplicate, 422 for a reference to a missing row
     */
    public GrapeVariety change(String code, ObjectNode patch, Precondition precondition) {
        return transactions.write(connection -> {
            GrapeVariety current = locked(connection, code);
            precondition.verify(current);
            GrapeVarietyInput before = GrapeVarietyInput.of(current);
            GrapeVarietyInput changed = MergePatch.apply(patch, before, GrapeVarietyInput.class);
            checkReplacement(code, changed)
                    .forgive(check(before, OnReplace.class), patch::has)
                    .verify();
            return updated(connection, code, changed, patch::has);
        });
    }

    /**
     * Deletes the row with this key.
     *
     * @throws ProblemException 404 if there is none, 412 if it is in another state, 409 if other rows refer to it
     */
    public void delete(String code, Precondition precondition) {
        boolean deleted = transactions.delete(connection -> {
            if (!precondition.isNone()) {
                precondition.verify(locked(connection, code));
            }
            return repository.delete(connection, code);
        });
        if (!deleted) {
            throw missing(code);
        }
    }

    private GrapeVariety existing(Connection connection, String code) throws SQLException {
        return repository.findById(connection, code).orElseThrow(() -> missing(code));
    }

    private GrapeVariety locked(Connection connection, String code) throws SQLException {
        return repository.lockById(connection, code).orElseThrow(() -> missing(code));
    }

    private GrapeVariety updated(Connection connection, String code, GrapeVarietyInput input, Predicate<String> fields)
            throws SQLException {
        if (!repository.update(connection, code, input, fields)) {
            throw missing(code);
        }
        return existing(connection, code);
    }

    private static Rules checkReplacement(String code, GrapeVarietyInput input) {
        return check(input, OnReplace.class)
                .sameKey("code", input.code(), code);
    }

    private static ProblemException missing(String code) {
        return ProblemException.notFound("grape variety", code);
    }

    private static Rules check(GrapeVarietyInput input, Class<?> group) {
        return Rules.of(input, group);
    }
}
