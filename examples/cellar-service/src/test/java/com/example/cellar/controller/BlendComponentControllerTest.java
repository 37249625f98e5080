package com.example.cellar.controller;

import com.example.cellar.dto.BlendComponentInput;
import com.example.cellar.entity.Blend;
import com.example.cellar.entity.BlendComponent;
import com.example.cellar.entity.WineLot;
import com.example.cellar.repository.BlendRepository;
import com.example.cellar.repository.WineLotRepository;
import com.example.cellar.samples.BlendComponentSamples;
import com.example.cellar.support.ComparisonContract;
import com.example.cellar.support.CrudContract;
import com.example.cellar.support.IncludeContract;
import com.example.cellar.support.NestedContract;
import com.example.cellar.support.NestedList;
import com.example.cellar.support.PageQuery;
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

class BlendComponentControllerTest implements
        CrudContract<BlendComponent, BlendComponentInput>,
        ComparisonContract<BlendComponent, BlendComponentInput>,
        UniqueContract<BlendComponent, BlendComponentInput>,
        IncludeContract<BlendComponent, BlendComponentInput>,
        NestedContract<BlendComponent, BlendComponentInput> {
    @Override
    public TableFacts<BlendComponent, BlendComponentInput> facts() {
        return TableFacts.of("/blend-components", BlendComponentSamples.ROWS)
                .touching(Tables.CELLAR_HAND, Tables.VESSEL, Tables.BLEND, Tables.WINE_LOT, Tables.BLEND_COMPONENT)
                .key("blendId", "wineLotId")
                .filters("blendId", "wineLotId")
                .ordered("blendId")
                .unique("blendId", "wineLotId")
                .changeable("share");
    }

    @Override
    public Map<String, String> included(BlendComponent stored) {
        return Map.of(
                "blend", "/blends/" + PathKeys.join(stored.blendId()),
                "wineLot", "/wine-lots/" + PathKeys.join(stored.wineLotId()));
    }

    @Override
    public List<NestedList<?>> nested(BlendComponent stored) throws SQLException {
        return List.of(
                listAt("/blends/" + PathKeys.join(stored.blendId()) + "/blend-components",
                        row -> Objects.equals(row.blendId(), stored.blendId())),
                listAt("/wine-lots/" + PathKeys.join(stored.wineLotId()) + "/blend-components",
                        row -> Objects.equals(row.wineLotId(), stored.wineLotId())),
                new NestedList<>("/blends/" + PathKeys.join(stored.blendId()) + "/wine-lots", WineLot.class,
                        new WineLotRepository()
                                .listJoinedToBlendByBlendComponent(connection(), stored.blendId(), PageQuery.all())
                                        .rows(), true),
                new NestedList<>("/wine-lots/" + PathKeys.join(stored.wineLotId()) + "/blends", Blend.class,
                        new BlendRepository()
                                .listJoinedToWineLotByBlendComponent(connection(), stored.wineLotId(), PageQuery.all())
                                        .rows(), true));
    }

    static Stream<RuleCase> rules() {
        return Stream.of(
                RuleCase.of("all required missing").without("blendId", "wineLotId", "share").isRefused(400),
                // Primary key BLEND_COMPONENT_PKEY: BLEND_ID, WINE_LOT_ID
                RuleCase.of("duplicate blendId and wineLotId").copying("blendId", "wineLotId").isRefused(409),
                // Reference BLEND_COMPONENT_BLEND_FKEY: BLEND_ID -> BLEND (ID) ON DELETE CASCADE
                RuleCase.of("blendId of a missing row").with("blendId", 2000000000).isRefused(422),
                RuleCase.of("row of blendId deleted").deleting("/blends", "blendId").deletesTheRow(),
                // Reference BLEND_COMPONENT_LOT_FKEY: WINE_LOT_ID -> WINE_LOT (ID)
                RuleCase.of("wineLotId of a missing row").with("wineLotId", "ffffffff-ffff-ffff-ffff-ffffffffffff")
                        .isRefused(422),
                RuleCase.of("row of wineLotId deleted").deleting("/wine-lots", "wineLotId").isRefused(409),
                // Check BLEND_COMPONENT_SHARE_CHECK: ("SHARE" > CAST(0 AS NUMERIC(1))) AND ("SHARE" <= CAST(100 AS
                // NUMERIC(3)))
                RuleCase.of("share below its least").with("share", 0).isRefused(400),
                RuleCase.of("share above its most").with("share", new BigDecimal("100.01")).isRefused(400),
                RuleCase.of("blendId missing").without("blendId").isRefused(400),
                RuleCase.of("wineLotId missing").without("wineLotId").isRefused(400),
                RuleCase.of("share missing").without("share").isRefused(400),
                RuleCase.of("share with too many decimals").with("share", new BigDecimal("50.005")).isRefused(400));
    }
}
