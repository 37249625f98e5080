package com.example.cellar.samples;

import com.example.cellar.dto.ParcelInput;
import com.example.cellar.entity.GrapeVariety;
import com.example.cellar.entity.Parcel;
import com.example.cellar.entity.ParcelSoil;
import com.example.cellar.repository.ParcelRepository;
import com.example.cellar.support.Numbers;
import com.example.cellar.support.TestRows;
import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.LocalDate;

/** Rows of {@code PARCEL} that satisfy every constraint. */
public final class ParcelSamples {
    private static final ParcelRepository REPOSITORY = new ParcelRepository();

    /** How tests get at the rows. */
    public static final TestRows<Parcel, ParcelInput, Integer> ROWS = TestRows.of(Parcel.class, REPOSITORY)
            .keyed(Parcel::id, REPOSITORY::findById)
            .made(ParcelInput::of, ParcelSamples::sample, REPOSITORY::insert)
            .changed(ParcelSamples::other, REPOSITORY::update)
            .deleted(REPOSITORY::delete);

    private ParcelSamples() {
    }

    /** A row with a value in every field; the rows that it refers to are inserted first. */
    public static ParcelInput sample(Connection connection) throws SQLException {
        int n = Numbers.next(ParcelSamples.class);
        GrapeVariety variety = GrapeVarietySamples.ROWS.inserted(connection);
        return new ParcelInput(
                null,
                "Name " + n,
                variety.code(),
                new BigDecimal("500.000"),
                50,
                ParcelSoil.CHALK,
                LocalDate.of(2021, 3, 1),
                false,
                0.0,
                0.0);
    }

    /** A row that differs from {@link #sample} wherever the constraints leave a choice. */
    public static ParcelInput other(Connection connection) throws SQLException {
        int n = Numbers.next(ParcelSamples.class);
        GrapeVariety variety = GrapeVarietySamples.ROWS.inserted(connection);
        return new ParcelInput(
                null,
                "Other name " + n,
                variety.code(),
                new BigDecimal("501.000"),
                51,
                ParcelSoil.SLATE,
                LocalDate.of(2021, 4, 1),
                true,
                1.0,
                1.0);
    }
}
