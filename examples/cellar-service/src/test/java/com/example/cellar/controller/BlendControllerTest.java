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
import com.example.cellar.support.RequiredContract;
import com.example.cellar.support.RuleCase;
import com.example.cellar.support.RulesContract;
import com.example.cellar.support.SearchContract;
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

class BlendControllerTest implements
        CrudContract<Blend, BlendInput>,
        ComparisonContract<Blend, BlendInput>,
        SearchContract<Blend, BlendInput>,
        UniqueContract<Blend, BlendInput>,
        RequiredContract<Blend, BlendInput>,
        IncludeContract<Blend, BlendInput>,
        NestedContract<Blend, BlendInput>,
        RulesContract<Blend, BlendInput> {
    private static final String PATH = "/blends";
    private static final TableFacts FACTS = TableFacts.of(PATH)
            .key("id")
            .sortable("name", "vintage", "approvedBy")
            .filters("id", "name", "vintage", "approvedBy")
            .ordered("id")
            .searched("name")
            .required("name", "blendedOn")
            .unique("name", "vintage")
            .changeable("name", "vintage", "blendedOn", "tastingNotes", "approvedBy")
            .children("{key}/blend-components", "{key}/bottlings", "{key}/wine-lots");

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.CELLAR_HAND,
            Tables.BLEND);

    @Override
    public ServiceUnderTest service() {
        return SERVICE;
    }

    @Override
    public TableFacts facts() {
        return FACTS;
    }

    @Override
    public TestRows<Blend, BlendInput, ?> rows() {
        return BlendSamples.ROWS;
    }

    @Override
    public Map<String, String> included(Blend stored) {
        return Map.of(
                "cellarHand", "/cellar-hands/" + PathKeys.join(stored.approvedBy()));
    }

    @Override
    public List<NestedList<?>> nested(Blend stored) throws SQLException {
        return List.of(
                new NestedList<>("/cellar-hands/" + PathKeys.join(stored.approvedBy()) + "/blends", Blend.class,
                        rowsWith(row -> Objects.equals(row.approvedBy(), stored.approvedBy())), false));
    }

    static Stream<RuleCase> rules() {
        return Stream.of(
                // Unique BLEND_NAME_VINTAGE_KEY: NAME, VINTAGE
                RuleCase.of("duplicate name and vintage").copying("name", "vintage").isRefused(409),
                // Reference BLEND_APPROVER_FKEY: APPROVED_BY -> CELLAR_HAND (ID)
                RuleCase.of("approvedBy of a missing row").with("approvedBy", 2000000000).isRefused(422),
                RuleCase.of("row of approvedBy deleted").deleting("/cellar-hands", "approvedBy").isRefused(409),
                // Check BLEND_VINTAGE_CHECK: "VINTAGE" BETWEEN 1950 AND 2100
                RuleCase.of("vintage below its least").with("vintage", 1949).isRefused(400),
                RuleCase.of("vintage above its most").with("vintage", 2101).isRefused(400),
                // Generated ID: numbered by the database
                RuleCase.of("id from the client").with("id", 1).isRefused(400),
                // Not null NAME
                RuleCase.of("name missing").without("name").isRefused(400),
                // Type VARCHAR(80) of NAME
                RuleCase.of("name too long").with("name", "x".repeat(81)).isRefused(400),
                // Not null BLENDED_ON
                RuleCase.of("blendedOn missing").without("blendedOn").isRefused(400));
    }
}
