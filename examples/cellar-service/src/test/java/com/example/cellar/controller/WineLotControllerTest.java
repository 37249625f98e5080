package com.example.cellar.controller;

import com.example.cellar.dto.WineLotInput;
import com.example.cellar.entity.WineLot;
import com.example.cellar.samples.WineLotSamples;
import com.example.cellar.support.ComparisonContract;
import com.example.cellar.support.CrudContract;
import com.example.cellar.support.IncludeContract;
import com.example.cellar.support.NestedContract;
import com.example.cellar.support.NestedList;
import com.example.cellar.support.PathKeys;
import com.example.cellar.support.RuleCase;
import com.example.cellar.support.SearchContract;
import com.example.cellar.support.TableFacts;
import com.example.cellar.support.Tables;
import com.example.cellar.support.UniqueContract;
import java.math.BigDecimal;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;

class WineLotControllerTest implements
        CrudContract<WineLot, WineLotInput>,
        ComparisonContract<WineLot, WineLotInput>,
        SearchContract<WineLot, WineLotInput>,
        UniqueContract<WineLot, WineLotInput>,
        IncludeContract<WineLot, WineLotInput>,
        NestedContract<WineLot, WineLotInput> {
    @Override
    public TableFacts<WineLot, WineLotInput> facts() {
        return TableFacts.of("/wine-lots", WineLotSamples.ROWS)
                .touching(Tables.VESSEL, Tables.WINE_LOT)
                .key("id")
                .sortable("name", "vintage", "vesselId")
                .filters("id", "name", "vintage", "vesselId")
                .ordered("vintage")
                .searched("name")
                .unique("id")
                .changeable("name", "vintage", "vesselId", "litres", "createdAt")
                .children("{key}/blend-components", "{key}/lab-analyses", "{key}/wine-lot-harvests", "{key}/blends",
                        "{key}/harvests");
    }

    @Override
    public Map<String, String> included(WineLot stored) {
        return Map.of(
                "vessel", "/vessels/" + PathKeys.join(stored.vesselId()));
    }

    @Override
    public List<NestedList<?>> nested(WineLot stored) throws SQLException {
        return List.of(
                listAt("/vessels/" + PathKeys.join(stored.vesselId()) + "/wine-lots",
                        row -> Objects.equals(row.vesselId(), stored.vesselId())));
    }

    static Stream<RuleCase> rules() {
        return Stream.of(
                RuleCase.of("all required missing").without("name", "vintage", "litres", "filledOn").isRefused(400),
                // Primary key WINE_LOT_PKEY: ID
                RuleCase.of("duplicate id").copying("id").isRefused(409),
                // Unique WINE_LOT_NAME_VINTAGE_KEY: NAME, VINTAGE
                RuleCase.of("duplicate name and vintage").copying("name", "vintage").isRefused(409),
                // Reference WINE_LOT_VESSEL_FKEY: VESSEL_ID -> VESSEL (ID)
                RuleCase.of("vesselId of a missing row").with("vesselId", 2000000000).isRefused(422),
                RuleCase.of("row of vesselId deleted").deleting("/vessels", "vesselId").isRefused(409),
                // Check WINE_LOT_DATES_CHECK: "EMPTIED_ON" >= "FILLED_ON"
                RuleCase.of("emptiedOn and filledOn exchanged").exchanging("emptiedOn", "filledOn").isRefused(400),
                // Check WINE_LOT_LITRES_CHECK: "LITRES" >= CAST(0 AS NUMERIC(1))
                RuleCase.of("litres below its least").with("litres", new BigDecimal("-0.01")).isRefused(400),
                // Check WINE_LOT_VINTAGE_CHECK: "VINTAGE" BETWEEN 1950 AND 2100
                RuleCase.of("vintage below its least").with("vintage", 1949).isRefused(400),
                RuleCase.of("vintage above its most").with("vintage", 2101).isRefused(400),
                RuleCase.of("id left out").without("id").takesADefault(),
                RuleCase.of("name missing").without("name").isRefused(400),
                RuleCase.of("name too long").with("name", "x".repeat(81)).isRefused(400),
                RuleCase.of("vintage missing").without("vintage").isRefused(400),
                RuleCase.of("litres missing").without("litres").isRefused(400),
                RuleCase.of("litres with too many digits").with("litres", 10000000).isRefused(400),
                RuleCase.of("litres with too many decimals").with("litres", new BigDecimal("10.005")).isRefused(400),
                RuleCase.of("filledOn missing").without("filledOn").isRefused(400),
                RuleCase.of("createdAt cleared").clearing("createdAt").isRefused(400),
                RuleCase.of("createdAt left out").without("createdAt").takesADefault());
    }
}
