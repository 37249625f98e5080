package com.example.cellar.service;

import com.example.cellar.dto.VesselInput;
import com.example.cellar.entity.Vessel;
import com.example.cellar.repository.VesselRepository;
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

/** What can be done with vessels, each in a transaction of its own; {@link RowService} says what they throw. */
public final class VesselService extends RowService<Vessel, Integer> {
    private final VesselRepository repository;

    public VesselService(Transactions transactions, VesselRepository repository) {
        super(transactions.on(VesselRepository.CONSTRAINTS), "vessel", repository::findById, repository::lockById);
        this.repository = repository;
    }

    /** The rows of a page. */
    public PageResult<Vessel> list(PageQuery page) {
        return transactions.read(page, connection -> repository.list(connection, page));
    }

    /** The row with this key. */
    public Vessel find(int id) {
        return transactions.read(connection -> existing(connection, id));
    }

    /** Creates a row and returns it as stored. */
    public Vessel create(VesselInput input) {
        check(input, OnCreate.class).verify();
        return transactions.write(connection -> repository.insert(connection, input));
    }

    /** Creates all rows or, if one cannot be, none, and returns them as stored; a problem names the element. */
    public List<Vessel> createAll(List<VesselInput> inputs) {
        Rules.verify(inputs.stream().map(input -> check(input, OnCreate.class)).toList());
        return transactions.writeEach(inputs, repository::insert);
    }

    /** Replaces everything but the key and returns the row as stored. */
    public Vessel replace(int id, VesselInput input, Precondition precondition) {
        checkReplacement(id, input).verify();
        return transactions.write(connection -> {
            verifyState(connection, id, precondition);
            return updated(connection, id, repository.update(connection, id, input, Update.ALL));
        });
    }

    /** Changes some fields (RFC 7396) and returns the row as stored. */
    public Vessel patch(int id, ObjectNode patch, Precondition precondition) {
        return transactions.write(connection -> {
            Vessel current = locked(connection, id);
            precondition.verify(current);
            VesselInput before = VesselInput.of(current);
            VesselInput changed = MergePatch.apply(patch, before, VesselInput.class);
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

    private static Rules checkReplacement(int id, VesselInput input) {
        return check(input, OnReplace.class)
                .sameKey("id", input.id(), id);
    }

    private static Rules check(VesselInput input, Class<?> group) {
        return Rules.of(input, group);
    }
}
