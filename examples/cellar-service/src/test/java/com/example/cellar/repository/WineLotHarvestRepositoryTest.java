package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.WineLotHarvestInput;
import com.example.cellar.entity.WineLotHarvest;
import com.example.cellar.samples.WineLotHarvestSamples;
import com.example.cellar.support.RemovalContract;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRow;
import com.example.cellar.support.TestRows;
import java.sql.SQLException;

class WineLotHarvestRepositoryTest implements RemovalContract<WineLotHarvest, WineLotHarvestInput> {
    @Override
    public TestRows<WineLotHarvest, WineLotHarvestInput, ?> rows() {
        return WineLotHarvestSamples.ROWS;
    }

    @Override
    public void assertStored(WineLotHarvest stored, WineLotHarvestInput input) throws SQLException {
        assertThat(TestRow.find(connection(), Tables.WINE_LOT_HARVEST, stored.wineLotId(), stored.harvestId()))
                .isNotNull();
    }
}
