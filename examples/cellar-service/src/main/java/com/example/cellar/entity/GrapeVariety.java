package com.example.cellar.entity;

/**
 * A grape variety that we grow or buy.
 *
 * <p>Table {@code GRAPE_VARIETY}.
 *
 * @param code Short code, as chalked on the vats
 * @param order Place in lists; equal places sort by name
 */
public record GrapeVariety(
        String code,
        String name,
        GrapeVarietyColour colour,
        int order,
        String synonyms) {
}
