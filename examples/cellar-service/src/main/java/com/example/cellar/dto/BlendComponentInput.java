package com.example.cellar.dto;

import com.example.cellar.entity.BlendComponent;
import com.example.cellar.support.OnCreate;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.util.UUID;

/**
 * What a client may send to create or replace a blend component.
 *
 * <p>Whatever is left out of a new row is filled in by the database, or stays empty.
 */
public record BlendComponentInput(
        @NotNull(groups = OnCreate.class)
        Integer blendId,
        @NotNull(groups = OnCreate.class)
        UUID wineLotId,
        @NotNull
        @DecimalMin(value = "0", inclusive = false)
        @DecimalMax("100")
        @Digits(integer = 3, fraction = 2)
        BigDecimal share) {
    /** What a client would send to write this row again. */
    public static BlendComponentInput of(BlendComponent blendComponent) {
        return new BlendComponentInput(
                blendComponent.blendId(),
                blendComponent.wineLotId(),
                blendComponent.share());
    }
}
