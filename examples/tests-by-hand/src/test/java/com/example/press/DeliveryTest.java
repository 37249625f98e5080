package com.example.press;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.junit.Seeded;
import java.math.BigDecimal;
import java.sql.SQLException;
import java.time.LocalDate;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;

/** Tables from change scripts, rows made up: the grower with the number 1 is there. */
@Seeded(script = "src/main/resources/changes", engine = "h2")
class DeliveryTest {
    private static final LocalDate DAY = LocalDate.of(2026, 9, 21);

    @Test
    void deliveryAddsToWhatTheGrowerHasDelivered(DataSource database) throws SQLException {
        PressHouse press = new PressHouse(database);
        long before = press.delivered(1);

        press.take(1, 840, new BigDecimal("92.5"), DAY);

        assertThat(press.delivered(1)).isEqualTo(before + 840);
    }
}
