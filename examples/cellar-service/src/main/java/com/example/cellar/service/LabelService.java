package com.example.cellar.service;

import com.example.cellar.dto.LabelInput;
import com.example.cellar.entity.Label;
import com.example.cellar.repository.LabelRepository;
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

/** What can be done with labels, each in a transaction of its own; {@link RowService} says what they throw. */
public final class LabelService extends RowService<Label, Integer> {
    private final LabelRepository repository;

    public LabelService(Transactions transactions, LabelRepository repository) {
        super(transactions.on(LabelRepository.CONSTRAINTS), "label", repository::findById, repository::lockById);
        this.repository = repository;
    }

    /** The rows of a page. */
    public PageResult<Label> list(PageQuery page) {
        return transactions.read(page, connection -> repository.list(connection, page));
    }

    /** The row with this key. */
    public Label find(int id) {
        return transactions.read(connection -> existing(connection, id));
    }

    /** Creates a row and returns it as stored. */
    public Label create(LabelInput input) {
        check(input, OnCreate.class).verify();
        return transactions.write(connection -> repository.insert(connection, input));
    }

    /** Creates all rows or, if one cannot be, none, and returns them as stored; a problem names the element. */
    public List<Label> createAll(List<LabelInput> inputs) {
        Rules.verify(inputs.stream().map(input -> check(input, OnCreate.class)).toList());
        return transactions.writeEach(inputs, repository::insert);
    }

    /** Replaces everything but the key and returns the row as stored. */
    public Label replace(int id, LabelInput input, Precondition precondition) {
        checkReplacement(id, input).verify();
        return transactions.write(connection -> {
            verifyState(connection, id, precondition);
            return updated(connection, id, repository.update(connection, id, input, Update.ALL));
        });
    }

    /** Changes some fields (RFC 7396) and returns the row as stored. */
    public Label patch(int id, ObjectNode patch, Precondition precondition) {
        return transactions.write(connection -> {
            Label current = locked(connection, id);
            precondition.verify(current);
            LabelInput before = LabelInput.of(current);
            LabelInput changed = MergePatch.apply(patch, before, LabelInput.class);
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

    private static Rules checkReplacement(int id, LabelInput input) {
        return check(input, OnReplace.class)
                .sameKey("id", input.id(), id);
    }

    private static Rules check(LabelInput input, Class<?> group) {
        return Rules.of(input, group);
    }
}
