package com.example.cellar.dto;

import com.example.cellar.entity.Vessel;
import com.example.cellar.entity.VesselKind;
import com.example.cellar.entity.VesselToast;
import com.example.cellar.support.OnCreate;
import com.example.cellar.support.OnReplace;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Null;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;

/**
 * What a client may send to create or replace a vessel.
 *
 * <p>Whatever is left out of a new row is filled in by the database, or stays empty.
 */
public record VesselInput(
        @Null(groups = OnCreate.class)
        Integer id,
        @NotNull
        @Size(max = 12)
        String code,
        @NotNull
        VesselKind kind,
        @NotNull
        @Min(20)
        @Max(100000)
        Integer capacityLitres,
        VesselToast toast,
        LocalDate boughtOn,
        @NotNull(groups = OnReplace.class)
        Boolean inUse) {
    /** What a client would send to write this row again. */
    public static VesselInput of(Vessel vessel) {
        return new VesselInput(
                vessel.id(),
                vessel.code(),
                vessel.kind(),
                vessel.capacityLitres(),
                vessel.toast(),
                vessel.boughtOn(),
                vessel.inUse());
    }
}
