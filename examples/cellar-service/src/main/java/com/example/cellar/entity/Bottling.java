package com.example.cellar.entity;

import java.math.BigDecimal;
import java.time.LocalDate;

/**
 * A run of the bottling line.
 *
 * <p>Table {@code BOTTLING}.
 *
 * @param litres Worked out by the database
 */
public record Bottling(
        int id,
        int blendId,
        Integer labelId,
        LocalDate bottledOn,
        int bottleMl,
        int bottles,
        BigDecimal litres,
        BigDecimal price,
        BottlingClosedWith closedWith) {
}
