package com.example.cellar.samples;

import com.example.cellar.dto.GrapeVarietyInput;
import com.example.cellar.entity.GrapeVariety;
import com.example.cellar.entity.GrapeVarietyColour;
import com.example.cellar.repository.GrapeVarietyRepository;
import com.example.cellar.support.Numbers;
import com.example.cellar.support.TestRows;
import java.sql.Connection;
import java.sql.SQLException;

/** Rows of {@code GRAPE_VARIETY} that satisfy every constraint. */
public final class GrapeVarietySamples {
    private static final GrapeVarietyRepository REPOSITORY = new GrapeVarietyRepository();

    /** How tests get at the rows. */
    public static final TestRows<GrapeVariety, GrapeVarietyInput, String> ROWS
            = TestRows.of(GrapeVariety.class, REPOSITORY)
            .keyed(GrapeVariety::code, REPOSITORY::findById)
            .made(GrapeVarietyInput::of, GrapeVarietySamples::sample, REPOSITORY::insert)
            .changed(GrapeVarietySamples::other, REPOSITORY::update)
            .deleted(REPOSITORY::delete);

    private GrapeVarietySamples() {
    }

    /** A row with a value in every field; the rows that it refers to are inserted first. */
    public static GrapeVarietyInput sample(Connection connection) throws SQLException {
        int n = Numbers.next(GrapeVarietySamples.class);
        return new GrapeVarietyInput("Code " + n, "Name " + n, GrapeVarietyColour.RED, 10, "Synonyms");
    }

    /** A row that differs from {@link #sample} wherever the constraints leave a choice. */
    public static GrapeVarietyInput other(Connection connection) throws SQLException {
        int n = Numbers.next(GrapeVarietySamples.class);
        return new GrapeVarietyInput("B" + n, "Other name " + n, GrapeVarietyColour.GREY, 11, "Other synonyms");
    }
}
