package com.example.cellar.samples;

import com.example.cellar.dto.WineLotInput;
import com.example.cellar.entity.Vessel;
import com.example.cellar.entity.WineLot;
import com.example.cellar.repository.WineLotRepository;
import com.example.cellar.support.Numbers;
import com.example.cellar.support.TestRows;
import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.UUID;

/** Rows of {@code WINE_LOT} that satisfy every constraint. */
public final class WineLotSamples {
    private static final WineLotRepository REPOSITORY = new WineLotRepository();

    /** How tests get at the rows. */
    public static final TestRows<WineLot, WineLotInput, UUID> ROWS = TestRows.of(WineLot.class, REPOSITORY)
            .keyed(WineLot::id, REPOSITORY::findById)
            .made(WineLotInput::of, WineLotSamples::sample, REPOSITORY::insert)
            .changed(WineLotSamples::other, REPOSITORY::update)
            .deleted(REPOSITORY::delete);

    private WineLotSamples() {
    }

    /** A row with a value in every field; the rows that it refers to are inserted first. */
    public static WineLotInput sample(Connection connection) throws SQLException {
        int n = Numbers.next(WineLotSamples.class);
        Vessel vessel = VesselSamples.ROWS.inserted(connection);
        return new WineLotInput(
                Numbers.uuid(n),
                "Name " + n,
                2025,
                vessel.id(),
                new BigDecimal("10.00"),
                LocalDate.of(2021, 3, 1),
                LocalDate.of(2021, 3, 11),
                OffsetDateTime.parse("2021-03-01T08:30:00Z"));
    }

    /** A row that differs from {@link #sample} wherever the constraints leave a choice. */
    public static WineLotInput other(Connection connection) throws SQLException {
        int n = Numbers.next(WineLotSamples.class);
        Vessel vessel = VesselSamples.ROWS.inserted(connection);
        return new WineLotInput(
                Numbers.uuid(n),
                "Other name " + n,
                2026,
                vessel.id(),
                new BigDecimal("11.00"),
                LocalDate.of(2021, 4, 1),
                LocalDate.of(2021, 4, 11),
                OffsetDateTime.parse("2021-04-01T14:30:00Z"));
    }
}
