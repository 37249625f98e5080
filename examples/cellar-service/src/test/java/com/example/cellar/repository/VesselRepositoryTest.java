package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.VesselInput;
import com.example.cellar.entity.Vessel;
import com.example.cellar.samples.VesselSamples;
import com.example.cellar.support.RemovalContract;
import com.example.cellar.support.Sql;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRow;
import com.example.cellar.support.TestRows;
import com.example.cellar.support.UpdateContract;
import java.sql.SQLException;

class VesselRepositoryTest implements UpdateContract<Vessel, VesselInput>, RemovalContract<Vessel, VesselInput> {
    @Override
    public TestRows<Vessel, VesselInput, ?> rows() {
        return VesselSamples.ROWS;
    }

    @Override
    public void assertStored(Vessel stored, VesselInput input) throws SQLException {
        TestRow row = TestRow.find(connection(), Tables.VESSEL, stored.id());
        assertThat(row.get("CODE")).isEqualTo(input.code());
        assertThat(row.get("KIND")).isEqualTo(Sql.databaseValue(input.kind()));
        assertThat(row.get("CAPACITY_LITRES")).isEqualTo(input.capacityLitres());
        assertThat(row.get("TOAST")).isEqualTo(Sql.databaseValue(input.toast()));
        assertThat(row.get("BOUGHT_ON")).isEqualTo(input.boughtOn());
        assertThat(row.get("IN_USE")).isEqualTo(input.inUse());
        assertThat(VesselInput.of(stored)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
    }
}
