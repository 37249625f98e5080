package com.example.cellar.entity;

import java.time.LocalDate;

/**
 * A wine put together from lots.
 *
 * <p>Table {@code BLEND}.
 *
 * @param vintage Empty for a blend over several years
 */
public record Blend(
        int id,
        String name,
        Integer vintage,
        LocalDate blendedOn,
        String tastingNotes,
        Integer approvedBy) {
}
