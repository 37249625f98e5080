package com.example.cellar.controller;

import com.example.cellar.dto.LabelInput;
import com.example.cellar.entity.Label;
import com.example.cellar.samples.LabelSamples;
import com.example.cellar.support.ComparisonContract;
import com.example.cellar.support.CrudContract;
import com.example.cellar.support.RequiredContract;
import com.example.cellar.support.RuleCase;
import com.example.cellar.support.RulesContract;
import com.example.cellar.support.SearchContract;
import com.example.cellar.support.ServiceUnderTest;
import com.example.cellar.support.TableFacts;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRows;
import com.example.cellar.support.UniqueContract;
import java.util.stream.Stream;
import org.junit.jupiter.api.extension.RegisterExtension;

class LabelControllerTest implements
        CrudContract<Label, LabelInput>,
        ComparisonContract<Label, LabelInput>,
        SearchContract<Label, LabelInput>,
        UniqueContract<Label, LabelInput>,
        RequiredContract<Label, LabelInput>,
        RulesContract<Label, LabelInput> {
    private static final String PATH = "/labels";
    private static final TableFacts FACTS = TableFacts.of(PATH)
            .key("id")
            .sortable("title", "languageCode")
            .filters("id", "title", "languageCode")
            .ordered("id")
            .searched("title")
            .required("title")
            .unique("title", "languageCode")
            .changeable("title", "languageCode", "backText", "picture")
            .children("{key}/bottlings");

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.LABEL);

    @Override
    public ServiceUnderTest service() {
        return SERVICE;
    }

    @Override
    public TableFacts facts() {
        return FACTS;
    }

    @Override
    public TestRows<Label, LabelInput, ?> rows() {
        return LabelSamples.ROWS;
    }

    static Stream<RuleCase> rules() {
        return Stream.of(
                // Unique LABEL_TITLE_LANGUAGE_KEY: TITLE, LANGUAGE_CODE
                RuleCase.of("duplicate title and languageCode").copying("title", "languageCode").isRefused(409),
                // Generated ID: numbered by the database
                RuleCase.of("id from the client").with("id", 1).isRefused(400),
                // Not null TITLE
                RuleCase.of("title missing").without("title").isRefused(400),
                // Type VARCHAR(60) of TITLE
                RuleCase.of("title too long").with("title", "x".repeat(61)).isRefused(400),
                // Not null LANGUAGE_CODE
                RuleCase.of("languageCode cleared").clearing("languageCode").isRefused(400),
                // Type CHAR(2) of LANGUAGE_CODE
                RuleCase.of("languageCode too long").with("languageCode", "x".repeat(3)).isRefused(400),
                // Type VARCHAR(1000) of BACK_TEXT
                RuleCase.of("backText too long").with("backText", "x".repeat(1001)).isRefused(400));
    }
}
