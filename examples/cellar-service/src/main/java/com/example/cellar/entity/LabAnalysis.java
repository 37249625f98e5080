package com.example.cellar.entity;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.time.OffsetDateTime;
import java.util.UUID;

/**
 * A sample of a lot, measured in the laboratory.
 *
 * <p>Table {@code LAB_ANALYSIS}.
 *
 * @param readings Everything the instrument reported, as it came
 */
public record LabAnalysis(
        long id,
        UUID wineLotId,
        OffsetDateTime takenAt,
        BigDecimal ph,
        BigDecimal alcoholVolume,
        Float celsius,
        JsonNode readings,
        String remarks) {
}
