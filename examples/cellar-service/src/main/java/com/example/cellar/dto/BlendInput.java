package com.example.cellar.dto;

import com.example.cellar.entity.Blend;
import com.example.cellar.support.OnCreate;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Null;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;

/**
 * What a client may send to create or replace a blend.
 *
 * <p>Whatever is left out of a new row is filled in by the database, or stays empty.
 */
public record BlendInput(
        @Null(groups = OnCreate.class)
        Integer id,
        @NotNull
        @Size(max = 80)
        String name,
        @Min(1950)
        @Max(2100)
        Integer vintage,
        @NotNull
        LocalDate blendedOn,
        String tastingNotes,
        Integer approvedBy) {
    /** What a client would send to write this row again. */
    public static BlendInput of(Blend blend) {
        return new BlendInput(
                blend.id(),
                blend.name(),
                blend.vintage(),
                blend.blendedOn(),
                blend.tastingNotes(),
                blend.approvedBy());
    }
}
