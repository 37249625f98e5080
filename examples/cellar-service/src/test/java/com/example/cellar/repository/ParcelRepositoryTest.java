package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.ParcelInput;
import com.example.cellar.entity.Parcel;
import com.example.cellar.samples.ParcelSamples;
import com.example.cellar.support.RemovalContract;
import com.example.cellar.support.Sql;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRow;
import com.example.cellar.support.TestRows;
import com.example.cellar.support.UpdateContract;
import java.sql.SQLException;

class ParcelRepositoryTest implements UpdateContract<Parcel, ParcelInput>, RemovalContract<Parcel, ParcelInput> {
    @Override
    public TestRows<Parcel, ParcelInput, ?> rows() {
        return ParcelSamples.ROWS;
    }

    @Override
    public void assertStored(Parcel stored, ParcelInput input) throws SQLException {
        TestRow row = TestRow.find(connection(), Tables.PARCEL, stored.id());
        assertThat(row.get("NAME")).isEqualTo(input.name());
        assertThat(row.get("VARIETY_CODE")).isEqualTo(input.varietyCode());
        assertThat(row.get("AREA_HA")).isEqualTo(input.areaHa());
        assertThat(row.get("SLOPE_PERCENT")).isEqualTo(input.slopePercent());
        assertThat(row.get("SOIL")).isEqualTo(Sql.databaseValue(input.soil()));
        assertThat(row.get("PLANTED_ON")).isEqualTo(input.plantedOn());
        assertThat(row.get("ORGANIC")).isEqualTo(input.organic());
        assertThat(row.get("LATITUDE")).isEqualTo(input.latitude());
        assertThat(row.get("LONGITUDE")).isEqualTo(input.longitude());
        assertThat(ParcelInput.of(stored)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
    }
}
