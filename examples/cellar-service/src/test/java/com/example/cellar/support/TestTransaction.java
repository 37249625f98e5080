package com.example.cellar.support;

import java.sql.Connection;
import java.sql.SQLException;
import org.junit.jupiter.api.extension.AfterEachCallback;
import org.junit.jupiter.api.extension.BeforeEachCallback;
import org.junit.jupiter.api.extension.ExtensionContext;

/** Gives each test a connection, and takes back whatever the test did on it. */
public final class TestTransaction implements BeforeEachCallback, AfterEachCallback {
    private Connection connection;

    @Override
    public void beforeEach(ExtensionContext context) throws SQLException {
        connection = TestDatabase.of(context).connect();
        connection.setAutoCommit(false);
    }

    public Connection connection() {
        return connection;
    }

    @Override
    public void afterEach(ExtensionContext context) throws SQLException {
        connection.rollback();
        connection.close();
        Numbers.restart();
    }
}
