package com.example.cellar.entity;

import java.math.BigDecimal;
import java.time.LocalDate;

/**
 * What one parcel gave on one day.
 *
 * <p>Table {@code HARVEST}.
 *
 * @param brix Sugar of the must, in degrees Brix
 */
public record Harvest(
        long id,
        int parcelId,
        LocalDate pickedOn,
        BigDecimal weightKg,
        BigDecimal brix,
        boolean byMachine,
        Integer pickedBy) {
}
