package com.example.press;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.junit.Seeded;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import javax.sql.DataSource;
import org.junit.jupiter.api.RepeatedTest;

/** What takes connections and commits, on the engine of production: whatever it commits is undone after the test. */
@Seeded(script = "src/main/resources/changes", engine = "postgresql")
class TwoAtATimeTest {
    private static final LocalDateTime NOON = LocalDateTime.of(2026, 9, 21, 12, 0);

    @RepeatedTest(10)
    void deliveryIsPressedOnce(DataSource database) throws Exception {
        PressHouse press = new PressHouse(database);
        int delivery = press.take(1, 500, null, NOON.toLocalDate());
        ExecutorService hands = Executors.newFixedThreadPool(2);
        try {
            Callable<Boolean> pressing = () -> press.press(delivery, NOON);
            List<Future<Boolean>> both = hands.invokeAll(List.of(pressing, pressing));

            assertThat(List.of(both.get(0).get(), both.get(1).get())).containsExactlyInAnyOrder(true, false);
        } finally {
            hands.shutdown();
        }
    }

    @RepeatedTest(2)
    void numbersAreTheSameInEveryTest(DataSource database) throws SQLException {
        assertThat(new PressHouse(database).take(1, 500, null, LocalDate.of(2026, 9, 21))).isEqualTo(6);
    }
}
