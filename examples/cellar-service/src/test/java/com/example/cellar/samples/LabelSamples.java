package com.example.cellar.samples;

import com.example.cellar.dto.LabelInput;
import com.example.cellar.entity.Label;
import com.example.cellar.repository.LabelRepository;
import com.example.cellar.support.Binary;
import com.example.cellar.support.Numbers;
import com.example.cellar.support.TestRows;
import java.sql.Connection;
import java.sql.SQLException;

/** Rows of {@code LABEL} that satisfy every constraint. */
public final class LabelSamples {
    private static final LabelRepository REPOSITORY = new LabelRepository();

    /** How tests get at the rows. */
    public static final TestRows<Label, LabelInput, Integer> ROWS = TestRows.of(Label.class, REPOSITORY)
            .keyed(Label::id, REPOSITORY::findById)
            .made(LabelInput::of, LabelSamples::sample, REPOSITORY::insert)
            .changed(LabelSamples::other, REPOSITORY::update)
            .deleted(REPOSITORY::delete);

    private LabelSamples() {
    }

    /** A row with a value in every field; the rows that it refers to are inserted first. */
    public static LabelInput sample(Connection connection) throws SQLException {
        int n = Numbers.next(LabelSamples.class);
        return new LabelInput(null, "Title " + n, "AB", "Back text", Binary.of(new byte[] {127, 127, 127}));
    }

    /** A row that differs from {@link #sample} wherever the constraints leave a choice. */
    public static LabelInput other(Connection connection) throws SQLException {
        int n = Numbers.next(LabelSamples.class);
        return new LabelInput(
                null,
                "Other title " + n,
                "CD",
                "Other back text",
                Binary.of(new byte[] {-54, -54, -54}));
    }
}
