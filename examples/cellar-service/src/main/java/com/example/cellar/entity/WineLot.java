package com.example.cellar.entity;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.UUID;

/**
 * Wine that is kept together, from the press to the blend.
 *
 * <p>Table {@code WINE_LOT}.
 */
public record WineLot(
        UUID id,
        String name,
        int vintage,
        Integer vesselId,
        BigDecimal litres,
        LocalDate filledOn,
        LocalDate emptiedOn,
        OffsetDateTime createdAt) {
}
