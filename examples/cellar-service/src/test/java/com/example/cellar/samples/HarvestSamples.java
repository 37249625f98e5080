package com.example.cellar.samples;

import com.example.cellar.dto.HarvestInput;
import com.example.cellar.entity.CellarHand;
import com.example.cellar.entity.Harvest;
import com.example.cellar.entity.Parcel;
import com.example.cellar.repository.HarvestRepository;
import com.example.cellar.support.TestRows;
import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.LocalDate;

/** Rows of {@code HARVEST} that satisfy every constraint. */
public final class HarvestSamples {
    private static final HarvestRepository REPOSITORY = new HarvestRepository();

    /** How tests get at the rows. */
    public static final TestRows<Harvest, HarvestInput, Long> ROWS = TestRows.of(Harvest.class, REPOSITORY)
            .keyed(Harvest::id, REPOSITORY::findById)
            .made(HarvestInput::of, HarvestSamples::sample, REPOSITORY::insert)
            .changed(HarvestSamples::other, REPOSITORY::update)
            .deleted(REPOSITORY::delete);

    private HarvestSamples() {
    }

    /** A row with a value in every field; the rows that it refers to are inserted first. */
    public static HarvestInput sample(Connection connection) throws SQLException {
        Parcel parcel = ParcelSamples.ROWS.inserted(connection);
        CellarHand cellarHand = CellarHandSamples.ROWS.inserted(connection);
        return new HarvestInput(
                null,
                parcel.id(),
                LocalDate.of(2021, 3, 1),
                new BigDecimal("10.00"),
                new BigDecimal("25.0"),
                false,
                cellarHand.id());
    }

    /** A row that differs from {@link #sample} wherever the constraints leave a choice. */
    public static HarvestInput other(Connection connection) throws SQLException {
        Parcel parcel = ParcelSamples.ROWS.inserted(connection);
        CellarHand cellarHand = CellarHandSamples.ROWS.inserted(connection);
        return new HarvestInput(
                null,
                parcel.id(),
                LocalDate.of(2021, 4, 1),
                new BigDecimal("11.00"),
                new BigDecimal("26.0"),
                true,
                cellarHand.id());
    }
}
