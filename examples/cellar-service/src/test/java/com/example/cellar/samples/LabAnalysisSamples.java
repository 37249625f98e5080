package com.example.cellar.samples;

import com.example.cellar.dto.LabAnalysisInput;
import com.example.cellar.entity.LabAnalysis;
import com.example.cellar.entity.WineLot;
import com.example.cellar.repository.LabAnalysisRepository;
import com.example.cellar.support.Json;
import com.example.cellar.support.TestRows;
import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.OffsetDateTime;

/** Rows of {@code LAB_ANALYSIS} that satisfy every constraint. */
public final class LabAnalysisSamples {
    private static final LabAnalysisRepository REPOSITORY = new LabAnalysisRepository();

    /** How tests get at the rows. */
    public static final TestRows<LabAnalysis, LabAnalysisInput, Long> ROWS = TestRows.of(LabAnalysis.class, REPOSITORY)
            .keyed(LabAnalysis::id, REPOSITORY::findById)
            .made(LabAnalysisInput::of, LabAnalysisSamples::sample, REPOSITORY::insert)
            .changed(LabAnalysisSamples::other, REPOSITORY::update)
            .deleted(REPOSITORY::delete);

    private LabAnalysisSamples() {
    }

    /** A row with a value in every field; the rows that it refers to are inserted first. */
    public static LabAnalysisInput sample(Connection connection) throws SQLException {
        WineLot wineLot = WineLotSamples.ROWS.inserted(connection);
        return new LabAnalysisInput(
                null,
                wineLot.id(),
                OffsetDateTime.parse("2021-03-01T08:30:00Z"),
                new BigDecimal("3.50"),
                new BigDecimal("12.50"),
                10.0F,
                Json.parse("{\"sample\": 1.5}"),
                "Remarks");
    }

    /** A row that differs from {@link #sample} wherever the constraints leave a choice. */
    public static LabAnalysisInput other(Connection connection) throws SQLException {
        WineLot wineLot = WineLotSamples.ROWS.inserted(connection);
        return new LabAnalysisInput(
                null,
                wineLot.id(),
                OffsetDateTime.parse("2021-04-01T14:30:00Z"),
                new BigDecimal("4.50"),
                new BigDecimal("13.50"),
                11.0F,
                Json.parse("[1, 2, 3]"),
                "Other remarks");
    }
}
