package com.example.press;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.junit.Seeded;
import java.sql.SQLException;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;

/** Rows of one's own where the test is about them; whoever they refer to is among them. */
class OwnRowsTest {
    @Test
    void totalIsThatOfOneGrower(@Seeded(script = "src/main/resources/changes", engine = "h2",
            seed = "src/test/resources/two-growers.sql") DataSource database) throws SQLException {
        PressHouse press = new PressHouse(database);

        assertThat(press.delivered(7)).isEqualTo(1500);
        assertThat(press.delivered(8)).isEqualTo(20_000);
        assertThat(press.delivered(9)).isZero();
    }
}
