package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.BlendInput;
import com.example.cellar.entity.Blend;
import com.example.cellar.samples.BlendSamples;
import com.example.cellar.support.RemovalContract;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRow;
import com.example.cellar.support.TestRows;
import com.example.cellar.support.UpdateContract;
import java.sql.SQLException;

class BlendRepositoryTest implements UpdateContract<Blend, BlendInput>, RemovalContract<Blend, BlendInput> {
    @Override
    public TestRows<Blend, BlendInput, ?> rows() {
        return BlendSamples.ROWS;
    }

    @Override
    public void assertStored(Blend stored, BlendInput input) throws SQLException {
        TestRow row = TestRow.find(connection(), Tables.BLEND, stored.id());
        assertThat(row.get("NAME")).isEqualTo(input.name());
        assertThat(row.get("VINTAGE")).isEqualTo(input.vintage());
        assertThat(row.get("BLENDED_ON")).isEqualTo(input.blendedOn());
        assertThat(row.get("TASTING_NOTES")).isEqualTo(input.tastingNotes());
        assertThat(row.get("APPROVED_BY")).isEqualTo(input.approvedBy());
        assertThat(BlendInput.of(stored)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
    }
}
