package com.example.cellar.controller;

import com.example.cellar.dto.VesselInput;
import com.example.cellar.entity.Vessel;
import com.example.cellar.samples.VesselSamples;
import com.example.cellar.support.ComparisonContract;
import com.example.cellar.support.CrudContract;
import com.example.cellar.support.RequiredContract;
import com.example.cellar.support.RuleCase;
import com.example.cellar.support.RulesContract;
import com.example.cellar.support.SearchContract;
import com.example.cellar.support.ServiceUnderTest;
import com.example.cellar.support.TableFacts;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRows;
import com.example.cellar.support.UniqueContract;
import java.util.stream.Stream;
import org.junit.jupiter.api.extension.RegisterExtension;

class VesselControllerTest implements
        CrudContract<Vessel, VesselInput>,
        ComparisonContract<Vessel, VesselInput>,
        SearchContract<Vessel, VesselInput>,
        UniqueContract<Vessel, VesselInput>,
        RequiredContract<Vessel, VesselInput>,
        RulesContract<Vessel, VesselInput> {
    private static final String PATH = "/vessels";
    private static final TableFacts FACTS = TableFacts.of(PATH)
            .key("id")
            .sortable("code")
            .filters("id", "code")
            .ordered("id")
            .searched("code")
            .required("code", "kind", "capacityLitres")
            .unique("code")
            .changeable("code", "kind", "capacityLitres", "toast", "boughtOn", "inUse")
            .children("{key}/vessel-transfers-by-from-vessel", "{key}/vessel-transfers-by-to-vessel",
                    "{key}/wine-lots");

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.VESSEL);

    @Override
    public ServiceUnderTest service() {
        return SERVICE;
    }

    @Override
    public TableFacts facts() {
        return FACTS;
    }

    @Override
    public TestRows<Vessel, VesselInput, ?> rows() {
        return VesselSamples.ROWS;
    }

    static Stream<RuleCase> rules() {
        return Stream.of(
                // Unique VESSEL_CODE_KEY: CODE
                RuleCase.of("duplicate code").copying("code").isRefused(409),
                // Check VESSEL_CAPACITY_CHECK: "CAPACITY_LITRES" BETWEEN 20 AND 100000
                RuleCase.of("capacityLitres below its least").with("capacityLitres", 19).isRefused(400),
                RuleCase.of("capacityLitres above its most").with("capacityLitres", 100001).isRefused(400),
                // Check VESSEL_KIND_CHECK: "KIND" IN('tank', 'barrel', 'amphora', 'egg')
                RuleCase.of("kind not among its values").with("kind", "no such value").isRefused(400),
                // Check VESSEL_TOAST_CHECK: "TOAST" IN('light', 'medium', 'heavy')
                RuleCase.of("toast not among its values").with("toast", "no such value").isRefused(400),
                // Generated ID: numbered by the database
                RuleCase.of("id from the client").with("id", 1).isRefused(400),
                // Not null CODE
                RuleCase.of("code missing").without("code").isRefused(400),
                // Type VARCHAR(12) of CODE
                RuleCase.of("code too long").with("code", "x".repeat(13)).isRefused(400),
                // Not null KIND
                RuleCase.of("kind missing").without("kind").isRefused(400),
                // Not null CAPACITY_LITRES
                RuleCase.of("capacityLitres missing").without("capacityLitres").isRefused(400),
                // Not null IN_USE
                RuleCase.of("inUse cleared").clearing("inUse").isRefused(400),
                // Default TRUE of IN_USE
                RuleCase.of("inUse left out").without("inUse").takesADefault());
    }
}
