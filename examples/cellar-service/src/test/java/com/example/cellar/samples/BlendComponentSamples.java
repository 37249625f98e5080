package com.example.cellar.samples;

import com.example.cellar.dto.BlendComponentInput;
import com.example.cellar.entity.Blend;
import com.example.cellar.entity.BlendComponent;
import com.example.cellar.entity.BlendComponentKey;
import com.example.cellar.entity.WineLot;
import com.example.cellar.repository.BlendComponentRepository;
import com.example.cellar.support.TestRows;
import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.SQLException;

/** Rows of {@code BLEND_COMPONENT} that satisfy every constraint. */
public final class BlendComponentSamples {
    private static final BlendComponentRepository REPOSITORY = new BlendComponentRepository();

    /** How tests get at the rows. */
    public static final TestRows<BlendComponent, BlendComponentInput, BlendComponentKey> ROWS
            = TestRows.of(BlendComponent.class, REPOSITORY)
            .keyed(BlendComponent::primaryKey, REPOSITORY::findById)
            .made(BlendComponentInput::of, BlendComponentSamples::sample, REPOSITORY::insert)
            .changed(BlendComponentSamples::other, REPOSITORY::update)
            .deleted(REPOSITORY::delete)
            .sharing("blendId", "wineLotId");

    private BlendComponentSamples() {
    }

    /** A row with a value in every field; the rows that it refers to are inserted first. */
    public static BlendComponentInput sample(Connection connection) throws SQLException {
        Blend blend = BlendSamples.ROWS.inserted(connection);
        WineLot wineLot = WineLotSamples.ROWS.inserted(connection);
        return new BlendComponentInput(blend.id(), wineLot.id(), new BigDecimal("50.00"));
    }

    /** A row that differs from {@link #sample} wherever the constraints leave a choice. */
    public static BlendComponentInput other(Connection connection) throws SQLException {
        Blend blend = BlendSamples.ROWS.inserted(connection);
        WineLot wineLot = WineLotSamples.ROWS.inserted(connection);
        return new BlendComponentInput(blend.id(), wineLot.id(), new BigDecimal("51.00"));
    }
}
