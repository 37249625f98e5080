package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.BlendComponentInput;
import com.example.cellar.entity.BlendComponent;
import com.example.cellar.samples.BlendComponentSamples;
import com.example.cellar.support.RemovalContract;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRow;
import com.example.cellar.support.TestRows;
import com.example.cellar.support.UpdateContract;
import java.sql.SQLException;

class BlendComponentRepositoryTest implements UpdateContract<BlendComponent, BlendComponentInput>,
        RemovalContract<BlendComponent, BlendComponentInput> {
    @Override
    public TestRows<BlendComponent, BlendComponentInput, ?> rows() {
        return BlendComponentSamples.ROWS;
    }

    @Override
    public void assertStored(BlendComponent stored, BlendComponentInput input) throws SQLException {
        TestRow row = TestRow.find(connection(), Tables.BLEND_COMPONENT, stored.blendId(), stored.wineLotId());
        assertThat(row.get("SHARE")).isEqualTo(input.share());
        assertThat(BlendComponentInput.of(stored)).usingRecursiveComparison().ignoringFields("blendId", "wineLotId")
                .isEqualTo(input);
    }
}
