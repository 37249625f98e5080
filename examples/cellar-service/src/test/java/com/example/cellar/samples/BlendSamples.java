package com.example.cellar.samples;

import com.example.cellar.dto.BlendInput;
import com.example.cellar.entity.Blend;
import com.example.cellar.entity.CellarHand;
import com.example.cellar.repository.BlendRepository;
import com.example.cellar.support.Numbers;
import com.example.cellar.support.TestRows;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.LocalDate;

/** Rows of {@code BLEND} that satisfy every constraint. */
public final class BlendSamples {
    private static final BlendRepository REPOSITORY = new BlendRepository();

    /** How tests get at the rows. */
    public static final TestRows<Blend, BlendInput, Integer> ROWS = TestRows.of(Blend.class, REPOSITORY)
            .keyed(Blend::id, REPOSITORY::findById)
            .made(BlendInput::of, BlendSamples::sample, REPOSITORY::insert)
            .changed(BlendSamples::other, REPOSITORY::update)
            .deleted(REPOSITORY::delete);

    private BlendSamples() {
    }

    /** A row with a value in every field; the rows that it refers to are inserted first. */
    public static BlendInput sample(Connection connection) throws SQLException {
        int n = Numbers.next(BlendSamples.class);
        CellarHand cellarHand = CellarHandSamples.ROWS.inserted(connection);
        return new BlendInput(null, "Name " + n, 2025, LocalDate.of(2021, 3, 1), "Tasting notes", cellarHand.id());
    }

    /** A row that differs from {@link #sample} wherever the constraints leave a choice. */
    public static BlendInput other(Connection connection) throws SQLException {
        int n = Numbers.next(BlendSamples.class);
        CellarHand cellarHand = CellarHandSamples.ROWS.inserted(connection);
        return new BlendInput(
                null,
                "Other name " + n,
                2026,
                LocalDate.of(2021, 4, 1),
                "Other tasting notes",
                cellarHand.id());
    }
}
