package com.example.cellar.support;

/** An empty database in memory, gone when the last connection is closed. */
final class EmptyDatabase implements AutoCloseable {
    String url() {
        return "jdbc:h2:mem:test";
    }

    String user() {
        return "sa";
    }

    String password() {
        return "";
    }

    @Override
    public void close() {
        // Nothing is left to close: the database goes with its last connection.
    }
}
