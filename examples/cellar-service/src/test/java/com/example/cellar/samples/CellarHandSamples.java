package com.example.cellar.samples;

import com.example.cellar.dto.CellarHandInput;
import com.example.cellar.entity.CellarHand;
import com.example.cellar.entity.CellarHandCraft;
import com.example.cellar.repository.CellarHandRepository;
import com.example.cellar.support.Numbers;
import com.example.cellar.support.TestRows;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.LocalTime;

/** Rows of {@code CELLAR_HAND} that satisfy every constraint. */
public final class CellarHandSamples {
    private static final CellarHandRepository REPOSITORY = new CellarHandRepository();

    /** How tests get at the rows. */
    public static final TestRows<CellarHand, CellarHandInput, Integer> ROWS = TestRows.of(CellarHand.class, REPOSITORY)
            .keyed(CellarHand::id, REPOSITORY::findById)
            .made(CellarHandInput::of, CellarHandSamples::sample, REPOSITORY::insert)
            .changed(CellarHandSamples::other, REPOSITORY::update)
            .deleted(REPOSITORY::delete);

    private CellarHandSamples() {
    }

    /** A row with a value in every field; the rows that it refers to are inserted first. */
    public static CellarHandInput sample(Connection connection) throws SQLException {
        int n = Numbers.next(CellarHandSamples.class);
        return new CellarHandInput(
                null,
                "Full name",
                "email" + n + "@example.com",
                CellarHandCraft.CELLAR,
                LocalDate.of(2021, 3, 1),
                LocalDate.of(2021, 3, 11),
                LocalTime.of(8, 30),
                null);
    }

    /** A row that differs from {@link #sample} wherever the constraints leave a choice. */
    public static CellarHandInput other(Connection connection) throws SQLException {
        int n = Numbers.next(CellarHandSamples.class);
        CellarHand supervisor = CellarHandSamples.ROWS.inserted(connection);
        return new CellarHandInput(
                null,
                "Other full name",
                "email.other" + n + "@example.com",
                CellarHandCraft.VINEYARD,
                LocalDate.of(2021, 4, 1),
                LocalDate.of(2021, 4, 11),
                LocalTime.of(14, 30),
                supervisor.id());
    }
}
