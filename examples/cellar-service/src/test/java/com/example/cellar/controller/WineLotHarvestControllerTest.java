package com.example.cellar.controller;

import com.example.cellar.dto.WineLotHarvestInput;
import com.example.cellar.entity.Harvest;
import com.example.cellar.entity.WineLot;
import com.example.cellar.entity.WineLotHarvest;
import com.example.cellar.repository.HarvestRepository;
import com.example.cellar.repository.WineLotRepository;
import com.example.cellar.samples.WineLotHarvestSamples;
import com.example.cellar.support.ComparisonContract;
import com.example.cellar.support.DeleteContract;
import com.example.cellar.support.IncludeContract;
import com.example.cellar.support.NestedContract;
import com.example.cellar.support.NestedList;
import com.example.cellar.support.OrderContract;
import com.example.cellar.support.PageQuery;
import com.example.cellar.support.PathKeys;
import com.example.cellar.support.ReadContract;
import com.example.cellar.support.RuleCase;
import com.example.cellar.support.RulesContract;
import com.example.cellar.support.TableFacts;
import com.example.cellar.support.Tables;
import com.example.cellar.support.UniqueContract;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;

class WineLotHarvestControllerTest implements
        OrderContract<WineLotHarvest>,
        ComparisonContract<WineLotHarvest, WineLotHarvestInput>,
        UniqueContract<WineLotHarvest, WineLotHarvestInput>,
        ReadContract<WineLotHarvest, WineLotHarvestInput>,
        DeleteContract<WineLotHarvest, WineLotHarvestInput>,
        IncludeContract<WineLotHarvest, WineLotHarvestInput>,
        NestedContract<WineLotHarvest, WineLotHarvestInput>,
        RulesContract<WineLotHarvest, WineLotHarvestInput> {
    @Override
    public TableFacts<WineLotHarvest, WineLotHarvestInput> facts() {
        return TableFacts.of("/wine-lot-harvests", WineLotHarvestSamples.ROWS)
                .touching(Tables.CELLAR_HAND, Tables.GRAPE_VARIETY, Tables.VESSEL, Tables.PARCEL, Tables.WINE_LOT,
                        Tables.HARVEST, Tables.WINE_LOT_HARVEST)
                .key("wineLotId", "harvestId")
                .filters("wineLotId", "harvestId")
                .ordered("harvestId")
                .unique("wineLotId", "harvestId");
    }

    @Override
    public Map<String, String> included(WineLotHarvest stored) {
        return Map.of(
                "harvest", "/harvests/" + PathKeys.join(stored.harvestId()),
                "wineLot", "/wine-lots/" + PathKeys.join(stored.wineLotId()));
    }

    @Override
    public List<NestedList<?>> nested(WineLotHarvest stored) throws SQLException {
        return List.of(
                listAt("/harvests/" + PathKeys.join(stored.harvestId()) + "/wine-lot-harvests",
                        row -> Objects.equals(row.harvestId(), stored.harvestId())),
                listAt("/wine-lots/" + PathKeys.join(stored.wineLotId()) + "/wine-lot-harvests",
                        row -> Objects.equals(row.wineLotId(), stored.wineLotId())),
                new NestedList<>("/harvests/" + PathKeys.join(stored.harvestId()) + "/wine-lots", WineLot.class,
                        new WineLotRepository()
                                .listJoinedToHarvestByWineLotHarvest(connection(), stored.harvestId(), PageQuery.all())
                                        .rows(), true),
                new NestedList<>("/wine-lots/" + PathKeys.join(stored.wineLotId()) + "/harvests", Harvest.class,
                        new HarvestRepository()
                                .listJoinedToWineLotByWineLotHarvest(connection(), stored.wineLotId(), PageQuery.all())
                                        .rows(), true));
    }

    static Stream<RuleCase> rules() {
        return Stream.of(
                RuleCase.of("all required missing").without("wineLotId", "harvestId").isRefused(400),
                // Primary key WINE_LOT_HARVEST_PKEY: WINE_LOT_ID, HARVEST_ID
                RuleCase.of("duplicate wineLotId and harvestId").copying("wineLotId", "harvestId").isRefused(409),
                // Reference WINE_LOT_HARVEST_HARVEST_FKEY: HARVEST_ID -> HARVEST (ID)
                RuleCase.of("harvestId of a missing row").with("harvestId", 2000000000).isRefused(422),
                RuleCase.of("row of harvestId deleted").deleting("/harvests", "harvestId").isRefused(409),
                // Reference WINE_LOT_HARVEST_LOT_FKEY: WINE_LOT_ID -> WINE_LOT (ID) ON DELETE CASCADE
                RuleCase.of("wineLotId of a missing row").with("wineLotId", "ffffffff-ffff-ffff-ffff-ffffffffffff")
                        .isRefused(422),
                RuleCase.of("row of wineLotId deleted").deleting("/wine-lots", "wineLotId").deletesTheRow(),
                RuleCase.of("wineLotId missing").without("wineLotId").isRefused(400),
                RuleCase.of("harvestId missing").without("harvestId").isRefused(400));
    }
}
