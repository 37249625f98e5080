package com.example.cellar.service;

import com.example.cellar.dto.ParcelInput;
import com.example.cellar.entity.GrapeVariety;
import com.example.cellar.entity.Parcel;
import com.example.cellar.repository.GrapeVarietyRepository;
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

/** What can be done with parcels, each in a transaction of its own; {@link RowService} says what they throw. */
public final class ParcelService extends RowService<Parcel, Integer> {
    /** The rows that a parcel refers to, which a client can ask to have included. */
    public static final Includes<Parcel> INCLUDES = Includes.<Parcel>none()
            .with("variety", Parcel::varietyCode, new GrapeVarietyRepository()::lookUpByCode, GrapeVariety::code);

    private final ParcelRepository repository;

    public ParcelService(Transactions transactions, ParcelRepository repository) {
        super(transactions.on(ParcelRepository.CONSTRAINTS), "parcel", repository::findById, repository::lockById);
        this.repository = repository;
    }

    /** The rows of a page. */
    public PageResult<Parcel> list(PageQuery page) {
        return transactions.read(page, connection -> repository.list(connection, page));
    }

    /** The row with this key. */
    public Parcel find(int id) {
        return transactions.read(connection -> existing(connection, id));
    }

    /** The rows of a page that refer to this grape variety. */
    public PageResult<Parcel> listWhereVarietyCodeIs(String varietyCode, PageQuery page) {
        return transactions.read(page, connection -> repository.listWhereVarietyCodeIs(connection, varietyCode, page));
    }

    /** Rows as JSON, each with the rows that it refers to under these names. */
    public List<ObjectNode> including(List<String> names, List<Parcel> rows) {
        return transactions.read(connection -> INCLUDES.embed(connection, rows, names));
    }

    /** Creates a row and returns it as stored. */
    public Parcel create(ParcelInput input) {
        check(input, OnCreate.class).verify();
        return transactions.write(connection -> repository.insert(connection, input));
    }

    /** Creates all rows or, if one cannot be, none, and returns them as stored; a problem names the element. */
    public List<Parcel> createAll(List<ParcelInput> inputs) {
        Rules.verify(inputs.stream().map(input -> check(input, OnCreate.class)).toList());
        return transactions.writeEach(inputs, repository::insert);
    }

    /** Replaces everything but the key and returns the row as stored. */
    public Parcel replace(int id, ParcelInput input, Precondition precondition) {
        checkReplacement(id, input).verify();
        return transactions.write(connection -> {
            verifyState(connection, id, precondition);
            return updated(connection, id, repository.update(connection, id, input, Update.ALL));
        });
    }

    /** Changes some fields (RFC 7396) and returns the row as stored. */
    public Parcel patch(int id, ObjectNode patch, Precondition precondition) {
        return transactions.write(connection -> {
            Parcel current = locked(connection, id);
            precondition.verify(current);
            ParcelInput before = ParcelInput.of(current);
            ParcelInput changed = MergePatch.apply(patch, before, ParcelInput.class);
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

    private static Rules checkReplacement(int id, ParcelInput input) {
        return check(input, OnReplace.class)
                .sameKey("id", input.id(), id);
    }

    private static Rules check(ParcelInput input, Class<?> group) {
        return Rules.of(input, group);
    }
}
