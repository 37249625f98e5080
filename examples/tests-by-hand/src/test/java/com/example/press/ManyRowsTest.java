package com.example.press;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.junit.Seeded;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import org.junit.jupiter.api.Test;

/** Many rows, to see what a query does with them: made once, and not again for the next test. */
@Seeded(script = "src/main/resources/changes", engine = "postgresql", rows = 5000, number = 7)
class ManyRowsTest {
    private static final String OF_A_GROWER = "SELECT sum(kilograms) FROM delivery WHERE grower_id = 4711";

    @Test
    void deliveriesOfAGrowerAreFoundByAnIndex(Connection database) throws SQLException {
        assertThat(plan(database)).contains("Seq Scan on delivery");

        try (Statement statement = database.createStatement()) {
            statement.execute("CREATE INDEX delivery_grower ON delivery (grower_id)");
            statement.execute("ANALYZE delivery");
        }

        assertThat(plan(database)).contains("delivery_grower").doesNotContain("Seq Scan");
    }

    private static String plan(Connection database) throws SQLException {
        StringBuilder plan = new StringBuilder();
        try (Statement statement = database.createStatement();
                ResultSet row = statement.executeQuery("EXPLAIN " + OF_A_GROWER)) {
            while (row.next()) {
                plan.append(row.getString(1)).append('\n');
            }
        }
        return plan.toString();
    }
}
