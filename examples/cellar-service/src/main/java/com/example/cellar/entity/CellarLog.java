package com.example.cellar.entity;

import java.time.LocalDateTime;

/**
 * The day book: written to, never changed.
 *
 * <p>Table {@code CELLAR_LOG}.
 */
public record CellarLog(
        LocalDateTime loggedAt,
        Integer handId,
        String entry) {
}
