package com.example.cellar.entity;

import java.math.BigDecimal;
import java.time.LocalDateTime;

/**
 * Wine moved from one vessel to another.
 *
 * <p>Table {@code VESSEL_TRANSFER}.
 */
public record VesselTransfer(
        long id,
        int from,
        int to,
        BigDecimal litres,
        LocalDateTime movedAt,
        int movedBy,
        String reason) {
}
