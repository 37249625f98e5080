package com.example.cellar.service;

import com.example.cellar.dto.GrapeVarietyInput;
import com.example.cellar.entity.GrapeVariety;
import com.example.cellar.repository.GrapeVarietyRepository;
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

/** What can be done with grape varieties, each in a transaction of its own; {@link RowService} says what they throw. */
public final class GrapeVarietyService extends RowService<GrapeVariety, String> {
    private final GrapeVarietyRepository repository;

    public GrapeVarietyService(Transactions transactions, GrapeVarietyRepository repository) {
        super(transactions.on(GrapeVarietyRepository.CONSTRAINTS), "grape variety", repository::findById,
                repository::lockById);
        this.repository = repository;
    }

    /** The rows of a page. */
    public PageResult<GrapeVariety> list(PageQuery page) {
        return transactions.read(page, connection -> repository.list(connection, page));
    }

    /** The row with this key. */
    public GrapeVariety find(String code) {
        return transactions.read(connection -> existing(connection, code));
    }

    /** Creates a row and returns it as stored. */
    public GrapeVariety create(GrapeVarietyInput input) {
        check(input, OnCreate.class).verify();
        return transactions.write(connection -> repository.insert(connection, input));
    }

    /** Creates all rows or, if one cannot be, none, and returns them as stored; a problem names the element. */
    public List<GrapeVariety> createAll(List<GrapeVarietyInput> inputs) {
        Rules.verify(inputs.stream().map(input -> check(input, OnCreate.class)).toList());
        return transactions.writeEach(inputs, input -> String.valueOf(input.code()), repository::insert);
    }

    /** Replaces everything but the key and returns the row as stored. */
    public GrapeVariety replace(String code, GrapeVarietyInput input, Precondition precondition) {
        checkReplacement(code, input).verify();
        return transactions.write(connection -> {
            verifyState(connection, code, precondition);
            return updated(connection, code, repository.update(connection, code, input, Update.ALL));
        });
    }

    /** Changes some fields (RFC 7396) and returns the row as stored. */
    public GrapeVariety patch(String code, ObjectNode patch, Precondition precondition) {
        return transactions.write(connection -> {
            GrapeVariety current = locked(connection, code);
            precondition.verify(current);
            GrapeVarietyInput before = GrapeVarietyInput.of(current);
            GrapeVarietyInput changed = MergePatch.apply(patch, before, GrapeVarietyInput.class);
            checkReplacement(code, changed).forgive(check(before, OnReplace.class), patch::has).verify();
            return updated(connection, code, repository.update(connection, code, changed, patch::has));
        });
    }

    /** Deletes the row with this key. */
    public void delete(String code, Precondition precondition) {
        boolean deleted = transactions.delete(connection -> {
            verifyState(connection, code, precondition);
            return repository.delete(connection, code);
        });
        if (!deleted) {
            throw missing(code);
        }
    }

    private static Rules checkReplacement(String code, GrapeVarietyInput input) {
        return check(input, OnReplace.class)
                .sameKey("code", input.code(), code);
    }

    private static Rules check(GrapeVarietyInput input, Class<?> group) {
        return Rules.of(input, group);
    }
}
