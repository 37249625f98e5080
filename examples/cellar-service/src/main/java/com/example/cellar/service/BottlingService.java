package com.example.cellar.service;

import com.example.cellar.dto.BottlingInput;
import com.example.cellar.entity.Blend;
import com.example.cellar.entity.Bottling;
import com.example.cellar.entity.Label;
import com.example.cellar.repository.BlendRepository;
import com.example.cellar.repository.BottlingRepository;
import com.example.cellar.repository.LabelRepository;
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

/** What can be done with bottlings, each in a transaction of its own; {@link RowService} says what they throw. */
public final class BottlingService extends RowService<Bottling, Integer> {
    /** The rows that a bottling refers to, which a client can ask to have included. */
    public static final Includes<Bottling> INCLUDES = Includes.<Bottling>none()
            .with("blend", Bottling::blendId, new BlendRepository()::lookUpById, Blend::id)
            .with("label", Bottling::labelId, new LabelRepository()::lookUpById, Label::id);

    private final BottlingRepository repository;

    public BottlingService(Transactions transactions, BottlingRepository repository) {
        super(transactions.on(BottlingRepository.CONSTRAINTS), "bottling", repository::findById, repository::lockById);
        this.repository = repository;
    }

    /** The rows of a page. */
    public PageResult<Bottling> list(PageQuery page) {
        return transactions.read(page, connection -> repository.list(connection, page));
    }

    /** The row with this key. */
    public Bottling find(int id) {
        return transactions.read(connection -> existing(connection, id));
    }

    /** The rows of a page that refer to this blend. */
    public PageResult<Bottling> listWhereBlendIdIs(int blendId, PageQuery page) {
        return transactions.read(page, connection -> repository.listWhereBlendIdIs(connection, blendId, page));
    }

    /** The rows of a page that refer to this label. */
    public PageResult<Bottling> listWhereLabelIdIs(int labelId, PageQuery page) {
        return transactions.read(page, connection -> repository.listWhereLabelIdIs(connection, labelId, page));
    }

    /** Rows as JSON, each with the rows that it refers to under these names. */
    public List<ObjectNode> including(List<String> names, List<Bottling> rows) {
        return transactions.read(connection -> INCLUDES.embed(connection, rows, names));
    }

    /** Creates a row and returns it as stored. */
    public Bottling create(BottlingInput input) {
        check(input, OnCreate.class).verify();
        return transactions.write(connection -> repository.insert(connection, input));
    }

    /** Creates all rows or, if one cannot be, none, and returns them as stored; a problem names the element. */
    public List<Bottling> createAll(List<BottlingInput> inputs) {
        Rules.verify(inputs.stream().map(input -> check(input, OnCreate.class)).toList());
        return transactions.writeEach(inputs, repository::insert);
    }

    /** Replaces everything but the key and returns the row as stored. */
    public Bottling replace(int id, BottlingInput input, Precondition precondition) {
        checkReplacement(id, input).verify();
        return transactions.write(connection -> {
            verifyState(connection, id, precondition);
            return updated(connection, id, repository.update(connection, id, input, Update.ALL));
        });
    }

    /** Changes some fields (RFC 7396) and returns the row as stored. */
    public Bottling patch(int id, ObjectNode patch, Precondition precondition) {
        return transactions.write(connection -> {
            Bottling current = locked(connection, id);
            precondition.verify(current);
            BottlingInput before = BottlingInput.of(current);
            BottlingInput changed = MergePatch.apply(patch, before, BottlingInput.class);
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

    private static Rules checkReplacement(int id, BottlingInput input) {
        return check(input, OnReplace.class)
                .sameKey("id", input.id(), id);
    }

    private static Rules check(BottlingInput input, Class<?> group) {
        return Rules.of(input, group)
                .oneOf("bottleMl", input.bottleMl(), "375", "500", "750", "1500");
    }
}
