package com.example.cellar.entity;

import java.time.LocalDate;

/**
 * Anything that holds wine: a tank, a barrel, an amphora or a concrete egg.
 *
 * <p>Table {@code VESSEL}.
 *
 * @param toast How far the staves were toasted; barrels only
 */
public record Vessel(
        int id,
        String code,
        VesselKind kind,
        int capacityLitres,
        VesselToast toast,
        LocalDate boughtOn,
        boolean inUse) {
}
