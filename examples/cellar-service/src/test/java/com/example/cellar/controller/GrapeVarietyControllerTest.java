package com.example.cellar.controller;

import com.example.cellar.dto.GrapeVarietyInput;
import com.example.cellar.entity.GrapeVariety;
import com.example.cellar.samples.GrapeVarietySamples;
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

class GrapeVarietyControllerTest implements
        CrudContract<GrapeVariety, GrapeVarietyInput>,
        SearchContract<GrapeVariety, GrapeVarietyInput>,
        UniqueContract<GrapeVariety, GrapeVarietyInput>,
        RequiredContract<GrapeVariety, GrapeVarietyInput>,
        RulesContract<GrapeVariety, GrapeVarietyInput> {
    private static final String PATH = "/grape-varieties";
    private static final TableFacts FACTS = TableFacts.of(PATH)
            .key("code")
            .sortable("name")
            .filters("code", "name")
            .searched("code")
            .required("code", "name", "colour")
            .unique("code")
            .changeable("name", "colour", "order", "synonyms")
            .children("{key}/parcels");

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.GRAPE_VARIETY);

    @Override
    public ServiceUnderTest service() {
        return SERVICE;
    }

    @Override
    public TableFacts facts() {
        return FACTS;
    }

    @Override
    public TestRows<GrapeVariety, GrapeVarietyInput, ?> rows() {
        return GrapeVarietySamples.ROWS;
    }

    static Stream<RuleCase> rules() {
        return Stream.of(
                // Primary key GRAPE_VARIETY_PKEY: CODE
                RuleCase.of("duplicate code").copying("code").isRefused(409),
                // Unique GRAPE_VARIETY_NAME_KEY: NAME
                RuleCase.of("duplicate name").copying("name").isRefused(409),
                // Check GRAPE_VARIETY_COLOUR_CHECK: "COLOUR" IN('red', 'white', 'grey')
                RuleCase.of("colour not among its values").with("colour", "no such value").isRefused(400),
                // Not null CODE
                RuleCase.of("code missing").without("code").isRefused(400),
                // Type VARCHAR(8) of CODE
                RuleCase.of("code too long").with("code", "x".repeat(9)).isRefused(400),
                RuleCase.of("code too short").with("code", "").isRefused(400),
                // Not null NAME
                RuleCase.of("name missing").without("name").isRefused(400),
                // Type VARCHAR(60) of NAME
                RuleCase.of("name too long").with("name", "x".repeat(61)).isRefused(400),
                // Not null COLOUR
                RuleCase.of("colour missing").without("colour").isRefused(400),
                // Not null order
                RuleCase.of("order cleared").clearing("order").isRefused(400),
                // Default 100 of order
                RuleCase.of("order left out").without("order").takesTheDefault("100"),
                // Type VARCHAR(200) of SYNONYMS
                RuleCase.of("synonyms too long").with("synonyms", "x".repeat(201)).isRefused(400));
    }
}
