package dev.vinekit.junit;

import java.sql.Connection;
import java.sql.SQLException;
import javax.sql.DataSource;

/**
 * The database of a test. It is there until the test ends.
 *
 * @param url opens it by JDBC
 * @param user empty if there is none
 * @param password empty if there is none
 * @param dataSource a pool of connections; those that the test leaves open are closed after it
 * @since 0.1.0
 */
public record TestDatabase(String url, String user, String password, DataSource dataSource) {
    /** A connection, which commits each statement. */
    public Connection connect() throws SQLException {
        return dataSource.getConnection();
    }

    @Override
    public String toString() {
        return url;
    }
}
