package com.example.cellar.dto;

import com.example.cellar.entity.WineLotHarvest;
import com.example.cellar.support.OnCreate;
import jakarta.validation.constraints.NotNull;
import java.util.UUID;

/**
 * What a client may send to create or replace a wine lot harvest.
 *
 * <p>Whatever is left out of a new row is filled in by the database, or stays empty.
 */
public record WineLotHarvestInput(
        @NotNull(groups = OnCreate.class)
        UUID wineLotId,
        @NotNull(groups = OnCreate.class)
        Long harvestId) {
    /** What a client would send to write this row again. */
    public static WineLotHarvestInput of(WineLotHarvest wineLotHarvest) {
        return new WineLotHarvestInput(
                wineLotHarvest.wineLotId(),
                wineLotHarvest.harvestId());
    }
}
