package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.VesselTransferInput;
import com.example.cellar.entity.VesselTransfer;
import com.example.cellar.samples.VesselTransferSamples;
import com.example.cellar.support.RemovalContract;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRow;
import com.example.cellar.support.TestRows;
import com.example.cellar.support.UpdateContract;
import java.sql.SQLException;

class VesselTransferRepositoryTest implements UpdateContract<VesselTransfer, VesselTransferInput>,
        RemovalContract<VesselTransfer, VesselTransferInput> {
    @Override
    public TestRows<VesselTransfer, VesselTransferInput, ?> rows() {
        return VesselTransferSamples.ROWS;
    }

    @Override
    public void assertStored(VesselTransfer stored, VesselTransferInput input) throws SQLException {
        TestRow row = TestRow.find(connection(), Tables.VESSEL_TRANSFER, stored.id());
        assertThat(row.get("from")).isEqualTo(input.from());
        assertThat(row.get("to")).isEqualTo(input.to());
        assertThat(row.get("LITRES")).isEqualTo(input.litres());
        assertThat(row.get("MOVED_AT")).isEqualTo(input.movedAt());
        assertThat(row.get("MOVED_BY")).isEqualTo(input.movedBy());
        assertThat(row.get("REASON")).isEqualTo(input.reason());
        assertThat(VesselTransferInput.of(stored)).usingRecursiveComparison().ignoringFields("id").isEqualTo(input);
    }
}
