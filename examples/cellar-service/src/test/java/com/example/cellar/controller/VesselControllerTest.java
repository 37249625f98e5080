package com.example.cellar.controller;

import com.example.cellar.dto.VesselInput;
import com.example.cellar.entity.Vessel;
import com.example.cellar.samples.VesselSamples;
import com.example.cellar.support.ComparisonContract;
import com.example.cellar.support.CrudContract;
import com.example.cellar.support.RuleCase;
import com.example.cellar.support.SearchContract;
import com.example.cellar.support.TableFacts;
import com.example.cellar.support.Tables;
import com.example.cellar.support.UniqueContract;
import java.util.stream.Stream;

class VesselControllerTest implements
        CrudContract<Vessel, VesselInput>,
        ComparisonContract<Vessel, VesselInput>,
        SearchContract<Vessel, VesselInput>,
        UniqueContract<Vessel, VesselInput> {
    @Override
    public TableFacts<Vessel, VesselInput> facts() {
        return TableFacts.of("/vessels", VesselSamples.ROWS)
                .touching(Tables.VESSEL)
                .key("id")
                .sortable("code")
                .filters("id", "code")
                .ordered("id")
                .searched("code")
                .unique("code")
                .changeable("code", "kind", "capacityLitres", "toast", "boughtOn", "inUse")
                .children("{key}/vessel-transfers-by-from-vessel", "{key}/vessel-transfers-by-to-vessel",
                        "{key}/wine-lots");
    }

    static Stream<RuleCase> rules() {
        return Stream.of(
                RuleCase.of("all required missing").without("code", "kind", "capacityLitres").isRefused(400),
                // Unique VESSEL_CODE_KEY: CODE
                RuleCase.of("duplicate code").copying("code").isRefused(409),
                // Check VESSEL_CAPACITY_CHECK: "CAPACITY_LITRES" BETWEEN 20 AND 100000
                RuleCase.of("capacityLitres below its least").with("capacityLitres", 19).isRefused(400),
                RuleCase.of("capacityLitres above its most").with("capacityLitres", 100001).isRefused(400),
                // Check VESSEL_KIND_CHECK: "KIND" IN('tank', 'barrel', 'amphora', 'egg')
                RuleCase.of("kind not among its values").with("kind", "no such value").isRefused(400),
                // Check VESSEL_TOAST_CHECK: "TOAST" IN('light', 'medium', 'heavy')
                RuleCase.of("toast not among its values").with("toast", "no such value").isRefused(400),
                RuleCase.of("id from the client").with("id", 1).isRefused(400),
                RuleCase.of("code missing").without("code").isRefused(400),
                RuleCase.of("code too long").with("code", "x".repeat(13)).isRefused(400),
                RuleCase.of("kind missing").without("kind").isRefused(400),
                RuleCase.of("capacityLitres missing").without("capacityLitres").isRefused(400),
                RuleCase.of("inUse cleared").clearing("inUse").isRefused(400),
                RuleCase.of("inUse left out").without("inUse").takesADefault());
    }
}
