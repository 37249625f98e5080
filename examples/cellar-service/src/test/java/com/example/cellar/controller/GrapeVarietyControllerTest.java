package com.example.cellar.controller;

import com.example.cellar.dto.GrapeVarietyInput;
import com.example.cellar.entity.GrapeVariety;
import com.example.cellar.samples.GrapeVarietySamples;
import com.example.cellar.support.CrudContract;
import com.example.cellar.support.RuleCase;
import com.example.cellar.support.SearchContract;
import com.example.cellar.support.TableFacts;
import com.example.cellar.support.Tables;
import com.example.cellar.support.UniqueContract;
import java.util.stream.Stream;

class GrapeVarietyControllerTest implements
        CrudContract<GrapeVariety, GrapeVarietyInput>,
        SearchContract<GrapeVariety, GrapeVarietyInput>,
        UniqueContract<GrapeVariety, GrapeVarietyInput> {
    @Override
    public TableFacts<GrapeVariety, GrapeVarietyInput> facts() {
        return TableFacts.of("/grape-varieties", GrapeVarietySamples.ROWS)
                .touching(Tables.GRAPE_VARIETY)
                .key("code")
                .sortable("name")
                .filters("code", "name")
                .searched("code")
                .unique("code")
                .changeable("name", "colour", "order", "synonyms")
                .children("{key}/parcels");
    }

    static Stream<RuleCase> rules() {
        return Stream.of(
                RuleCase.of("all required missing").without("code", "name", "colour").isRefused(400),
                // Primary key GRAPE_VARIETY_PKEY: CODE
                RuleCase.of("duplicate code").copying("code").isRefused(409),
                // Unique GRAPE_VARIETY_NAME_KEY: NAME
                RuleCase.of("duplicate name").copying("name").isRefused(409),
                // Check GRAPE_VARIETY_COLOUR_CHECK: "COLOUR" IN('red', 'white', 'grey')
                RuleCase.of("colour not among its values").with("colour", "no such value").isRefused(400),
                RuleCase.of("code missing").without("code").isRefused(400),
                RuleCase.of("code too long").with("code", "x".repeat(9)).isRefused(400),
                RuleCase.of("code too short").with("code", "").isRefused(400),
                RuleCase.of("name missing").without("name").isRefused(400),
                RuleCase.of("name too long").with("name", "x".repeat(61)).isRefused(400),
                RuleCase.of("colour missing").without("colour").isRefused(400),
                RuleCase.of("order cleared").clearing("order").isRefused(400),
                RuleCase.of("order left out").without("order").takesTheDefault("100"),
                RuleCase.of("synonyms too long").with("synonyms", "x".repeat(201)).isRefused(400));
    }
}
