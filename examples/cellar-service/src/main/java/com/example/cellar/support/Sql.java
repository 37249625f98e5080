package com.example.cellar.support;

import com.fasterxml.jackson.databind.JsonNode;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Runs statements: binds values in order, maps rows, and closes what it opened. */
public final class Sql {
    private Sql() {
    }

    /** Makes a value of the row that a result set stands on. */
    @FunctionalInterface
    public interface RowMapper<T> {
        T map(ResultSet row) throws SQLException;
    }

    /** Every row of a query. */
    public static <T> List<T> list(Connection connection, String sql, RowMapper<T> mapper, Object... values)
            throws SQLException {
        Execution execution = new Execution(sql);
        try (PreparedStatement statement = bind(connection.prepareStatement(sql), values);
                ResultSet row = statement.executeQuery()) {
            List<T> found = new ArrayList<>();
            while (row.next()) {
                found.add(mapper.map(row));
            }
            return found;
        } finally {
            execution.end(values);
        }
    }

    /** Takes the row that a result set stands on, and says whether another is wanted. */
    @FunctionalInterface
    interface Taker {
        boolean take(ResultSet row) throws SQLException;
    }

    /**
     * Hands over the rows of a query one after the other, for as long as they are wanted.
     *
     * @param atATime how many rows to have in memory at a time; 0 for all
     * @return whether all were wanted
     */
    static boolean each(Connection connection, String sql, int atATime, Taker taker, Object... values)
            throws SQLException {
        Execution execution = new Execution(sql);
        try (PreparedStatement statement = bind(connection.prepareStatement(sql), values)) {
            statement.setFetchSize(atATime);
            try (ResultSet row = statement.executeQuery()) {
                boolean wanted = true;
                while (wanted && row.next()) {
                    wanted = taker.take(row);
                }
                return wanted;
            }
        } finally {
            execution.end(values);
        }
    }

    /** The first row of a query, if there is one. */
    public static <T> Optional<T> first(Connection connection, String sql, RowMapper<T> mapper, Object... values)
            throws SQLException {
        return list(connection, sql, mapper, values).stream().findFirst();
    }

    /** The number that a query answers with. */
    public static long count(Connection connection, String sql, Object... values) throws SQLException {
        return list(connection, sql, row -> row.getLong(1), values).get(0);
    }

    /** Runs an UPDATE or DELETE and returns the number of rows that it touched. */
    public static int update(Connection connection, String sql, Object... values) throws SQLException {
        Execution execution = new Execution(sql);
        try (PreparedStatement statement = bind(connection.prepareStatement(sql), values)) {
            return statement.executeUpdate();
        } finally {
            execution.end(values);
        }
    }

    /** Binds values in order. */
    static PreparedStatement bind(PreparedStatement statement, Object... values) throws SQLException {
        for (int i = 0; i < values.length; i++) {
            statement.setObject(i + 1, databaseValue(values[i]));
        }
        return statement;
    }

    /** The form of a value that the driver takes. */
    public static Object databaseValue(Object value) {
        if (value instanceof CodedEnum coded) {
            return coded.code();
        }
        if (value instanceof Binary binary) {
            return binary.bytes();
        }
        if (value instanceof JsonNode json) {
            return json.toString();
        }
        return value;
    }
}
