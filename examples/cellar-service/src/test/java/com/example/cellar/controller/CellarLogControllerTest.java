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
import com.example.cellar.support.RequiredContract;
import com.example.cellar.support.RuleCase;
import com.example.cellar.support.RulesContract;
import com.example.cellar.support.ServiceUnderTest;
import com.example.cellar.support.TableFacts;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRows;
import java.sql.SQLException;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.junit.jupiter.api.extension.RegisterExtension;

class CellarLogControllerTest implements
        ListContract<CellarLog>,
        ComparisonContract<CellarLog, CellarLogInput>,
        CreateManyContract<CellarLog, CellarLogInput>,
        RequiredContract<CellarLog, CellarLogInput>,
        NestedContract<CellarLog, CellarLogInput>,
        RulesContract<CellarLog, CellarLogInput> {
    private static final String PATH = "/cellar-logs";
    private static final TableFacts FACTS = TableFacts.of(PATH)
            .filters("loggedAt", "handId")
            .ordered("loggedAt")
            .required("entry");

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.CELLAR_HAND,
            Tables.CELLAR_LOG);

    @Override
    public ServiceUnderTest service() {
        return SERVICE;
    }

    @Override
    public TableFacts facts() {
        return FACTS;
    }

    @Override
    public TestRows<CellarLog, CellarLogInput, ?> rows() {
        return CellarLogSamples.ROWS;
    }

    @Override
    public List<NestedList<?>> nested(CellarLog stored) throws SQLException {
        return List.of(
                new NestedList<>("/cellar-hands/" + PathKeys.join(stored.handId()) + "/cellar-logs", CellarLog.class,
                        rowsWith(row -> Objects.equals(row.handId(), stored.handId())), false));
    }

    static Stream<RuleCase> rules() {
        return Stream.of(
                // Reference CELLAR_LOG_HAND_FKEY: HAND_ID -> CELLAR_HAND (ID)
                RuleCase.of("handId of a missing row").with("handId", 2000000000).isRefused(422),
                RuleCase.of("row of handId deleted").deleting("/cellar-hands", "handId").isRefused(409),
                // Default LOCALTIMESTAMP of LOGGED_AT
                RuleCase.of("loggedAt left out").without("loggedAt").takesADefault(),
                // Not null ENTRY
                RuleCase.of("entry missing").without("entry").isRefused(400),
                // Type VARCHAR(500) of ENTRY
                RuleCase.of("entry too long").with("entry", "x".repeat(501)).isRefused(400));
    }
}
