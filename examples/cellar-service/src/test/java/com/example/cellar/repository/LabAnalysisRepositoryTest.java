package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.LabAnalysisInput;
import com.example.cellar.entity.LabAnalysis;
import com.example.cellar.samples.LabAnalysisSamples;
import com.example.cellar.support.RemovalContract;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRow;
import com.example.cellar.support.TestRows;
import com.example.cellar.support.UpdateContract;
import java.sql.SQLException;

class LabAnalysisRepositoryTest implements UpdateContract<LabAnalysis, LabAnalysisInput>, RemovalContract<LabAnalysis,
        LabAnalysisInput> {
    @Override
    public TestRows<LabAnalysis, LabAnalysisInput, ?> rows() {
        return LabAnalysisSamples.ROWS;
    }

    @Override
    public void assertStored(LabAnalysis stored, LabAnalysisInput input) throws SQLException {
        TestRow row = TestRow.find(connection(), Tables.LAB_ANALYSIS, stored.id());
        assertThat(row.get("WINE_LOT_ID")).isEqualTo(input.wineLotId());
        assertThat(row.get("TAKEN_AT")).isEqualTo(input.takenAt());
        assertThat(row.get("PH")).isEqualTo(input.ph());
        assertThat(row.get("ALCOHOL_VOLUME")).isEqualTo(input.alcoholVolume());
        assertThat(row.get("CELSIUS")).isEqualTo(input.celsius());
        assertThat(row.get("READINGS")).isEqualTo(input.readings());
        assertThat(row.get("REMARKS")).isEqualTo(input.remarks());
        assertThat(LabAnalysisInput.of(stored)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
    }
}
