package com.example.cellar.support;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import javax.sql.DataSource;

/** Lends a connection for a piece of work, and turns what the database refuses into an answer for the client. */
public final class Transactions {
    private final DataSource dataSource;
    private final SqlErrors errors;

    public Transactions(DataSource dataSource, SqlErrors errors) {
        this.dataSource = dataSource;
        this.errors = errors;
    }

    /** The same for work on one table, which has these constraints. */
    public Transactions on(List<Constraint> constraints) {
        return new Transactions(dataSource, errors.on(constraints));
    }

    /** Something to do on a connection. */
    @FunctionalInterface
    public interface Work<T> {
        T run(Connection connection) throws SQLException;
    }

    /** Runs work that reads. */
    public <T> T read(Work<T> work) {
        try (Connection connection = dataSource.getConnection()) {
            return work.run(connection);
        } catch (SQLException e) {
            throw errors.translate(e, false);
        }
    }

    /** Runs work that writes: all of it takes effect, or, if it throws, none. */
    public <T> T write(Work<T> work) {
        return inOne(work, false);
    }

    /** Runs work that deletes, as {@link #write}. */
    public <T> T delete(Work<T> work) {
        return inOne(work, true);
    }

    private <T> T inOne(Work<T> work, boolean deleting) {
        try (Connection connection = dataSource.getConnection()) {
            connection.setAutoCommit(false);
            boolean done = false;
            try {
                T result = work.run(connection);
                connection.commit();
                done = true;
                return result;
            } finally {
                if (!done) {
                    connection.rollback();
                }
            }
        } catch (SQLException e) {
            throw errors.translate(e, deleting);
        }
    }
}
