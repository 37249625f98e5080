package com.example.cellar.service;

import com.example.cellar.dto.HarvestInput;
import com.example.cellar.entity.CellarHand;
import com.example.cellar.entity.Harvest;
import com.example.cellar.entity.Parcel;
import com.example.cellar.repository.CellarHandRepository;
import com.example.cellar.repository.HarvestRepository;
import com.example.cellar.repository.ParcelRepository;
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

/** What can be done with harvests, each in a transaction of its own; {@link RowService} says what they throw. */
public final class HarvestService extends RowService<Harvest, Long> {
    /** The rows that a harvest refers to, which a client can ask to have included. */
    public static final Includes<Harvest> INCLUDES = Includes.<Harvest>none()
            .with("parcel", Harvest::parcelId, new ParcelRepository()::lookUpById, Parcel::id)
            .with("cellarHand", Harvest::pickedBy, new CellarHandRepository()::lookUpById, CellarHand::id);

    private final HarvestRepository repository;

    public HarvestService(Transactions transactions, HarvestRepository repository) {
        super(transactions.on(HarvestRepository.CONSTRAINTS), "harvest", repository::findById, repository::lockById);
        this.repository = repository;
    }

    /** The rows of a page. */
    public PageResult<Harvest> list(PageQuery page) {
        return transactions.read(page, connection -> repository.list(connection, page));
    }

    /** The row with this key. */
    public Harvest find(long id) {
        return transactions.read(connection -> existing(connection, id));
    }

    /** The rows of a page that refer to this parcel. */
    public PageResult<Harvest> listWhereParcelIdIs(int parcelId, PageQuery page) {
        return transactions.read(page, connection -> repository.listWhereParcelIdIs(connection, parcelId, page));
    }

    /** The rows of a page that refer to this cellar hand. */
    public PageResult<Harvest> listWherePickedByIs(int pickedBy, PageQuery page) {
        return transactions.read(page, connection -> repository.listWherePickedByIs(connection, pickedBy, page));
    }

    /** The rows of a page that wine lot harvests join to this wine lot. */
    public PageResult<Harvest> listJoinedToWineLotByWineLotHarvest(UUID wineLotId, PageQuery page) {
        return transactions.read(page, connection ->
                repository.listJoinedToWineLotByWineLotHarvest(connection, wineLotId, page));
    }

    /** Rows as JSON, each with the rows that it refers to under these names. */
    public List<ObjectNode> including(List<String> names, List<Harvest> rows) {
        return transactions.read(connection -> INCLUDES.embed(connection, rows, names));
    }

    /** Creates a row and returns it as stored. */
    public Harvest create(HarvestInput input) {
        check(input, OnCreate.class).verify();
        return transactions.write(connection -> repository.insert(connection, input));
    }

    /** Creates all rows or, if one cannot be, none, and returns them as stored; a problem names the element. */
    public List<Harvest> createAll(List<HarvestInput> inputs) {
        Rules.verify(inputs.stream().map(input -> check(input, OnCreate.class)).toList());
        return transactions.writeEach(inputs, repository::insert);
    }

    /** Replaces everything but the key and returns the row as stored. */
    public Harvest replace(long id, HarvestInput input, Precondition precondition) {
        checkReplacement(id, input).verify();
        return transactions.write(connection -> {
            verifyState(connection, id, precondition);
            return updated(connection, id, repository.update(connection, id, input, Update.ALL));
        });
    }

    /** Changes some fields (RFC 7396) and returns the row as stored. */
    public Harvest patch(long id, ObjectNode patch, Precondition precondition) {
        return transactions.write(connection -> {
            Harvest current = locked(connection, id);
            precondition.verify(current);
            HarvestInput before = HarvestInput.of(current);
            HarvestInput changed = MergePatch.apply(patch, before, HarvestInput.class);
            checkReplacement(id, changed).forgive(check(before, OnReplace.class), patch::has).verify();
            return updated(connection, id, repository.update(connection, id, changed, patch::has));
        });
    }

    /** Deletes the row with this key. */
    public void delete(long id, Precondition precondition) {
        boolean deleted = transactions.delete(connection -> {
            verifyState(connection, id, precondition);
            return repository.delete(connection, id);
        });
        if (!deleted) {
            throw missing(id);
        }
    }

    private static Rules checkReplacement(long id, HarvestInput input) {
        return check(input, OnReplace.class)
                .sameKey("id", input.id(), id);
    }

    private static Rules check(HarvestInput input, Class<?> group) {
        return Rules.of(input, group);
    }
}
