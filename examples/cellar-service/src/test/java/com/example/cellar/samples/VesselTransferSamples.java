package com.example.cellar.samples;

import com.example.cellar.dto.VesselTransferInput;
import com.example.cellar.entity.CellarHand;
import com.example.cellar.entity.Vessel;
import com.example.cellar.entity.VesselTransfer;
import com.example.cellar.repository.VesselTransferRepository;
import com.example.cellar.support.TestRows;
import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.LocalDateTime;

/** Rows of {@code VESSEL_TRANSFER} that satisfy every constraint. */
public final class VesselTransferSamples {
    private static final VesselTransferRepository REPOSITORY = new VesselTransferRepository();

    /** How tests get at the rows. */
    public static final TestRows<VesselTransfer, VesselTransferInput, Long> ROWS
            = TestRows.of(VesselTransfer.class, REPOSITORY)
            .keyed(VesselTransfer::id, REPOSITORY::findById)
            .made(VesselTransferInput::of, VesselTransferSamples::sample, REPOSITORY::insert)
            .changed(VesselTransferSamples::other, REPOSITORY::update)
            .deleted(REPOSITORY::delete);

    private VesselTransferSamples() {
    }

    /** A row with a value in every field; the rows that it refers to are inserted first. */
    public static VesselTransferInput sample(Connection connection) throws SQLException {
        Vessel fromVessel = VesselSamples.ROWS.inserted(connection);
        CellarHand cellarHand = CellarHandSamples.ROWS.inserted(connection);
        Vessel toVessel = VesselSamples.ROWS.inserted(connection);
        return new VesselTransferInput(
                null,
                fromVessel.id(),
                toVessel.id(),
                new BigDecimal("10.00"),
                LocalDateTime.of(2021, 3, 1, 8, 30),
                cellarHand.id(),
                "Reason");
    }

    /** A row that differs from {@link #sample} wherever the constraints leave a choice. */
    public static VesselTransferInput other(Connection connection) throws SQLException {
        Vessel fromVessel = VesselSamples.ROWS.inserted(connection);
        CellarHand cellarHand = CellarHandSamples.ROWS.inserted(connection);
        Vessel toVessel = VesselSamples.ROWS.inserted(connection);
        return new VesselTransferInput(
                null,
                fromVessel.id(),
                toVessel.id(),
                new BigDecimal("11.00"),
                LocalDateTime.of(2021, 4, 1, 14, 30),
                cellarHand.id(),
                "Other reason");
    }
}
