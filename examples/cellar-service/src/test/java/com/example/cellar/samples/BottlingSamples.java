package com.example.cellar.samples;

import com.example.cellar.dto.BottlingInput;
import com.example.cellar.entity.Blend;
import com.example.cellar.entity.Bottling;
import com.example.cellar.entity.BottlingClosedWith;
import com.example.cellar.entity.Label;
import com.example.cellar.repository.BottlingRepository;
import com.example.cellar.support.TestRows;
import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.LocalDate;

/** Rows of {@code BOTTLING} that satisfy every constraint. */
public final class BottlingSamples {
    private static final BottlingRepository REPOSITORY = new BottlingRepository();

    /** How tests get at the rows. */
    public static final TestRows<Bottling, BottlingInput, Integer> ROWS = TestRows.of(Bottling.class, REPOSITORY)
            .keyed(Bottling::id, REPOSITORY::findById)
            .made(BottlingInput::of, BottlingSamples::sample, REPOSITORY::insert)
            .changed(BottlingSamples::other, REPOSITORY::update)
            .deleted(REPOSITORY::delete);

    private BottlingSamples() {
    }

    /** A row with a value in every field; the rows that it refers to are inserted first. */
    public static BottlingInput sample(Connection connection) throws SQLException {
        Blend blend = BlendSamples.ROWS.inserted(connection);
        Label label = LabelSamples.ROWS.inserted(connection);
        return new BottlingInput(
                null,
                blend.id(),
                label.id(),
                LocalDate.of(2021, 3, 1),
                375,
                10,
                new BigDecimal("10.00"),
                BottlingClosedWith.CORK);
    }

    /** A row that differs from {@link #sample} wherever the constraints leave a choice. */
    public static BottlingInput other(Connection connection) throws SQLException {
        Blend blend = BlendSamples.ROWS.inserted(connection);
        Label label = LabelSamples.ROWS.inserted(connection);
        return new BottlingInput(
                null,
                blend.id(),
                label.id(),
                LocalDate.of(2021, 4, 1),
                1500,
                11,
                new BigDecimal("11.00"),
                BottlingClosedWith.GLASS);
    }
}
