package com.example.cellar.service;

import com.example.cellar.dto.WineLotInput;
import com.example.cellar.entity.Vessel;
import com.example.cellar.entity.WineLot;
import com.example.cellar.repository.VesselRepository;
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

/** What can be done with wine lots, each in a transaction of its own; {@link RowService} says what they throw. */
public final class WineLotService extends RowService<WineLot, UUID> {
    /** The rows that a wine lot refers to, which a client can ask to have included. */
    public static final Includes<WineLot> INCLUDES = Includes.<WineLot>none()
            .with("vessel", WineLot::vesselId, new VesselRepository()::lookUpById, Vessel::id);

    private final WineLotRepository repository;

    public WineLotService(Transactions transactions, WineLotRepository repository) {
        super(transactions.on(WineLotRepository.CONSTRAINTS), "wine lot", repository::findById, repository::lockById);
        this.repository = repository;
    }

    /** The rows of a page. */
    public PageResult<WineLot> list(PageQuery page) {
        return transactions.read(page, connection -> repository.list(connection, page));
    }

    /** The row with this key. */
    public WineLot find(UUID id) {
        return transactions.read(connection -> existing(connection, id));
    }

    /** The rows of a page that refer to this vessel. */
    public PageResult<WineLot> listWhereVesselIdIs(int vesselId, PageQuery page) {
        return transactions.read(page, connection -> repository.listWhereVesselIdIs(connection, vesselId, page));
    }

    /** The rows of a page that blend components join to this blend. */
    public PageResult<WineLot> listJoinedToBlendByBlendComponent(int blendId, PageQuery page) {
        return transactions.read(page, connection ->
                repository.listJoinedToBlendByBlendComponent(connection, blendId, page));
    }

    /** The rows of a page that wine lot harvests join to this harvest. */
    public PageResult<WineLot> listJoinedToHarvestByWineLotHarvest(long harvestId, PageQuery page) {
        return transactions.read(page, connection ->
                repository.listJoinedToHarvestByWineLotHarvest(connection, harvestId, page));
    }

    /** Rows as JSON, each with the rows that it refers to under these names. */
    public List<ObjectNode> including(List<String> names, List<WineLot> rows) {
        return transactions.read(connection -> INCLUDES.embed(connection, rows, names));
    }

    /** Creates a row and returns it as stored. */
    public WineLot create(WineLotInput input) {
        check(input, OnCreate.class).verify();
        return transactions.write(connection -> repository.insert(connection, input));
    }

    /** Creates all rows or, if one cannot be, none, and returns them as stored; a problem names the element. */
    public List<WineLot> createAll(List<WineLotInput> inputs) {
        Rules.verify(inputs.stream().map(input -> check(input, OnCreate.class)).toList());
        return transactions.writeEach(inputs, input -> String.valueOf(input.id()), repository::insert);
    }

    /** Replaces everything but the key and returns the row as stored. */
    public WineLot replace(UUID id, WineLotInput input, Precondition precondition) {
        checkReplacement(id, input).verify();
        return transactions.write(connection -> {
            verifyState(connection, id, precondition);
            return updated(connection, id, repository.update(connection, id, input, Update.ALL));
        });
    }

    /** Changes some fields (RFC 7396) and returns the row as stored. */
    public WineLot patch(UUID id, ObjectNode patch, Precondition precondition) {
        return transactions.write(connection -> {
            WineLot current = locked(connection, id);
            precondition.verify(current);
            WineLotInput before = WineLotInput.of(current);
            WineLotInput changed = MergePatch.apply(patch, before, WineLotInput.class);
            checkReplacement(id, changed).forgive(check(before, OnReplace.class), patch::has).verify();
            return updated(connection, id, repository.update(connection, id, changed, patch::has));
        });
    }

    /** Deletes the row with this key. */
    public void delete(UUID id, Precondition precondition) {
        boolean deleted = transactions.delete(connection -> {
            verifyState(connection, id, precondition);
            return repository.delete(connection, id);
        });
        if (!deleted) {
            throw missing(id);
        }
    }

    private static Rules checkReplacement(UUID id, WineLotInput input) {
        return check(input, OnReplace.class)
                .sameKey("id", input.id(), id);
    }

    private static Rules check(WineLotInput input, Class<?> group) {
        return Rules.of(input, group)
                .atLeast("emptiedOn", input.emptiedOn(), "filledOn", input.filledOn());
    }
}
