package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.CellarHandInput;
import com.example.cellar.entity.CellarHand;
import com.example.cellar.samples.CellarHandSamples;
import com.example.cellar.support.RemovalContract;
import com.example.cellar.support.Sql;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRow;
import com.example.cellar.support.TestRows;
import com.example.cellar.support.UpdateContract;
import java.sql.SQLException;

class CellarHandRepositoryTest implements UpdateContract<CellarHand, CellarHandInput>, RemovalContract<CellarHand,
        CellarHandInput> {
    @Override
    public TestRows<CellarHand, CellarHandInput, ?> rows() {
        return CellarHandSamples.ROWS;
    }

    @Override
    public void assertStored(CellarHand stored, CellarHandInput input) throws SQLException {
        TestRow row = TestRow.find(connection(), Tables.CELLAR_HAND, stored.id());
        assertThat(row.get("FULL_NAME")).isEqualTo(input.fullName());
        assertThat(row.get("EMAIL")).isEqualTo(input.email());
        assertThat(row.get("CRAFT")).isEqualTo(Sql.databaseValue(input.craft()));
        assertThat(row.get("HIRED_ON")).isEqualTo(input.hiredOn());
        assertThat(row.get("LEFT_ON")).isEqualTo(input.leftOn());
        assertThat(row.get("SHIFT_STARTS")).isEqualTo(input.shiftStarts());
        assertThat(row.get("SUPERVISOR_ID")).isEqualTo(input.supervisorId());
        assertThat(CellarHandInput.of(stored)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
    }
}
