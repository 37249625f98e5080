package com.example.cellar.service;

import com.example.cellar.dto.BlendComponentInput;
import com.example.cellar.entity.Blend;
import com.example.cellar.entity.BlendComponent;
import com.example.cellar.entity.BlendComponentKey;
import com.example.cellar.entity.WineLot;
import com.example.cellar.repository.BlendComponentRepository;
import com.example.cellar.repository.BlendRepository;
import com.example.cellar.repository.WineLotRepository;
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
import java.util.UUID;

/**
 * What can be done with blend components, each in a transaction of its own; {@link RowService} says what they throw.
 */
public final class BlendComponentService extends RowService<BlendComponent, BlendComponentKey> {
    /** The rows that a blend component refers to, which a client can ask to have included. */
    public static final Includes<BlendComponent> INCLUDES = Includes.<BlendComponent>none()
            .with("blend", BlendComponent::blendId, new BlendRepository()::lookUpById, Blend::id)
            .with("wineLot", BlendComponent::wineLotId, new WineLotRepository()::lookUpById, WineLot::id);

    private final BlendComponentRepository repository;

    public BlendComponentService(Transactions transactions, BlendComponentRepository repository) {
        super(transactions.on(BlendComponentRepository.CONSTRAINTS), "blend component", repository::findById,
                repository::lockById);
        this.repository = repository;
    }

    /** The rows of a page. */
    public PageResult<BlendComponent> list(PageQuery page) {
        return transactions.read(page, connection -> repository.list(connection, page));
    }

    /** The row with this key. */
    public BlendComponent find(BlendComponentKey key) {
        return transactions.read(connection -> existing(connection, key));
    }

    /** The rows of a page that refer to this blend. */
    public PageResult<BlendComponent> listWhereBlendIdIs(int blendId, PageQuery page) {
        return transactions.read(page, connection -> repository.listWhereBlendIdIs(connection, blendId, page));
    }

    /** The rows of a page that refer to this wine lot. */
    public PageResult<BlendComponent> listWhereWineLotIdIs(UUID wineLotId, PageQuery page) {
        return transactions.read(page, connection -> repository.listWhereWineLotIdIs(connection, wineLotId, page));
    }

    /** Rows as JSON, each with the rows that it refers to under these names. */
    public List<ObjectNode> including(List<String> names, List<BlendComponent> rows) {
        return transactions.read(connection -> INCLUDES.embed(connection, rows, names));
    }

    /** Creates a row and returns it as stored. */
    public BlendComponent create(BlendComponentInput input) {
        check(input, OnCreate.class).verify();
        return transactions.write(connection -> repository.insert(connection, input));
    }

    /** Creates all rows or, if one cannot be, none, and returns them as stored; a problem names the element. */
    public List<BlendComponent> createAll(List<BlendComponentInput> inputs) {
        Rules.verify(inputs.stream().map(input -> check(input, OnCreate.class)).toList());
        return transactions.writeEach(inputs, input -> input.blendId() + "," + input.wineLotId(), repository::insert);
    }

    /** Replaces everything but the key and returns the row as stored. */
    public BlendComponent replace(BlendComponentKey key, BlendComponentInput input, Precondition precondition) {
        checkReplacement(key, input).verify();
        return transactions.write(connection -> {
            verifyState(connection, key, precondition);
            return updated(connection, key, repository.update(connection, key, input, Update.ALL));
        });
    }

    /** Changes some fields (RFC 7396) and returns the row as stored. */
    public BlendComponent patch(BlendComponentKey key, ObjectNode patch, Precondition precondition) {
        return transactions.write(connection -> {
            BlendComponent current = locked(connection, key);
            precondition.verify(current);
            BlendComponentInput before = BlendComponentInput.of(current);
            BlendComponentInput changed = MergePatch.apply(patch, before, BlendComponentInput.class);
            checkReplacement(key, changed).forgive(check(before, OnReplace.class), patch::has).verify();
            return updated(connection, key, repository.update(connection, key, changed, patch::has));
        });
    }

    /** Deletes the row with this key. */
    public void delete(BlendComponentKey key, Precondition precondition) {
        boolean deleted = transactions.delete(connection -> {
            verifyState(connection, key, precondition);
            return repository.delete(connection, key);
        });
        if (!deleted) {
            throw missing(key);
        }
    }

    private static Rules checkReplacement(BlendComponentKey key, BlendComponentInput input) {
        return check(input, OnReplace.class)
                .sameKey("blendId", input.blendId(), key.blendId())
                .sameKey("wineLotId", input.wineLotId(), key.wineLotId());
    }

    private static Rules check(BlendComponentInput input, Class<?> group) {
        return Rules.of(input, group);
    }
}
