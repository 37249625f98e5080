package com.example.cellar.dto;

import com.example.cellar.entity.Bottling;
import com.example.cellar.entity.BottlingClosedWith;
import com.example.cellar.support.OnCreate;
import com.example.cellar.support.OnReplace;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Null;
import java.math.BigDecimal;
import java.time.LocalDate;

/**
 * What a client may send to create or replace a bottling.
 *
 * <p>Whatever is left out of a new row is filled in by the database, or stays empty.
 */
public record BottlingInput(
        @Null(groups = OnCreate.class)
        Integer id,
        @NotNull
        Integer blendId,
        Integer labelId,
        @NotNull
        LocalDate bottledOn,
        @NotNull(groups = OnReplace.class)
        @Min(-32768)
        @Max(32767)
        Integer bottleMl,
        @NotNull
        @Min(1)
        Integer bottles,
        @DecimalMin("0")
        @Digits(integer = 6, fraction = 2)
        BigDecimal price,
        @NotNull
        BottlingClosedWith closedWith) {
    /** What a client would send to write this row again. */
    public static BottlingInput of(Bottling bottling) {
        return new BottlingInput(
                bottling.id(),
                bottling.blendId(),
                bottling.labelId(),
                bottling.bottledOn(),
                bottling.bottleMl(),
                bottling.bottles(),
                bottling.price(),
                bottling.closedWith());
    }
}
