package com.example.cellar.entity;

import com.example.cellar.support.Binary;

/**
 * What is glued on the bottle.
 *
 * <p>Table {@code LABEL}.
 */
public record Label(
        int id,
        String title,
        String languageCode,
        String backText,
        Binary picture) {
}
