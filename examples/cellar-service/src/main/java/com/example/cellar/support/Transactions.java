package com.example.cellar.support;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import javax.sql.DataSource;

/** Lends a connection for a piece of work, and turns what the database refuses into an answer for the client. */
public final class Transactions {
    /** How often work is begun that others have got in the way of. */
    private static final int ATTEMPTS = 3;

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

    /** Something to do with an element on a connection. */
    @FunctionalInterface
    public interface Step<E, T> {
        T run(Connection connection, E element) throws SQLException;
    }

    /** Runs work that reads. */
    public <T> T read(Work<T> work) {
        try (Connection connection = dataSource.getConnection()) {
            return work.run(connection);
        } catch (SQLException e) {
            throw errors.translate(e, false);
        }
    }

    /**
     * Runs work that writes: all of it takes effect, or, if it throws, none. It may be run again from its beginning.
     */
    public <T> T write(Work<T> work) {
        return inOne(work, false);
    }

    /** Runs work that deletes, as {@link #write}. */
    public <T> T delete(Work<T> work) {
        return inOne(work, true);
    }

    /**
     * Runs a step that writes for each element, as one {@link #write}.
     *
     * @throws ProblemException naming the element that cannot be written
     */
    public <E, T> List<T> writeEach(List<E> elements, Step<E, T> step) {
        return write(connection -> {
            List<T> results = new ArrayList<>();
            for (E element : elements) {
                try {
                    results.add(step.run(connection, element));
                } catch (SQLException e) {
                    if (errors.isTransient(e)) {
                        throw e;
                    }
                    throw named(errors.translate(e, false), results.size());
                }
            }
            return results;
        });
    }

    private static RuntimeException named(RuntimeException error, int index) {
        return error instanceof ProblemException problem ? problem.at(index) : error;
    }

    private <T> T inOne(Work<T> work, boolean deleting) {
        for (int attempt = 1; ; attempt++) {
            try {
                return once(work);
            } catch (SQLException e) {
                if (attempt == ATTEMPTS || !errors.isCollision(e)) {
                    throw errors.translate(e, deleting);
                }
            }
        }
    }

    private <T> T once(Work<T> work) throws SQLException {
        try (Connection connection = dataSource.getConnection()) {
            connection.setAutoCommit(false);
            try {
                T result = work.run(connection);
                connection.commit();
                return result;
            } catch (SQLException | RuntimeException | Error e) {
                rollBack(connection, e);
                throw e;
            }
        }
    }

    /** Takes back what was done; if that fails too, the connection is gone, and the database does it by itself. */
    private static void rollBack(Connection connection, Throwable reason) {
        try {
            connection.rollback();
        } catch (SQLException e) {
            reason.addSuppressed(e);
        }
    }
}
