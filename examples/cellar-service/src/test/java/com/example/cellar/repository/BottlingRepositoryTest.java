package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.BottlingInput;
import com.example.cellar.entity.Bottling;
import com.example.cellar.samples.BottlingSamples;
import com.example.cellar.support.RemovalContract;
import com.example.cellar.support.Sql;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRow;
import com.example.cellar.support.TestRows;
import com.example.cellar.support.UpdateContract;
import java.sql.SQLException;

class BottlingRepositoryTest implements UpdateContract<Bottling, BottlingInput>, RemovalContract<Bottling,
        BottlingInput> {
    @Override
    public TestRows<Bottling, BottlingInput, ?> rows() {
        return BottlingSamples.ROWS;
    }

    @Override
    public void assertStored(Bottling stored, BottlingInput input) throws SQLException {
        TestRow row = TestRow.find(connection(), Tables.BOTTLING, stored.id());
        assertThat(row.get("BLEND_ID")).isEqualTo(input.blendId());
        assertThat(row.get("LABEL_ID")).isEqualTo(input.labelId());
        assertThat(row.get("BOTTLED_ON")).isEqualTo(input.bottledOn());
        assertThat(row.get("BOTTLE_ML")).isEqualTo(input.bottleMl());
        assertThat(row.get("BOTTLES")).isEqualTo(input.bottles());
        assertThat(row.get("PRICE")).isEqualTo(input.price());
        assertThat(row.get("CLOSED_WITH")).isEqualTo(Sql.databaseValue(input.closedWith()));
        assertThat(BottlingInput.of(stored)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
    }
}
