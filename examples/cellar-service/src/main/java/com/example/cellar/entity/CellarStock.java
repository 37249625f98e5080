package com.example.cellar.entity;

import java.math.BigDecimal;

/**
 * What lies in the cellar today.
 *
 * <p>View {@code CELLAR_STOCK}.
 */
public record CellarStock(
        String code,
        String kind,
        Integer capacityLitres,
        String wine,
        Integer vintage,
        BigDecimal litres) {
}
