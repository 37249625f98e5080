package com.example.cellar.dto;

import com.example.cellar.entity.VesselTransfer;
import com.example.cellar.support.OnCreate;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Null;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDateTime;

/**
 * What a client may send to create or replace a vessel transfer.
 *
 * <p>Whatever is left out of a new row is filled in by the database, or stays empty.
 */
public record VesselTransferInput(
        @Null(groups = OnCreate.class)
        Long id,
        @NotNull
        Integer from,
        @NotNull
        Integer to,
        @NotNull
        @DecimalMin(value = "0", inclusive = false)
        @Digits(integer = 7, fraction = 2)
        BigDecimal litres,
        @NotNull
        LocalDateTime movedAt,
        @NotNull
        Integer movedBy,
        @Size(max = 200)
        String reason) {
    /** What a client would send to write this row again. */
    public static VesselTransferInput of(VesselTransfer vesselTransfer) {
        return new VesselTransferInput(
                vesselTransfer.id(),
                vesselTransfer.from(),
                vesselTransfer.to(),
                vesselTransfer.litres(),
                vesselTransfer.movedAt(),
                vesselTransfer.movedBy(),
                vesselTransfer.reason());
    }
}
