package com.example.cellar.controller;

import com.example.cellar.dto.HarvestInput;
import com.example.cellar.entity.Harvest;
import com.example.cellar.samples.HarvestSamples;
import com.example.cellar.support.ComparisonContract;
import com.example.cellar.support.CrudContract;
import com.example.cellar.support.IncludeContract;
import com.example.cellar.support.NestedContract;
import com.example.cellar.support.NestedList;
import com.example.cellar.support.PathKeys;
import com.example.cellar.support.RuleCase;
import com.example.cellar.support.TableFacts;
import com.example.cellar.support.Tables;
import com.example.cellar.support.UniqueContract;
import java.math.BigDecimal;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;

class HarvestControllerTest implements
        CrudContract<Harvest, HarvestInput>,
        ComparisonContract<Harvest, HarvestInput>,
        UniqueContract<Harvest, HarvestInput>,
        IncludeContract<Harvest, HarvestInput>,
        NestedContract<Harvest, HarvestInput> {
    @Override
    public TableFacts<Harvest, HarvestInput> facts() {
        return TableFacts.of("/harvests", HarvestSamples.ROWS)
                .touching(Tables.CELLAR_HAND, Tables.GRAPE_VARIETY, Tables.PARCEL, Tables.HARVEST)
                .key("id")
                .sortable("parcelId", "pickedOn", "pickedBy")
                .filters("id", "parcelId", "pickedOn", "pickedBy")
                .ordered("id")
                .unique("parcelId", "pickedOn")
                .changeable("parcelId", "pickedOn", "weightKg", "brix", "byMachine", "pickedBy")
                .children("{key}/wine-lot-harvests", "{key}/wine-lots");
    }

    @Override
    public Map<String, String> included(Harvest stored) {
        return Map.of(
                "parcel", "/parcels/" + PathKeys.join(stored.parcelId()),
                "cellarHand", "/cellar-hands/" + PathKeys.join(stored.pickedBy()));
    }

    @Override
    public List<NestedList<?>> nested(Harvest stored) throws SQLException {
        return List.of(
                listAt("/parcels/" + PathKeys.join(stored.parcelId()) + "/harvests",
                        row -> Objects.equals(row.parcelId(), stored.parcelId())),
                listAt("/cellar-hands/" + PathKeys.join(stored.pickedBy()) + "/harvests",
                        row -> Objects.equals(row.pickedBy(), stored.pickedBy())));
    }

    static Stream<RuleCase> rules() {
        return Stream.of(
                RuleCase.of("all required missing").without("parcelId", "pickedOn", "weightKg").isRefused(400),
                // Unique HARVEST_PARCEL_DAY_KEY: PARCEL_ID, PICKED_ON
                RuleCase.of("duplicate parcelId and pickedOn").copying("parcelId", "pickedOn").isRefused(409),
                // Reference HARVEST_PARCEL_FKEY: PARCEL_ID -> PARCEL (ID)
                RuleCase.of("parcelId of a missing row").with("parcelId", 2000000000).isRefused(422),
                RuleCase.of("row of parcelId deleted").deleting("/parcels", "parcelId").isRefused(409),
                // Reference HARVEST_PICKER_FKEY: PICKED_BY -> CELLAR_HAND (ID) ON DELETE SET NULL
                RuleCase.of("pickedBy of a missing row").with("pickedBy", 2000000000).isRefused(422),
                RuleCase.of("row of pickedBy deleted").deleting("/cellar-hands", "pickedBy").leavesTheRowWithoutIt(),
                // Check HARVEST_BRIX_CHECK: "BRIX" BETWEEN 5 AND 45
                RuleCase.of("brix below its least").with("brix", new BigDecimal("4.9")).isRefused(400),
                RuleCase.of("brix above its most").with("brix", new BigDecimal("45.1")).isRefused(400),
                // Check HARVEST_WEIGHT_CHECK: "WEIGHT_KG" > CAST(0 AS NUMERIC(1))
                RuleCase.of("weightKg below its least").with("weightKg", 0).isRefused(400),
                RuleCase.of("id from the client").with("id", 1).isRefused(400),
                RuleCase.of("parcelId missing").without("parcelId").isRefused(400),
                RuleCase.of("pickedOn missing").without("pickedOn").isRefused(400),
                RuleCase.of("weightKg missing").without("weightKg").isRefused(400),
                RuleCase.of("weightKg with too many digits").with("weightKg", 10000000).isRefused(400),
                RuleCase.of("weightKg with too many decimals").with("weightKg", new BigDecimal("10.005"))
                        .isRefused(400),
                RuleCase.of("brix with too many decimals").with("brix", new BigDecimal("25.05")).isRefused(400),
                RuleCase.of("byMachine cleared").clearing("byMachine").isRefused(400),
                RuleCase.of("byMachine left out").without("byMachine").takesADefault());
    }
}
