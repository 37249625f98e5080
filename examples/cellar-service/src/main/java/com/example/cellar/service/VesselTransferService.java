package com.example.cellar.service;

import com.example.cellar.dto.VesselTransferInput;
import com.example.cellar.entity.CellarHand;
import com.example.cellar.entity.Vessel;
import com.example.cellar.entity.VesselTransfer;
import com.example.cellar.repository.CellarHandRepository;
import com.example.cellar.repository.VesselRepository;
import com.example.cellar.repository.VesselTransferRepository;
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

/**
 * What can be done with vessel transfers, each in a transaction of its own; {@link RowService} says what they throw.
 */
public final class VesselTransferService extends RowService<VesselTransfer, Long> {
    /** The rows that a vessel transfer refers to, which a client can ask to have included. */
    public static final Includes<VesselTransfer> INCLUDES = Includes.<VesselTransfer>none()
            .with("fromVessel", VesselTransfer::from, new VesselRepository()::lookUpById, Vessel::id)
            .with("cellarHand", VesselTransfer::movedBy, new CellarHandRepository()::lookUpById, CellarHand::id)
            .with("toVessel", VesselTransfer::to, new VesselRepository()::lookUpById, Vessel::id);

    private final VesselTransferRepository repository;

    public VesselTransferService(Transactions transactions, VesselTransferRepository repository) {
        super(transactions.on(VesselTransferRepository.CONSTRAINTS), "vessel transfer", repository::findById,
                repository::lockById);
        this.repository = repository;
    }

    /** The rows of a page. */
    public PageResult<VesselTransfer> list(PageQuery page) {
        return transactions.read(page, connection -> repository.list(connection, page));
    }

    /** The row with this key. */
    public VesselTransfer find(long id) {
        return transactions.read(connection -> existing(connection, id));
    }

    /** The rows of a page that refer to this vessel. */
    public PageResult<VesselTransfer> listWhereFromIs(int from, PageQuery page) {
        return transactions.read(page, connection -> repository.listWhereFromIs(connection, from, page));
    }

    /** The rows of a page that refer to this cellar hand. */
    public PageResult<VesselTransfer> listWhereMovedByIs(int movedBy, PageQuery page) {
        return transactions.read(page, connection -> repository.listWhereMovedByIs(connection, movedBy, page));
    }

    /** The rows of a page that refer to this vessel. */
    public PageResult<VesselTransfer> listWhereToIs(int to, PageQuery page) {
        return transactions.read(page, connection -> repository.listWhereToIs(connection, to, page));
    }

    /** Rows as JSON, each with the rows that it refers to under these names. */
    public List<ObjectNode> including(List<String> names, List<VesselTransfer> rows) {
        return transactions.read(connection -> INCLUDES.embed(connection, rows, names));
    }

    /** Creates a row and returns it as stored. */
    public VesselTransfer create(VesselTransferInput input) {
        check(input, OnCreate.class).verify();
        return transactions.write(connection -> repository.insert(connection, input));
    }

    /** Creates all rows or, if one cannot be, none, and returns them as stored; a problem names the element. */
    public List<VesselTransfer> createAll(List<VesselTransferInput> inputs) {
        Rules.verify(inputs.stream().map(input -> check(input, OnCreate.class)).toList());
        return transactions.writeEach(inputs, repository::insert);
    }

    /** Replaces everything but the key and returns the row as stored. */
    public VesselTransfer replace(long id, VesselTransferInput input, Precondition precondition) {
        checkReplacement(id, input).verify();
        return transactions.write(connection -> {
            verifyState(connection, id, precondition);
            return updated(connection, id, repository.update(connection, id, input, Update.ALL));
        });
    }

    /** Changes some fields (RFC 7396) and returns the row as stored. */
    public VesselTransfer patch(long id, ObjectNode patch, Precondition precondition) {
        return transactions.write(connection -> {
            VesselTransfer current = locked(connection, id);
            precondition.verify(current);
            VesselTransferInput before = VesselTransferInput.of(current);
            VesselTransferInput changed = MergePatch.apply(patch, before, VesselTransferInput.class);
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

    private static Rules checkReplacement(long id, VesselTransferInput input) {
        return check(input, OnReplace.class)
                .sameKey("id", input.id(), id);
    }

    private static Rules check(VesselTransferInput input, Class<?> group) {
        return Rules.of(input, group)
                .different("from", input.from(), "to", input.to());
    }
}
