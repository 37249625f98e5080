package com.example.press;

import jakarta.ws.rs.GET;
import jakarta.ws.rs.Path;
import jakarta.ws.rs.Produces;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.Map;
import javax.sql.DataSource;

/** What came in today; written by hand. */
@Path("today")
public final class Today {
    private final DataSource database;

    public Today(DataSource database) {
        this.database = database;
    }

    @GET
    @Produces("application/json")
    public Map<String, Long> kilograms() throws SQLException {
        try (Connection connection = database.getConnection(); PreparedStatement sum = connection.prepareStatement(
                "SELECT coalesce(sum(kilograms), 0) FROM delivery WHERE delivered_on = ?")) {
            sum.setObject(1, LocalDate.now());
            try (ResultSet row = sum.executeQuery()) {
                row.next();
                return Map.of("kilograms", row.getLong(1));
            }
        }
    }
}
