package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.WineLotInput;
import com.example.cellar.entity.WineLot;
import com.example.cellar.samples.WineLotSamples;
import com.example.cellar.support.RemovalContract;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRow;
import com.example.cellar.support.TestRows;
import com.example.cellar.support.UpdateContract;
import java.sql.SQLException;

class WineLotRepositoryTest implements UpdateContract<WineLot, WineLotInput>, RemovalContract<WineLot, WineLotInput> {
    @Override
    public TestRows<WineLot, WineLotInput, ?> rows() {
        return WineLotSamples.ROWS;
    }

    @Override
    public void assertStored(WineLot stored, WineLotInput input) throws SQLException {
        TestRow row = TestRow.find(connection(), Tables.WINE_LOT, stored.id());
        assertThat(row.get("NAME")).isEqualTo(input.name());
        assertThat(row.get("VINTAGE")).isEqualTo(input.vintage());
        assertThat(row.get("VESSEL_ID")).isEqualTo(input.vesselId());
        assertThat(row.get("LITRES")).isEqualTo(input.litres());
        assertThat(row.get("FILLED_ON")).isEqualTo(input.filledOn());
        assertThat(row.get("EMPTIED_ON")).isEqualTo(input.emptiedOn());
        assertThat(row.get("CREATED_AT")).isEqualTo(input.createdAt());
        assertThat(WineLotInput.of(stored)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
    }
}
