package com.example.cellar.service;

import com.example.cellar.dto.VesselInput;
import com.example.cellar.entity.Vessel;
import com.example.cellar.repository.VesselRepository;
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

/** What can be done with vessels, each in a transaction of its own. */
public final class VesselService {
    private final Transactions transactions;
    private final VesselRepository repository;

    public VesselService(Transactions transactions, VesselRepository repository) {
        this.transactions = transactions.on(VesselRepository.CONSTRAINTS);
        this.repository = repository;
    }

    /** The rows of a page. */
    public FoundRows<Vessel> list(Page page) {
        return transactions.read(page, connection -> repository.list(connection, page));
    }

    /**
     * The row with this key.
     *
     * @throws ProblemException 404 if there is none
     */
    public Vessel find(int id) {
        return transactions.read(connection -> existing(connection, id));
    }

    /**
     * Creates a row and returns it as stored.
     *
     * @throws ProblemException 400 if a rule is broken, 409 for a duplicate, 422 for a reference to a missing row
     */
    public Vessel create(VesselInput input) {
        check(input, OnCreate.class).verify();
        return transactions.write(connection -> repository.insert(connection, input));
    }

    /**
     * Creates all rows or, if one cannot be, none, and returns them as stored.
     *
     * @throws ProblemException as {@link #create}, naming the element
     */
    public List<Vessel> createAll(List<VesselInput> inputs) {
        Rules.verify(inputs.stream().map(input -> check(input, OnCreate.class)).toList());
        return transactions.writeEach(inputs, repository::insert);
    }

    /**
     * Replaces everything but the key and returns the row as stored.
     *
     * @throws ProblemException 404 if there is no such row, 412 if it is in another state, 400 if a rule is broken, 409
     *     for a duplicate, 422 for a reference to a missing row
     */
    public Vessel replace(int id, VesselInput input, Precondition precondition) {
        checkReplacement(id, input).verify();
        return transactions.write(connection -> {
            if (!precondition.isNone()) {
                precondition.verify(locked(connection, id));
            }
            return updated(connection, id, input, Update.ALL);
        });
    }

    /**
     * Changes some fields (RFC 7396) and returns the row as stored.
     *
     * @throws ProblemException 404 if there is no such row, 412 if it is in another state, 400 if a rule is broken, 409
     *     for a duplicate, 422 for a reference to a missing row
     */
    public Vessel change(int id, ObjectNode patch, Precondition precondition) {
        return transactions.write(connection -> {
            Vessel current = locked(connection, id);
            precondition.verify(current);
            VesselInput before = VesselInput.of(current);
            VesselInput changed = MergePatch.apply(patch, before, VesselInput.class);
            checkReplacement(id, changed)
                    .forgive(check(before, OnReplace.class), patch::has)
                    .verify();
            return updated(connection, id, changed, patch::has);
        });
    }

    /**
     * Deletes the row with this key.
     *
     * @throws ProblemException 404 if there is none, 412 if it is in another state, 409 if other rows refer to it
     */
    public void delete(int id, Precondition precondition) {
        boolean deleted = transactions.delete(connection -> {
            if (!precondition.isNone()) {
                precondition.verify(locked(connection, id));
            }
            return repository.delete(connection, id);
        });
        if (!deleted) {
            throw missing(id);
        }
    }

    private Vessel existing(Connection connection, int id) throws SQLException {
        return repository.findById(connection, id).orElseThrow(() -> missing(id));
    }

    private Vessel locked(Connection connection, int id) throws SQLException {
        return repository.lockById(connection, id).orElseThrow(() -> missing(id));
    }

    private Vessel updated(Connection connection, int id, VesselInput input, Predicate<String> fields)
            throws SQLException {
        if (!repository.update(connection, id, input, fields)) {
            throw missing(id);
        }
        return existing(connection, id);
    }

    private static Rules checkReplacement(int id, VesselInput input) {
        return check(input, OnReplace.class)
                .sameKey("id", input.id(), id);
    }

    private static ProblemException missing(int id) {
        return ProblemException.notFound("vessel", id);
    }

    private static Rules check(VesselInput input, Class<?> group) {
        return Rules.of(input, group);
    }
}
