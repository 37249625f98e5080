package com.example.cellar.controller;

import com.example.cellar.dto.CellarLogInput;
import com.example.cellar.entity.CellarLog;
import com.example.cellar.samples.CellarLogSamples;
import com.example.cellar.support.ComparisonContract;
import com.example.cellar.support.CreateManyContract;
import com.example.cellar.support.ListContract;
import com.example.cellar.support.NestedContract;
import com.example.cellar.support.NestedList;
import com.example.cellar.support.PathKeys;
import com.example.cellar.support.RuleCase;
import com.example.cellar.support.RulesContract;
import com.example.cellar.support.TableFacts;
import com.example.cellar.support.Tables;
import java.sql.SQLException;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;

class CellarLogControllerTest implements
        ListContract<CellarLog>,
        ComparisonContract<CellarLog, CellarLogInput>,
        CreateManyContract<CellarLog, CellarLogInput>,
        NestedContract<CellarLog, CellarLogInput>,
        RulesContract<CellarLog, CellarLogInput> {
    @Override
    public TableFacts<CellarLog, CellarLogInput> facts() {
        return TableFacts.of("/cellar-logs", CellarLogSamples.ROWS)
                .touching(Tables.CELLAR_HAND, Tables.CELLAR_LOG)
                .filters("loggedAt", "handId")
                .ordered("loggedAt");
    }

    @Override
    public List<NestedList<?>> nested(CellarLog stored) throws SQLException {
        return List.of(
                listAt("/cellar-hands/" + PathKeys.join(stored.handId()) + "/cellar-logs",
                        row -> Objects.equals(row.handId(), stored.handId())));
    }

    static Stream<RuleCase> rules() {
        return Stream.of(
                // Reference CELLAR_LOG_HAND_FKEY: HAND_ID -> CELLAR_HAND (ID)
                RuleCase.of("handId of a missing row").with("handId", 2000000000).isRefused(422),
                RuleCase.of("row of handId deleted").deleting("/cellar-hands", "handId").isRefused(409),
                RuleCase.of("loggedAt left out").without("loggedAt").takesADefault(),
                RuleCase.of("entry missing").without("entry").isRefused(400),
                RuleCase.of("entry too long").with("entry", "x".repeat(501)).isRefused(400));
    }
}
