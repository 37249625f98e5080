package com.example.cellar.samples;

import com.example.cellar.dto.WineLotHarvestInput;
import com.example.cellar.entity.Harvest;
import com.example.cellar.entity.WineLot;
import com.example.cellar.entity.WineLotHarvest;
import com.example.cellar.entity.WineLotHarvestKey;
import com.example.cellar.repository.WineLotHarvestRepository;
import com.example.cellar.support.TestRows;
import java.sql.Connection;
import java.sql.SQLException;

/** Rows of {@code WINE_LOT_HARVEST} that satisfy every constraint. */
public final class WineLotHarvestSamples {
    private static final WineLotHarvestRepository REPOSITORY = new WineLotHarvestRepository();

    /** How tests get at the rows. */
    public static final TestRows<WineLotHarvest, WineLotHarvestInput, WineLotHarvestKey> ROWS
            = TestRows.of(WineLotHarvest.class, REPOSITORY)
            .keyed(WineLotHarvest::primaryKey, REPOSITORY::findById)
            .made(WineLotHarvestInput::of, WineLotHarvestSamples::sample, REPOSITORY::insert)
            .deleted(REPOSITORY::delete)
            .sharing("wineLotId", "harvestId");

    private WineLotHarvestSamples() {
    }

    /** A row with a value in every field; the rows that it refers to are inserted first. */
    public static WineLotHarvestInput sample(Connection connection) throws SQLException {
        Harvest harvest = HarvestSamples.ROWS.inserted(connection);
        WineLot wineLot = WineLotSamples.ROWS.inserted(connection);
        return new WineLotHarvestInput(wineLot.id(), harvest.id());
    }
}
