package com.example.cellar.controller;

import com.example.cellar.dto.LabAnalysisInput;
import com.example.cellar.entity.LabAnalysis;
import com.example.cellar.samples.LabAnalysisSamples;
import com.example.cellar.support.ComparisonContract;
import com.example.cellar.support.CreateManyContract;
import com.example.cellar.support.CrudContract;
import com.example.cellar.support.IncludeContract;
import com.example.cellar.support.NestedContract;
import com.example.cellar.support.NestedList;
import com.example.cellar.support.PathKeys;
import com.example.cellar.support.RuleCase;
import com.example.cellar.support.TableFacts;
import com.example.cellar.support.Tables;
import java.math.BigDecimal;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;

class LabAnalysisControllerTest implements
        CrudContract<LabAnalysis, LabAnalysisInput>,
        ComparisonContract<LabAnalysis, LabAnalysisInput>,
        CreateManyContract<LabAnalysis, LabAnalysisInput>,
        IncludeContract<LabAnalysis, LabAnalysisInput>,
        NestedContract<LabAnalysis, LabAnalysisInput> {
    @Override
    public TableFacts<LabAnalysis, LabAnalysisInput> facts() {
        return TableFacts.of("/lab-analyses", LabAnalysisSamples.ROWS)
                .touching(Tables.VESSEL, Tables.WINE_LOT, Tables.LAB_ANALYSIS)
                .key("id")
                .sortable("wineLotId")
                .filters("id", "wineLotId")
                .ordered("id")
                .changeable("wineLotId", "takenAt", "ph", "alcoholVolume", "celsius", "readings", "remarks");
    }

    @Override
    public Map<String, String> included(LabAnalysis stored) {
        return Map.of(
                "wineLot", "/wine-lots/" + PathKeys.join(stored.wineLotId()));
    }

    @Override
    public List<NestedList<?>> nested(LabAnalysis stored) throws SQLException {
        return List.of(
                listAt("/wine-lots/" + PathKeys.join(stored.wineLotId()) + "/lab-analyses",
                        row -> Objects.equals(row.wineLotId(), stored.wineLotId())));
    }

    static Stream<RuleCase> rules() {
        return Stream.of(
                RuleCase.of("all required missing").without("wineLotId", "takenAt").isRefused(400),
                // Reference LAB_ANALYSIS_LOT_FKEY: WINE_LOT_ID -> WINE_LOT (ID) ON DELETE CASCADE
                RuleCase.of("wineLotId of a missing row").with("wineLotId", "ffffffff-ffff-ffff-ffff-ffffffffffff")
                        .isRefused(422),
                RuleCase.of("row of wineLotId deleted").deleting("/wine-lots", "wineLotId").deletesTheRow(),
                // Check LAB_ANALYSIS_ALCOHOL_CHECK: "ALCOHOL_VOLUME" BETWEEN 0 AND 25
                RuleCase.of("alcoholVolume below its least").with("alcoholVolume", new BigDecimal("-0.01"))
                        .isRefused(400),
                RuleCase.of("alcoholVolume above its most").with("alcoholVolume", new BigDecimal("25.01"))
                        .isRefused(400),
                // Check LAB_ANALYSIS_PH_CHECK: ("PH" >= 2.5) AND ("PH" <= 4.5)
                RuleCase.of("ph below its least").with("ph", new BigDecimal("2.49")).isRefused(400),
                RuleCase.of("ph above its most").with("ph", new BigDecimal("4.51")).isRefused(400),
                RuleCase.of("id from the client").with("id", 1).isRefused(400),
                RuleCase.of("wineLotId missing").without("wineLotId").isRefused(400),
                RuleCase.of("takenAt missing").without("takenAt").isRefused(400),
                RuleCase.of("ph with too many decimals").with("ph", new BigDecimal("3.505")).isRefused(400),
                RuleCase.of("alcoholVolume with too many decimals").with("alcoholVolume", new BigDecimal("12.505"))
                        .isRefused(400));
    }
}
