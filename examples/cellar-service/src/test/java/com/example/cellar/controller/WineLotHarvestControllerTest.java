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
import com.example.cellar.support.RequiredContract;
import com.example.cellar.support.RuleCase;
import com.example.cellar.support.RulesContract;
import com.example.cellar.support.ServiceUnderTest;
import com.example.cellar.support.TableFacts;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRows;
import com.example.cellar.support.UniqueContract;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.junit.jupiter.api.extension.RegisterExtension;

class WineLotHarvestControllerTest implements
        OrderContract<WineLotHarvest>,
        ComparisonContract<WineLotHarvest, WineLotHarvestInput>,
        UniqueContract<WineLotHarvest, WineLotHarvestInput>,
        RequiredContract<WineLotHarvest, WineLotHarvestInput>,
        ReadContract<WineLotHarvest, WineLotHarvestInput>,
        DeleteContract<WineLotHarvest, WineLotHarvestInput>,
        IncludeContract<WineLotHarvest, WineLotHarvestInput>,
        NestedContract<WineLotHarvest, WineLotHarvestInput>,
        RulesContract<WineLotHarvest, WineLotHarvestInput> {
    private static final String PATH = "/wine-lot-harvests";
    private static final TableFacts FACTS = TableFacts.of(PATH)
            .key("wineLotId", "harvestId")
            .filters("wineLotId", "harvestId")
            .ordered("harvestId")
            .required("wineLotId", "harvestId")
            .unique("wineLotId", "harvestId");

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.CELLAR_HAND,
            Tables.GRAPE_VARIETY,
            Tables.VESSEL,
            Tables.PARCEL,
            Tables.WINE_LOT,
            Tables.HARVEST,
            Tables.WINE_LOT_HARVEST);

    @Override
    public ServiceUnderTest service() {
        return SERVICE;
    }

    @Override
    public TableFacts facts() {
        return FACTS;
    }

    @Override
    public TestRows<WineLotHarvest, WineLotHarvestInput, ?> rows() {
        return WineLotHarvestSamples.ROWS;
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
                new NestedList<>("/harvests/" + PathKeys.join(stored.harvestId()) + "/wine-lot-harvests",
                        WineLotHarvest.class, rowsWith(row -> Objects.equals(row.harvestId(), stored.harvestId())),
                                false),
                new NestedList<>("/wine-lots/" + PathKeys.join(stored.wineLotId()) + "/wine-lot-harvests",
                        WineLotHarvest.class, rowsWith(row -> Objects.equals(row.wineLotId(), stored.wineLotId())),
                                false),
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
                // Primary key WINE_LOT_HARVEST_PKEY: WINE_LOT_ID, HARVEST_ID
                RuleCase.of("duplicate wineLotId and harvestId").copying("wineLotId", "harvestId").isRefused(409),
                // Reference WINE_LOT_HARVEST_HARVEST_FKEY: HARVEST_ID -> HARVEST (ID)
                RuleCase.of("harvestId of a missing row").with("harvestId", 2000000000).isRefused(422),
                RuleCase.of("row of harvestId deleted").deleting("/harvests", "harvestId").isRefused(409),
                // Reference WINE_LOT_HARVEST_LOT_FKEY: WINE_LOT_ID -> WINE_LOT (ID) ON DELETE CASCADE
                RuleCase.of("wineLotId of a missing row").with("wineLotId", "ffffffff-ffff-ffff-ffff-ffffffffffff")
                        .isRefused(422),
                RuleCase.of("row of wineLotId deleted").deleting("/wine-lots", "wineLotId").deletesTheRow(),
                // Not null WINE_LOT_ID
                RuleCase.of("wineLotId missing").without("wineLotId").isRefused(400),
                // Not null HARVEST_ID
                RuleCase.of("harvestId missing").without("harvestId").isRefused(400));
    }
}
