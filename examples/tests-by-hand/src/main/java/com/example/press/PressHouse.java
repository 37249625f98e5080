package com.example.press;

import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import javax.sql.DataSource;

/** Takes grapes from growers and presses them. */
public final class PressHouse {
    private final DataSource database;

    public PressHouse(DataSource database) {
        this.database = database;
    }

    /** Notes a delivery and returns its number. */
    public int take(int grower, int kilograms, BigDecimal sugar, LocalDate day) throws SQLException {
        String sql = "INSERT INTO delivery (grower_id, kilograms, sugar, delivered_on) VALUES (?, ?, ?, ?)";
        try (Connection connection = database.getConnection();
                PreparedStatement statement = connection.prepareStatement(sql, new String[] {"id"})) {
            statement.setInt(1, grower);
            statement.setInt(2, kilograms);
            statement.setBigDecimal(3, sugar);
            statement.setObject(4, day);
            statement.executeUpdate();
            try (ResultSet key = statement.getGeneratedKeys()) {
                key.next();
                return key.getInt(1);
            }
        }
    }

    /** How much of a grower has been delivered, in kilograms. */
    public long delivered(int grower) throws SQLException {
        try (Connection connection = database.getConnection()) {
            return number(connection, "SELECT sum(kilograms) FROM delivery WHERE grower_id = ?", grower);
        }
    }

    /**
     * Presses a delivery; once.
     *
     * @return whether it has not been pressed before
     */
    public boolean press(int delivery, LocalDateTime at) throws SQLException {
        try (Connection connection = database.getConnection()) {
            connection.setAutoCommit(false);
            long kilograms = number(connection, "SELECT kilograms FROM delivery WHERE id = ? FOR UPDATE", delivery);
            boolean fresh = number(connection, "SELECT count(*) FROM pressing WHERE delivery_id = ?", delivery) == 0;
            if (fresh) {
                try (PreparedStatement statement = connection.prepareStatement(
                        "INSERT INTO pressing (delivery_id, litres, pressed_at) VALUES (?, ?, ?)")) {
                    statement.setInt(1, delivery);
                    statement.setLong(2, Math.max(1, kilograms * 7 / 10));
                    statement.setObject(3, at);
                    statement.executeUpdate();
                }
            }
            connection.commit();
            return fresh;
        }
    }

    private static long number(Connection connection, String sql, int parameter) throws SQLException {
        try (PreparedStatement statement = connection.prepareStatement(sql)) {
            statement.setInt(1, parameter);
            try (ResultSet row = statement.executeQuery()) {
                return row.next() ? row.getLong(1) : 0;
            }
        }
    }
}
