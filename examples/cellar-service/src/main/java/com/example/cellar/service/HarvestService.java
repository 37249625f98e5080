package com.example.cellar.service;

import com.example.cellar.dto.HarvestInput;
import com.example.cellar.entity.Harvest;
import com.example.cellar.repository.HarvestRepository;
import com.example.cellar.support.MergePatch;
import com.example.cellar.support.OnCreate;
import com.example.cellar.support.OnReplace;
import com.example.cellar.support.PageRequest;
import com.example.cellar.support.ProblemException;
import com.example.cellar.support.Rules;
import com.example.cellar.support.Transactions;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;

/** What can be done with harvests, each in a transaction of its own. */
public final class HarvestService {
    private final Transactions transactions;
    private final HarvestRepository repository;

    public HarvestService(Transactions transactions, HarvestRepository repository) {
        this.transactions = transactions.on(HarvestRepository.CONSTRAINTS);
        this.repository = repository;
    }

    /** The rows of a page, and one more if another page follows. */
    public List<Harvest> list(PageRequest<Long> page) {
        return transactions.read(connection -> repository.list(connection, page.after(), page.limit() + 1));
    }

    /**
     * The row with this key.
     *
     * @throws ProblemException 404 if there is none
     */
    public Harvest find(long id) {
        return transactions.read(connection -> existing(connection, id));
    }

    /**
     * Creates a row and returns it as stored.
     *
     * @throws ProblemException 400 if a rule is broken, 409 for a duplicate, 422 for a reference to a missing row
     */
    public Harvest create(HarvestInput input) {
        check(input, OnCreate.class).verify();
        return transactions.write(connection -> repository.insert(connection, input));
    }

    /**
     * Replaces everything but the key and returns the row as stored.
     *
     * @throws ProblemException 404 if there is no such row; else as for {@link #create}
     */
    public Harvest replace(long id, HarvestInput input) {
        checkReplacement(id, input);
        return transactions.write(connection -> updated(connection, id, input));
    }

    /**
     * Changes some fields (RFC 7396) and returns the row as stored.
     *
     * @throws ProblemException 404 if there is no such row; else as for {@link #create}
     */
    public Harvest change(long id, ObjectNode patch) {
        return transactions.write(connection -> {
            HarvestInput current = HarvestInput.of(existing(connection, id));
            HarvestInput changed = MergePatch.apply(patch, current, HarvestInput.class);
            checkReplacement(id, changed);
            return updated(connection, id, changed);
        });
    }

    /**
     * Deletes the row with this key.
     *
     * @throws ProblemException 404 if there is none, 409 if other rows refer to it
     */
    public void delete(long id) {
        boolean deleted = transactions.delete(connection -> repository.delete(connection, id));
        if (!deleted) {
            throw missing(id);
        }
    }

    private Harvest existing(Connection connection, long id) throws SQLException {
        return repository.findById(connection, id).orElseThrow(() -> missing(id));
    }

    private Harvest updated(Connection connection, long id, HarvestInput input) throws SQLException {
        if (!repository.update(connection, id, input)) {
            throw missing(id);
        }
        return existing(connection, id);
    }

    private static void checkReplacement(long id, HarvestInput input) {
        check(input, OnReplace.class)
                .sameKey("id", input.id(), id)
                .verify();
    }

    private static ProblemException missing(long id) {
        return ProblemException.notFound("harvest", id);
    }

    private static Rules check(HarvestInput input, Class<?> group) {
        return Rules.of(input, group);
    }
}
