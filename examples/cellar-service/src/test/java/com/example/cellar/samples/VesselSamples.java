package com.example.cellar.samples;

import com.example.cellar.dto.VesselInput;
import com.example.cellar.entity.Vessel;
import com.example.cellar.entity.VesselKind;
import com.example.cellar.entity.VesselToast;
import com.example.cellar.repository.VesselRepository;
import com.example.cellar.support.Numbers;
import com.example.cellar.support.TestRows;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.LocalDate;

/** Rows of {@code VESSEL} that satisfy every constraint. */
public final class VesselSamples {
    private static final VesselRepository REPOSITORY = new VesselRepository();

    /** How tests get at the rows. */
    public static final TestRows<Vessel, VesselInput, Integer> ROWS = TestRows.of(Vessel.class, REPOSITORY)
            .keyed(Vessel::id, REPOSITORY::findById)
            .made(VesselInput::of, VesselSamples::sample, REPOSITORY::insert)
            .changed(VesselSamples::other, REPOSITORY::update)
            .deleted(REPOSITORY::delete);

    private VesselSamples() {
    }

    /** A row with a value in every field; the rows that it refers to are inserted first. */
    public static VesselInput sample(Connection connection) throws SQLException {
        int n = Numbers.next(VesselSamples.class);
        return new VesselInput(
                null,
                "Code " + n,
                VesselKind.TANK,
                20,
                VesselToast.LIGHT,
                LocalDate.of(2021, 3, 1),
                true);
    }

    /** A row that differs from {@link #sample} wherever the constraints leave a choice. */
    public static VesselInput other(Connection connection) throws SQLException {
        int n = Numbers.next(VesselSamples.class);
        return new VesselInput(
                null,
                "B" + n,
                VesselKind.EGG,
                21,
                VesselToast.HEAVY,
                LocalDate.of(2021, 4, 1),
                false);
    }
}
