package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.GrapeVarietyInput;
import com.example.cellar.entity.GrapeVariety;
import com.example.cellar.samples.GrapeVarietySamples;
import com.example.cellar.support.RemovalContract;
import com.example.cellar.support.Sql;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRow;
import com.example.cellar.support.TestRows;
import com.example.cellar.support.UpdateContract;
import java.sql.SQLException;

class GrapeVarietyRepositoryTest implements UpdateContract<GrapeVariety, GrapeVarietyInput>,
        RemovalContract<GrapeVariety, GrapeVarietyInput> {
    @Override
    public TestRows<GrapeVariety, GrapeVarietyInput, ?> rows() {
        return GrapeVarietySamples.ROWS;
    }

    @Override
    public void assertStored(GrapeVariety stored, GrapeVarietyInput input) throws SQLException {
        TestRow row = TestRow.find(connection(), Tables.GRAPE_VARIETY, stored.code());
        assertThat(row.get("NAME")).isEqualTo(input.name());
        assertThat(row.get("COLOUR")).isEqualTo(Sql.databaseValue(input.colour()));
        assertThat(row.get("order")).isEqualTo(input.order());
        assertThat(row.get("SYNONYMS")).isEqualTo(input.synonyms());
        assertThat(GrapeVarietyInput.of(stored)).usingRecursiveComparison().ignoringFields("code").isEqualTo(input);
    }
}
