package com.example.cellar.dto;

import com.example.cellar.entity.GrapeVariety;
import com.example.cellar.entity.GrapeVarietyColour;
import com.example.cellar.support.OnCreate;
import com.example.cellar.support.OnReplace;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;

/**
 * What a client may send to create or replace a grape variety.
 *
 * <p>Whatever is left out of a new row is filled in by the database, or stays empty.
 */
public record GrapeVarietyInput(
        @NotNull(groups = OnCreate.class)
        @Size(min = 1, max = 8)
        String code,
        @NotNull
        @Size(max = 60)
        String name,
        @NotNull
        GrapeVarietyColour colour,
        @NotNull(groups = OnReplace.class)
        Integer order,
        @Size(max = 200)
        String synonyms) {
    /** What a client would send to write this row again. */
    public static GrapeVarietyInput of(GrapeVariety grapeVariety) {
        return new GrapeVarietyInput(
                grapeVariety.code(),
                grapeVariety.name(),
                grapeVariety.colour(),
                grapeVariety.order(),
                grapeVariety.synonyms());
    }
}
