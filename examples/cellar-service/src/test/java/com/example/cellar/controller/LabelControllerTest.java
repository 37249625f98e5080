package com.example.cellar.controller;

import com.example.cellar.dto.LabelInput;
import com.example.cellar.entity.Label;
import com.example.cellar.samples.LabelSamples;
import com.example.cellar.support.ComparisonContract;
import com.example.cellar.support.CrudContract;
import com.example.cellar.support.RuleCase;
import com.example.cellar.support.SearchContract;
import com.example.cellar.support.TableFacts;
import com.example.cellar.support.Tables;
import com.example.cellar.support.UniqueContract;
import java.util.stream.Stream;

class LabelControllerTest implements
        CrudContract<Label, LabelInput>,
        ComparisonContract<Label, LabelInput>,
        SearchContract<Label, LabelInput>,
        UniqueContract<Label, LabelInput> {
    @Override
    public TableFacts<Label, LabelInput> facts() {
        return TableFacts.of("/labels", LabelSamples.ROWS)
                .touching(Tables.LABEL)
                .key("id")
                .sortable("title", "languageCode")
                .filters("id", "title", "languageCode")
                .ordered("id")
                .searched("title")
                .unique("title", "languageCode")
                .changeable("title", "languageCode", "backText", "picture")
                .children("{key}/bottlings");
    }

    static Stream<RuleCase> rules() {
        return Stream.of(
                // Unique LABEL_TITLE_LANGUAGE_KEY: TITLE, LANGUAGE_CODE
                RuleCase.of("duplicate title and languageCode").copying("title", "languageCode").isRefused(409),
                RuleCase.of("id from the client").with("id", 1).isRefused(400),
                RuleCase.of("title missing").without("title").isRefused(400),
                RuleCase.of("title too long").with("title", "x".repeat(61)).isRefused(400),
                RuleCase.of("languageCode cleared").clearing("languageCode").isRefused(400),
                RuleCase.of("languageCode too long").with("languageCode", "x".repeat(3)).isRefused(400),
                RuleCase.of("languageCode left out").without("languageCode").takesADefaultIfItFits(),
                RuleCase.of("backText too long").with("backText", "x".repeat(1001)).isRefused(400));
    }
}
