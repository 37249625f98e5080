package com.example.cellar.controller;

import com.example.cellar.dto.BottlingInput;
import com.example.cellar.entity.Bottling;
import com.example.cellar.samples.BottlingSamples;
import com.example.cellar.support.ComparisonContract;
import com.example.cellar.support.CreateManyContract;
import com.example.cellar.support.CrudContract;
import com.example.cellar.support.IncludeContract;
import com.example.cellar.support.NestedContract;
import com.example.cellar.support.NestedList;
import com.example.cellar.support.PathKeys;
import com.example.cellar.support.RuleCase;
import com.example.cellar.support.TableFacts;
import com.example.cellar.support.Tables;
import java.math.BigDecimal;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;

class BottlingControllerTest implements
        CrudContract<Bottling, BottlingInput>,
        ComparisonContract<Bottling, BottlingInput>,
        CreateManyContract<Bottling, BottlingInput>,
        IncludeContract<Bottling, BottlingInput>,
        NestedContract<Bottling, BottlingInput> {
    @Override
    public TableFacts<Bottling, BottlingInput> facts() {
        return TableFacts.of("/bottlings", BottlingSamples.ROWS)
                .touching(Tables.CELLAR_HAND, Tables.LABEL, Tables.BLEND, Tables.BOTTLING)
                .key("id")
                .sortable("blendId", "labelId")
                .filters("id", "blendId", "labelId")
                .ordered("id")
                .changeable("blendId", "labelId", "bottledOn", "bottleMl", "bottles", "price", "closedWith");
    }

    @Override
    public Map<String, String> included(Bottling stored) {
        return Map.of(
                "blend", "/blends/" + PathKeys.join(stored.blendId()),
                "label", "/labels/" + PathKeys.join(stored.labelId()));
    }

    @Override
    public List<NestedList<?>> nested(Bottling stored) throws SQLException {
        return List.of(
                listAt("/blends/" + PathKeys.join(stored.blendId()) + "/bottlings",
                        row -> Objects.equals(row.blendId(), stored.blendId())),
                listAt("/labels/" + PathKeys.join(stored.labelId()) + "/bottlings",
                        row -> Objects.equals(row.labelId(), stored.labelId())));
    }

    static Stream<RuleCase> rules() {
        return Stream.of(
                RuleCase.of("all required missing").without("blendId", "bottledOn", "bottles", "closedWith")
                        .isRefused(400),
                // Reference BOTTLING_BLEND_FKEY: BLEND_ID -> BLEND (ID)
                RuleCase.of("blendId of a missing row").with("blendId", 2000000000).isRefused(422),
                RuleCase.of("row of blendId deleted").deleting("/blends", "blendId").isRefused(409),
                // Reference BOTTLING_LABEL_FKEY: LABEL_ID -> LABEL (ID)
                RuleCase.of("labelId of a missing row").with("labelId", 2000000000).isRefused(422),
                RuleCase.of("row of labelId deleted").deleting("/labels", "labelId").isRefused(409),
                // Check BOTTLING_BOTTLES_CHECK: "BOTTLES" > 0
                RuleCase.of("bottles below its least").with("bottles", 0).isRefused(400),
                // Check BOTTLING_CLOSURE_CHECK: "CLOSED_WITH" IN('cork', 'screw cap', 'crown cap', 'glass')
                RuleCase.of("closedWith not among its values").with("closedWith", "no such value").isRefused(400),
                // Check BOTTLING_PRICE_CHECK: "PRICE" >= CAST(0 AS NUMERIC(1))
                RuleCase.of("price below its least").with("price", new BigDecimal("-0.01")).isRefused(400),
                // Check BOTTLING_SIZE_CHECK: "BOTTLE_ML" IN(375, 500, 750, 1500)
                RuleCase.of("bottleMl not among its values").with("bottleMl", 376).isRefused(400),
                RuleCase.of("id from the client").with("id", 1).isRefused(400),
                RuleCase.of("blendId missing").without("blendId").isRefused(400),
                RuleCase.of("bottledOn missing").without("bottledOn").isRefused(400),
                RuleCase.of("bottleMl cleared").clearing("bottleMl").isRefused(400),
                RuleCase.of("bottleMl left out").without("bottleMl").takesTheDefault("750"),
                RuleCase.of("bottles missing").without("bottles").isRefused(400),
                RuleCase.of("litres from the client").with("litres", 1).isRefused(400),
                RuleCase.of("price with too many digits").with("price", 1000000).isRefused(400),
                RuleCase.of("price with too many decimals").with("price", new BigDecimal("10.005")).isRefused(400),
                RuleCase.of("closedWith missing").without("closedWith").isRefused(400));
    }
}
