package com.example.cellar.entity;

import java.util.UUID;

/**
 * Which harvests went into which lot.
 *
 * <p>Table {@code WINE_LOT_HARVEST}.
 */
public record WineLotHarvest(
        UUID wineLotId,
        long harvestId) {
    /** The primary key. */
    public WineLotHarvestKey primaryKey() {
        return new WineLotHarvestKey(wineLotId, harvestId);
    }
}
