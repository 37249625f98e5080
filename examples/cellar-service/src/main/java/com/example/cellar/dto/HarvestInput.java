package com.example.cellar.dto;

import com.example.cellar.entity.Harvest;
import com.example.cellar.support.OnCreate;
import com.example.cellar.support.OnReplace;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Null;
import java.math.BigDecimal;
import java.time.LocalDate;

/**
 * What a client may send to create or replace a harvest.
 *
 * <p>Whatever is left out of a new row is filled in by the database, or stays empty.
 */
public record HarvestInput(
        @Null(groups = OnCreate.class)
        Long id,
        @NotNull
        Integer parcelId,
        @NotNull
        LocalDate pickedOn,
        @NotNull
        @DecimalMin(value = "0", inclusive = false)
        @Digits(integer = 7, fraction = 2)
        BigDecimal weightKg,
        @DecimalMin("5")
        @DecimalMax("45")
        @Digits(integer = 3, fraction = 1)
        BigDecimal brix,
        @NotNull(groups = OnReplace.class)
        Boolean byMachine,
        Integer pickedBy) {
    /** What a client would send to write this row again. */
    public static HarvestInput of(Harvest harvest) {
        return new HarvestInput(
                harvest.id(),
                harvest.parcelId(),
                harvest.pickedOn(),
                harvest.weightKg(),
                harvest.brix(),
                harvest.byMachine(),
                harvest.pickedBy());
    }
}
