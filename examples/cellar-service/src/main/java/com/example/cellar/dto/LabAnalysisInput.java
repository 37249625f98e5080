package com.example.cellar.dto;

import com.example.cellar.entity.LabAnalysis;
import com.example.cellar.support.OnCreate;
import com.fasterxml.jackson.databind.JsonNode;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Null;
import java.math.BigDecimal;
import java.time.OffsetDateTime;
import java.util.UUID;

/**
 * What a client may send to create or replace a lab analysis.
 *
 * <p>Whatever is left out of a new row is filled in by the database, or stays empty.
 */
public record LabAnalysisInput(
        @Null(groups = OnCreate.class)
        Long id,
        @NotNull
        UUID wineLotId,
        @NotNull
        OffsetDateTime takenAt,
        @DecimalMin("2.5")
        @DecimalMax("4.5")
        @Digits(integer = 1, fraction = 2)
        BigDecimal ph,
        @DecimalMin("0")
        @DecimalMax("25")
        @Digits(integer = 2, fraction = 2)
        BigDecimal alcoholVolume,
        Float celsius,
        JsonNode readings,
        String remarks) {
    /** What a client would send to write this row again. */
    public static LabAnalysisInput of(LabAnalysis labAnalysis) {
        return new LabAnalysisInput(
                labAnalysis.id(),
                labAnalysis.wineLotId(),
                labAnalysis.takenAt(),
                labAnalysis.ph(),
                labAnalysis.alcoholVolume(),
                labAnalysis.celsius(),
                labAnalysis.readings(),
                labAnalysis.remarks());
    }
}
