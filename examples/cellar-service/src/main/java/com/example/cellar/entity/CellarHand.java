package com.example.cellar.entity;

import java.time.LocalDate;
import java.time.LocalTime;

/**
 * Someone who works in the cellar or the vineyard.
 *
 * <p>Table {@code CELLAR_HAND}.
 *
 * @param supervisorId Whom this person answers to; nobody for the winemaker
 */
public record CellarHand(
        int id,
        String fullName,
        String email,
        CellarHandCraft craft,
        LocalDate hiredOn,
        LocalDate leftOn,
        LocalTime shiftStarts,
        Integer supervisorId) {
}
