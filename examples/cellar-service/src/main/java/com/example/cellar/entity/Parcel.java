package com.example.cellar.entity;

import java.math.BigDecimal;
import java.time.LocalDate;

/**
 * A piece of vineyard planted with one variety.
 *
 * <p>Table {@code PARCEL}.
 *
 * @param areaHa Area in hectares
 */
public record Parcel(
        int id,
        String name,
        String varietyCode,
        BigDecimal areaHa,
        Integer slopePercent,
        ParcelSoil soil,
        LocalDate plantedOn,
        boolean organic,
        Double latitude,
        Double longitude) {
}
