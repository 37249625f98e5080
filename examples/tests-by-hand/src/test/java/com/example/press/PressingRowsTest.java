package com.example.press;

import static org.assertj.db.api.Assertions.assertThat;

import dev.vinekit.junit.Seeded;
import java.sql.SQLException;
import java.time.LocalDateTime;
import javax.sql.DataSource;
import org.assertj.db.type.AssertDbConnection;
import org.assertj.db.type.AssertDbConnectionFactory;
import org.assertj.db.type.Changes;
import org.assertj.db.type.DateTimeValue;
import org.assertj.db.type.DateValue;
import org.assertj.db.type.TimeValue;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What a call has changed, row by row, with the assertions of AssertJ-DB. */
@Seeded(script = "src/main/resources/changes", engine = "h2", seed = "src/test/resources/two-growers.sql")
class PressingRowsTest {
    private PressHouse press;
    private AssertDbConnection rows;

    @BeforeEach
    void connect(DataSource database) throws SQLException {
        press = new PressHouse(database);
        rows = AssertDbConnectionFactory.of(database).create();
        try (var connection = database.getConnection(); var statement = connection.createStatement()) {
            statement.execute("DELETE FROM pressing");
        }
    }

    @Test
    void pressingIsOneNewRow() throws SQLException {
        Changes changes = rows.changes().tables(rows.table("delivery").build(), rows.table("pressing").build()).build();
        changes.setStartPointNow();

        press.press(1, LocalDateTime.of(2026, 9, 21, 12, 0));

        changes.setEndPointNow();
        assertThat(changes).hasNumberOfChanges(1).change().isCreation().isOnTable("pressing")
                .rowAtEndPoint().value("litres").isEqualTo(490)
                .value("pressed_at").isEqualTo(DateTimeValue.of(DateValue.of(2026, 9, 21), TimeValue.of(12, 0)));
    }
}
