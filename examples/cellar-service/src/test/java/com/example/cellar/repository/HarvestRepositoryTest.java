package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.HarvestInput;
import com.example.cellar.entity.Harvest;
import com.example.cellar.samples.HarvestSamples;
import com.example.cellar.support.RemovalContract;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRow;
import com.example.cellar.support.TestRows;
import com.example.cellar.support.UpdateContract;
import java.sql.SQLException;

class HarvestRepositoryTest implements UpdateContract<Harvest, HarvestInput>, RemovalContract<Harvest, HarvestInput> {
    @Override
    public TestRows<Harvest, HarvestInput, ?> rows() {
        return HarvestSamples.ROWS;
    }

    @Override
    public void assertStored(Harvest stored, HarvestInput input) throws SQLException {
        TestRow row = TestRow.find(connection(), Tables.HARVEST, stored.id());
        assertThat(row.get("PARCEL_ID")).isEqualTo(input.parcelId());
        assertThat(row.get("PICKED_ON")).isEqualTo(input.pickedOn());
        assertThat(row.get("WEIGHT_KG")).isEqualTo(input.weightKg());
        assertThat(row.get("BRIX")).isEqualTo(input.brix());
        assertThat(row.get("BY_MACHINE")).isEqualTo(input.byMachine());
        assertThat(row.get("PICKED_BY")).isEqualTo(input.pickedBy());
        assertThat(HarvestInput.of(stored)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
    }
}
