package com.example.cellar.service;

import com.example.cellar.dto.WineLotHarvestInput;
import com.example.cellar.entity.Harvest;
import com.example.cellar.entity.WineLot;
import com.example.cellar.entity.WineLotHarvest;
import com.example.cellar.entity.WineLotHarvestKey;
import com.example.cellar.repository.HarvestRepository;
import com.example.cellar.repository.WineLotHarvestRepository;
import com.example.cellar.repository.WineLotRepository;
import com.example.cellar.support.Includes;
import com.example.cellar.support.OnCreate;
import com.example.cellar.support.PageQuery;
import com.example.cellar.support.PageResult;
import com.example.cellar.support.Precondition;
import com.example.cellar.support.RowService;
import com.example.cellar.support.Rules;
import com.example.cellar.support.Transactions;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.UUID;

/**
 * What can be done with wine lot harvests, each in a transaction of its own; {@link RowService} says what they throw.
 */
public final class WineLotHarvestService extends RowService<WineLotHarvest, WineLotHarvestKey> {
    /** The rows that a wine lot harvest refers to, which a client can ask to have included. */
    public static final Includes<WineLotHarvest> INCLUDES = Includes.<WineLotHarvest>none()
            .with("harvest", WineLotHarvest::harvestId, new HarvestRepository()::lookUpById, Harvest::id)
            .with("wineLot", WineLotHarvest::wineLotId, new WineLotRepository()::lookUpById, WineLot::id);

    private final WineLotHarvestRepository repository;

    public WineLotHarvestService(Transactions transactions, WineLotHarvestRepository repository) {
        super(transactions.on(WineLotHarvestRepository.CONSTRAINTS), "wine lot harvest", repository::findById,
                repository::lockById);
        this.repository = repository;
    }

    /** The rows of a page. */
    public PageResult<WineLotHarvest> list(PageQuery page) {
        return transactions.read(page, connection -> repository.list(connection, page));
    }

    /** The row with this key. */
    public WineLotHarvest find(WineLotHarvestKey key) {
        return transactions.read(connection -> existing(connection, key));
    }

    /** The rows of a page that refer to this harvest. */
    public PageResult<WineLotHarvest> listWhereHarvestIdIs(long harvestId, PageQuery page) {
        return transactions.read(page, connection -> repository.listWhereHarvestIdIs(connection, harvestId, page));
    }

    /** The rows of a page that refer to this wine lot. */
    public PageResult<WineLotHarvest> listWhereWineLotIdIs(UUID wineLotId, PageQuery page) {
        return transactions.read(page, connection -> repository.listWhereWineLotIdIs(connection, wineLotId, page));
    }

    /** Rows as JSON, each with the rows that it refers to under these names. */
    public List<ObjectNode> including(List<String> names, List<WineLotHarvest> rows) {
        return transactions.read(connection -> INCLUDES.embed(connection, rows, names));
    }

    /** Creates a row and returns it as stored. */
    public WineLotHarvest create(WineLotHarvestInput input) {
        check(input, OnCreate.class).verify();
        return transactions.write(connection -> repository.insert(connection, input));
    }

    /** Creates all rows or, if one cannot be, none, and returns them as stored; a problem names the element. */
    public List<WineLotHarvest> createAll(List<WineLotHarvestInput> inputs) {
        Rules.verify(inputs.stream().map(input -> check(input, OnCreate.class)).toList());
        return transactions.writeEach(inputs, input -> input.wineLotId() + "," + input.harvestId(), repository::insert);
    }

    /** Deletes the row with this key. */
    public void delete(WineLotHarvestKey key, Precondition precondition) {
        boolean deleted = transactions.delete(connection -> {
            verifyState(connection, key, precondition);
            return repository.delete(connection, key);
        });
        if (!deleted) {
            throw missing(key);
        }
    }

    private static Rules check(WineLotHarvestInput input, Class<?> group) {
        return Rules.of(input, group);
    }
}
