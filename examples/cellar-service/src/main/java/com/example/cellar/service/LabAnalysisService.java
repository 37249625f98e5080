package com.example.cellar.service;

import com.example.cellar.dto.LabAnalysisInput;
import com.example.cellar.entity.LabAnalysis;
import com.example.cellar.entity.WineLot;
import com.example.cellar.repository.LabAnalysisRepository;
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

/** What can be done with lab analyses, each in a transaction of its own; {@link RowService} says what they throw. */
public final class LabAnalysisService extends RowService<LabAnalysis, Long> {
    /** The rows that a lab analysis refers to, which a client can ask to have included. */
    public static final Includes<LabAnalysis> INCLUDES = Includes.<LabAnalysis>none()
            .with("wineLot", LabAnalysis::wineLotId, new WineLotRepository()::lookUpById, WineLot::id);

    private final LabAnalysisRepository repository;

    public LabAnalysisService(Transactions transactions, LabAnalysisRepository repository) {
        super(transactions.on(LabAnalysisRepository.CONSTRAINTS), "lab analysis", repository::findById,
                repository::lockById);
        this.repository = repository;
    }

    /** The rows of a page. */
    public PageResult<LabAnalysis> list(PageQuery page) {
        return transactions.read(page, connection -> repository.list(connection, page));
    }

    /** The row with this key. */
    public LabAnalysis find(long id) {
        return transactions.read(connection -> existing(connection, id));
    }

    /** The rows of a page that refer to this wine lot. */
    public PageResult<LabAnalysis> listWhereWineLotIdIs(UUID wineLotId, PageQuery page) {
        return transactions.read(page, connection -> repository.listWhereWineLotIdIs(connection, wineLotId, page));
    }

    /** Rows as JSON, each with the rows that it refers to under these names. */
    public List<ObjectNode> including(List<String> names, List<LabAnalysis> rows) {
        return transactions.read(connection -> INCLUDES.embed(connection, rows, names));
    }

    /** Creates a row and returns it as stored. */
    public LabAnalysis create(LabAnalysisInput input) {
        check(input, OnCreate.class).verify();
        return transactions.write(connection -> repository.insert(connection, input));
    }

    /** Creates all rows or, if one cannot be, none, and returns them as stored; a problem names the element. */
    public List<LabAnalysis> createAll(List<LabAnalysisInput> inputs) {
        Rules.verify(inputs.stream().map(input -> check(input, OnCreate.class)).toList());
        return transactions.writeEach(inputs, repository::insert);
    }

    /** Replaces everything but the key and returns the row as stored. */
    public LabAnalysis replace(long id, LabAnalysisInput input, Precondition precondition) {
        checkReplacement(id, input).verify();
        return transactions.write(connection -> {
            verifyState(connection, id, precondition);
            return updated(connection, id, repository.update(connection, id, input, Update.ALL));
        });
    }

    /** Changes some fields (RFC 7396) and returns the row as stored. */
    public LabAnalysis patch(long id, ObjectNode patch, Precondition precondition) {
        return transactions.write(connection -> {
            LabAnalysis current = locked(connection, id);
            precondition.verify(current);
            LabAnalysisInput before = LabAnalysisInput.of(current);
            LabAnalysisInput changed = MergePatch.apply(patch, before, LabAnalysisInput.class);
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

    private static Rules checkReplacement(long id, LabAnalysisInput input) {
        return check(input, OnReplace.class)
                .sameKey("id", input.id(), id);
    }

    private static Rules check(LabAnalysisInput input, Class<?> group) {
        return Rules.of(input, group);
    }
}
