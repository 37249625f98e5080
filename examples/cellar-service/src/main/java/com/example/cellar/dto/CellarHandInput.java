package com.example.cellar.dto;

import com.example.cellar.entity.CellarHand;
import com.example.cellar.entity.CellarHandCraft;
import com.example.cellar.support.OnCreate;
import com.example.cellar.support.OnReplace;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Null;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.time.LocalTime;

/**
 * What a client may send to create or replace a cellar hand.
 *
 * <p>Whatever is left out of a new row is filled in by the database, or stays empty.
 */
public record CellarHandInput(
        @Null(groups = OnCreate.class)
        Integer id,
        @NotNull
        @Size(max = 80)
        String fullName,
        @NotNull
        @Size(max = 120)
        @Pattern(regexp = ".*.@..*", flags = Pattern.Flag.DOTALL)
        String email,
        @NotNull(groups = OnReplace.class)
        CellarHandCraft craft,
        @NotNull
        LocalDate hiredOn,
        LocalDate leftOn,
        @NotNull
        LocalTime shiftStarts,
        Integer supervisorId) {
    /** What a client would send to write this row again. */
    public static CellarHandInput of(CellarHand cellarHand) {
        return new CellarHandInput(
                cellarHand.id(),
                cellarHand.fullName(),
                cellarHand.email(),
                cellarHand.craft(),
                cellarHand.hiredOn(),
                cellarHand.leftOn(),
                cellarHand.shiftStarts(),
                cellarHand.supervisorId());
    }
}
