package com.example.cellar.samples;

import com.example.cellar.dto.CellarLogInput;
import com.example.cellar.entity.CellarHand;
import com.example.cellar.entity.CellarLog;
import com.example.cellar.repository.CellarLogRepository;
import com.example.cellar.support.Numbers;
import com.example.cellar.support.TestRows;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.LocalDateTime;

/** Rows of {@code CELLAR_LOG} that satisfy every constraint. */
public final class CellarLogSamples {
    private static final CellarLogRepository REPOSITORY = new CellarLogRepository();

    /** How tests get at the rows. */
    public static final TestRows<CellarLog, CellarLogInput, Void> ROWS = TestRows.of(CellarLog.class, REPOSITORY)
            .made(CellarLogInput::of, CellarLogSamples::sample, REPOSITORY::insert);

    private CellarLogSamples() {
    }

    /** A row with a value in every field; the rows that it refers to are inserted first. */
    public static CellarLogInput sample(Connection connection) throws SQLException {
        int n = Numbers.next(CellarLogSamples.class);
        CellarHand hand = CellarHandSamples.ROWS.inserted(connection);
        return new CellarLogInput(LocalDateTime.of(2021, 3, 1, 8, 30), hand.id(), "Entry " + n);
    }
}
