package com.example.cellar.controller;

import com.example.cellar.dto.BlendInput;
import com.example.cellar.entity.Blend;
import com.example.cellar.samples.BlendSamples;
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
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;

class BlendControllerTest implements
        CrudContract<Blend, BlendInput>,
        ComparisonContract<Blend, BlendInput>,
        SearchContract<Blend, BlendInput>,
        UniqueContract<Blend, BlendInput>,
        IncludeContract<Blend, BlendInput>,
        NestedContract<Blend, BlendInput> {
    @Override
    public TableFacts<Blend, BlendInput> facts() {
        return TableFacts.of("/blends", BlendSamples.ROWS)
                .touching(Tables.CELLAR_HAND, Tables.BLEND)
                .key("id")
                .sortable("name", "vintage", "approvedBy")
                .filters("id", "name", "vintage", "approvedBy")
                .ordered("id")
                .searched("name")
                .unique("name", "vintage")
                .changeable("name", "vintage", "blendedOn", "tastingNotes", "approvedBy")
                .children("{key}/blend-components", "{key}/bottlings", "{key}/wine-lots");
    }

    @Override
    public Map<String, String> included(Blend stored) {
        return Map.of(
                "cellarHand", "/cellar-hands/" + PathKeys.join(stored.approvedBy()));
    }

    @Override
    public List<NestedList<?>> nested(Blend stored) throws SQLException {
        return List.of(
                listAt("/cellar-hands/" + PathKeys.join(stored.approvedBy()) + "/blends",
                        row -> Objects.equals(row.approvedBy(), stored.approvedBy())));
    }

    static Stream<RuleCase> rules() {
        return Stream.of(
                RuleCase.of("all required missing").without("name", "blendedOn").isRefused(400),
                // Unique BLEND_NAME_VINTAGE_KEY: NAME, VINTAGE
                RuleCase.of("duplicate name and vintage").copying("name", "vintage").isRefused(409),
                // Reference BLEND_APPROVER_FKEY: APPROVED_BY -> CELLAR_HAND (ID)
                RuleCase.of("approvedBy of a missing row").with("approvedBy", 2000000000).isRefused(422),
                RuleCase.of("row of approvedBy deleted").deleting("/cellar-hands", "approvedBy").isRefused(409),
                // Check BLEND_VINTAGE_CHECK: "VINTAGE" BETWEEN 1950 AND 2100
                RuleCase.of("vintage below its least").with("vintage", 1949).isRefused(400),
                RuleCase.of("vintage above its most").with("vintage", 2101).isRefused(400),
                RuleCase.of("id from the client").with("id", 1).isRefused(400),
                RuleCase.of("name missing").without("name").isRefused(400),
                RuleCase.of("name too long").with("name", "x".repeat(81)).isRefused(400),
                RuleCase.of("blendedOn missing").without("blendedOn").isRefused(400));
    }
}
