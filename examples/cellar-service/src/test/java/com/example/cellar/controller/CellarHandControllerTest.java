package com.example.cellar.controller;

import com.example.cellar.dto.CellarHandInput;
import com.example.cellar.entity.CellarHand;
import com.example.cellar.samples.CellarHandSamples;
import com.example.cellar.support.ComparisonContract;
import com.example.cellar.support.CrudContract;
import com.example.cellar.support.RuleCase;
import com.example.cellar.support.SearchContract;
import com.example.cellar.support.TableFacts;
import com.example.cellar.support.Tables;
import com.example.cellar.support.UniqueContract;
import java.util.stream.Stream;

class CellarHandControllerTest implements
        CrudContract<CellarHand, CellarHandInput>,
        ComparisonContract<CellarHand, CellarHandInput>,
        SearchContract<CellarHand, CellarHandInput>,
        UniqueContract<CellarHand, CellarHandInput> {
    @Override
    public TableFacts<CellarHand, CellarHandInput> facts() {
        return TableFacts.of("/cellar-hands", CellarHandSamples.ROWS)
                .touching(Tables.CELLAR_HAND)
                .key("id")
                .sortable("email", "supervisorId")
                .filters("id", "email")
                .ordered("id")
                .searched("email")
                .unique("email")
                .changeable("fullName", "email", "craft", "shiftStarts", "supervisorId")
                .children("{key}/blends", "{key}/cellar-hands", "{key}/cellar-logs", "{key}/harvests",
                        "{key}/vessel-transfers");
    }

    static Stream<RuleCase> rules() {
        return Stream.of(
                RuleCase.of("all required missing").without("fullName", "email", "hiredOn", "shiftStarts")
                        .isRefused(400),
                // Unique CELLAR_HAND_EMAIL_KEY: EMAIL
                RuleCase.of("duplicate email").copying("email").isRefused(409),
                // Reference CELLAR_HAND_SUPERVISOR_FKEY: SUPERVISOR_ID -> CELLAR_HAND (ID)
                RuleCase.of("supervisorId of a missing row").with("supervisorId", 2000000000).isRefused(422),
                RuleCase.of("row of supervisorId deleted").deleting("/cellar-hands", "supervisorId").isRefused(409),
                // Check CELLAR_HAND_CRAFT_CHECK: "CRAFT" IN('cellar', 'cooperage', 'laboratory', 'vineyard')
                RuleCase.of("craft not among its values").with("craft", "no such value").isRefused(400),
                // Check CELLAR_HAND_DATES_CHECK: "LEFT_ON" >= "HIRED_ON"
                RuleCase.of("leftOn and hiredOn exchanged").exchanging("leftOn", "hiredOn").isRefused(400),
                // Check CELLAR_HAND_EMAIL_CHECK: "EMAIL" LIKE '%_@_%'
                RuleCase.of("email out of its pattern").with("email", "?").isRefused(400),
                RuleCase.of("id from the client").with("id", 1).isRefused(400),
                RuleCase.of("fullName missing").without("fullName").isRefused(400),
                RuleCase.of("fullName too long").with("fullName", "x".repeat(81)).isRefused(400),
                RuleCase.of("email missing").without("email").isRefused(400),
                RuleCase.of("craft cleared").clearing("craft").isRefused(400),
                RuleCase.of("craft left out").without("craft").takesADefault(),
                RuleCase.of("hiredOn missing").without("hiredOn").isRefused(400),
                RuleCase.of("shiftStarts missing").without("shiftStarts").isRefused(400));
    }
}
