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
import com.example.cellar.support.RequiredContract;
import com.example.cellar.support.RuleCase;
import com.example.cellar.support.RulesContract;
import com.example.cellar.support.ServiceUnderTest;
import com.example.cellar.support.TableFacts;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRows;
import java.math.BigDecimal;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.junit.jupiter.api.extension.RegisterExtension;

class LabAnalysisControllerTest implements
        CrudContract<LabAnalysis, LabAnalysisInput>,
        ComparisonContract<LabAnalysis, LabAnalysisInput>,
        CreateManyContract<LabAnalysis, LabAnalysisInput>,
        RequiredContract<LabAnalysis, LabAnalysisInput>,
        IncludeContract<LabAnalysis, LabAnalysisInput>,
        NestedContract<LabAnalysis, LabAnalysisInput>,
        RulesContract<LabAnalysis, LabAnalysisInput> {
    private static final String PATH = "/lab-analyses";
    private static final TableFacts FACTS = TableFacts.of(PATH)
            .key("id")
            .sortable("wineLotId")
            .filters("id", "wineLotId")
            .ordered("id")
            .required("wineLotId", "takenAt")
            .changeable("wineLotId", "takenAt", "ph", "alcoholVolume", "celsius", "readings", "remarks");

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.VESSEL,
            Tables.WINE_LOT,
            Tables.LAB_ANALYSIS);

    @Override
    public ServiceUnderTest service() {
        return SERVICE;
    }

    @Override
    public TableFacts facts() {
        return FACTS;
    }

    @Override
    public TestRows<LabAnalysis, LabAnalysisInput, ?> rows() {
        return LabAnalysisSamples.ROWS;
    }

    @Override
    public Map<String, String> included(LabAnalysis stored) {
        return Map.of(
                "wineLot", "/wine-lots/" + PathKeys.join(stored.wineLotId()));
    }

    @Override
    public List<NestedList<?>> nested(LabAnalysis stored) throws SQLException {
        return List.of(
                new NestedList<>("/wine-lots/" + PathKeys.join(stored.wineLotId()) + "/lab-analyses", LabAnalysis.class,
                        rowsWith(row -> Objects.equals(row.wineLotId(), stored.wineLotId())), false));
    }

    static Stream<RuleCase> rules() {
        return Stream.of(
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
                // Generated ID: numbered by the database
                RuleCase.of("id from the client").with("id", 1).isRefused(400),
                // Not null WINE_LOT_ID
                RuleCase.of("wineLotId missing").without("wineLotId").isRefused(400),
                // Not null TAKEN_AT
                RuleCase.of("takenAt missing").without("takenAt").isRefused(400),
                // Type NUMERIC(3, 2) of PH
                RuleCase.of("ph with too many decimals").with("ph", new BigDecimal("3.505")).isRefused(400),
                // Type NUMERIC(4, 2) of ALCOHOL_VOLUME
                RuleCase.of("alcoholVolume with too many decimals").with("alcoholVolume", new BigDecimal("12.505"))
                        .isRefused(400));
    }
}
