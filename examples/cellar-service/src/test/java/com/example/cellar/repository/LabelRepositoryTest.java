package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.LabelInput;
import com.example.cellar.entity.Label;
import com.example.cellar.samples.LabelSamples;
import com.example.cellar.support.RemovalContract;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRow;
import com.example.cellar.support.TestRows;
import com.example.cellar.support.UpdateContract;
import java.sql.SQLException;

class LabelRepositoryTest implements UpdateContract<Label, LabelInput>, RemovalContract<Label, LabelInput> {
    @Override
    public TestRows<Label, LabelInput, ?> rows() {
        return LabelSamples.ROWS;
    }

    @Override
    public void assertStored(Label stored, LabelInput input) throws SQLException {
        TestRow row = TestRow.find(connection(), Tables.LABEL, stored.id());
        assertThat(row.get("TITLE")).isEqualTo(input.title());
        assertThat(row.get("LANGUAGE_CODE")).isEqualTo(input.languageCode());
        assertThat(row.get("BACK_TEXT")).isEqualTo(input.backText());
        assertThat(row.get("PICTURE")).isEqualTo(input.picture());
        assertThat(LabelInput.of(stored)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
    }
}
