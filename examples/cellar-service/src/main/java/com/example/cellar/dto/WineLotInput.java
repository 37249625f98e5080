package com.example.cellar.dto;

import com.example.cellar.entity.WineLot;
import com.example.cellar.support.OnReplace;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.UUID;

/**
 * What a client may send to create or replace a wine lot.
 *
 * <p>Whatever is left out of a new row is filled in by the database, or stays empty.
 */
public record WineLotInput(
        UUID id,
        @NotNull
        @Size(max = 80)
        String name,
        @NotNull
        @Min(1950)
        @Max(2100)
        Integer vintage,
        Integer vesselId,
        @NotNull
        @DecimalMin("0")
        @Digits(integer = 7, fraction = 2)
        BigDecimal litres,
        @NotNull
        LocalDate filledOn,
        LocalDate emptiedOn,
        @NotNull(groups = OnReplace.class)
        OffsetDateTime createdAt) {
    /** What a client would send to write this row again. */
    public static WineLotInput of(WineLot wineLot) {
        return new WineLotInput(
                wineLot.id(),
                wineLot.name(),
                wineLot.vintage(),
                wineLot.vesselId(),
                wineLot.litres(),
                wineLot.filledOn(),
                wineLot.emptiedOn(),
                wineLot.createdAt());
    }
}
