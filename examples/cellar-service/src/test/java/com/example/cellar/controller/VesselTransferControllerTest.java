package com.example.cellar.controller;

import com.example.cellar.dto.VesselTransferInput;
import com.example.cellar.entity.VesselTransfer;
import com.example.cellar.samples.VesselTransferSamples;
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

class VesselTransferControllerTest implements
        CrudContract<VesselTransfer, VesselTransferInput>,
        ComparisonContract<VesselTransfer, VesselTransferInput>,
        CreateManyContract<VesselTransfer, VesselTransferInput>,
        IncludeContract<VesselTransfer, VesselTransferInput>,
        NestedContract<VesselTransfer, VesselTransferInput> {
    @Override
    public TableFacts<VesselTransfer, VesselTransferInput> facts() {
        return TableFacts.of("/vessel-transfers", VesselTransferSamples.ROWS)
                .touching(Tables.CELLAR_HAND, Tables.VESSEL, Tables.VESSEL_TRANSFER)
                .key("id")
                .sortable("from", "to", "movedAt", "movedBy")
                .filters("id", "from", "to", "movedAt", "movedBy")
                .ordered("id")
                .changeable("litres", "movedAt", "movedBy", "reason");
    }

    @Override
    public Map<String, String> included(VesselTransfer stored) {
        return Map.of(
                "fromVessel", "/vessels/" + PathKeys.join(stored.from()),
                "cellarHand", "/cellar-hands/" + PathKeys.join(stored.movedBy()),
                "toVessel", "/vessels/" + PathKeys.join(stored.to()));
    }

    @Override
    public List<NestedList<?>> nested(VesselTransfer stored) throws SQLException {
        return List.of(
                listAt("/vessels/" + PathKeys.join(stored.from()) + "/vessel-transfers-by-from-vessel",
                        row -> Objects.equals(row.from(), stored.from())),
                listAt("/cellar-hands/" + PathKeys.join(stored.movedBy()) + "/vessel-transfers",
                        row -> Objects.equals(row.movedBy(), stored.movedBy())),
                listAt("/vessels/" + PathKeys.join(stored.to()) + "/vessel-transfers-by-to-vessel",
                        row -> Objects.equals(row.to(), stored.to())));
    }

    static Stream<RuleCase> rules() {
        return Stream.of(
                RuleCase.of("all required missing").without("from", "to", "litres", "movedAt", "movedBy")
                        .isRefused(400),
                // Reference VESSEL_TRANSFER_FROM_FKEY: from -> VESSEL (ID)
                RuleCase.of("from of a missing row").with("from", 2000000000).isRefused(422),
                RuleCase.of("row of from deleted").deleting("/vessels", "from").isRefused(409),
                // Reference VESSEL_TRANSFER_HAND_FKEY: MOVED_BY -> CELLAR_HAND (ID)
                RuleCase.of("movedBy of a missing row").with("movedBy", 2000000000).isRefused(422),
                RuleCase.of("row of movedBy deleted").deleting("/cellar-hands", "movedBy").isRefused(409),
                // Reference VESSEL_TRANSFER_TO_FKEY: to -> VESSEL (ID)
                RuleCase.of("to of a missing row").with("to", 2000000000).isRefused(422),
                RuleCase.of("row of to deleted").deleting("/vessels", "to").isRefused(409),
                // Check VESSEL_TRANSFER_ENDS_CHECK: "from" <> "to"
                RuleCase.of("from equal to to").repeating("from", "to").isRefused(400),
                // Check VESSEL_TRANSFER_LITRES_CHECK: "LITRES" > CAST(0 AS NUMERIC(1))
                RuleCase.of("litres below its least").with("litres", 0).isRefused(400),
                RuleCase.of("id from the client").with("id", 1).isRefused(400),
                RuleCase.of("from missing").without("from").isRefused(400),
                RuleCase.of("to missing").without("to").isRefused(400),
                RuleCase.of("litres missing").without("litres").isRefused(400),
                RuleCase.of("litres with too many digits").with("litres", 10000000).isRefused(400),
                RuleCase.of("litres with too many decimals").with("litres", new BigDecimal("10.005")).isRefused(400),
                RuleCase.of("movedAt missing").without("movedAt").isRefused(400),
                RuleCase.of("movedBy missing").without("movedBy").isRefused(400),
                RuleCase.of("reason too long").with("reason", "x".repeat(201)).isRefused(400));
    }
}
