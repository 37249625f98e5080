package com.example.cellar.support;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.Optional;

/**
 * Steps that the services of all tables whose rows have keys take alike. Where one table is to take a step in another
 * way, its service overrides it.
 *
 * <p>What services throw is a {@link ProblemException}: 400 if a rule is broken, 404 if no row has the key, 409 for a
 * duplicate and for a row that others refer to, 412 if the row is in another state, 422 for a reference to a missing
 * row.
 *
 * @param <R> a row
 * @param <K> its key
 */
public abstract class RowService<R, K> {
    /** What the work on the table is done in. */
    protected final Transactions transactions;

    private final String title;
    private final Finding<R, K> find;
    private final Finding<R, K> lock;

    /** A query for the row with a key. */
    @FunctionalInterface
    protected interface Finding<R, K> {
        Optional<R> row(Connection connection, K key) throws SQLException;
    }

    /**
     * A service for one table.
     *
     * @param title what a row is called
     * @param find finds a row
     * @param lock finds one that nobody else changes before the transaction ends
     */
    protected RowService(Transactions transactions, String title, Finding<R, K> find, Finding<R, K> lock) {
        this.transactions = transactions;
        this.title = title;
        this.find = find;
        this.lock = lock;
    }

    /** The row with this key. */
    protected R existing(Connection connection, K key) throws SQLException {
        return find.row(connection, key).orElseThrow(() -> missing(key));
    }

    /** The row with this key, which nobody else changes before the transaction ends. */
    protected R locked(Connection connection, K key) throws SQLException {
        return lock.row(connection, key).orElseThrow(() -> missing(key));
    }

    /** Makes sure that the row is in the state that the client wants it to be in, if it says one. */
    protected void verifyState(Connection connection, K key, Precondition precondition) throws SQLException {
        if (!precondition.isNone()) {
            precondition.verify(locked(connection, key));
        }
    }

    /** What is answered for a change: the row as stored, if there was one to change. */
    protected R updated(Connection connection, K key, boolean found) throws SQLException {
        if (!found) {
            throw missing(key);
        }
        return existing(connection, key);
    }

    /** What is said where there is no row with this key. */
    protected ProblemException missing(K key) {
        return ProblemException.notFound(title, PathKeys.text(key));
    }
}
