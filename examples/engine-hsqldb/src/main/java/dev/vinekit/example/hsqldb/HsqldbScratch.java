package dev.vinekit.example.hsqldb;

import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.engine.ScratchFolder;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;

/**
 * Databases in memory in which scripts of others may run: their login owns the schema of the tables and is no
 * administrator, and so cannot call Java, or read or write files (HSQLDB guide, "Access Control").
 */
final class HsqldbScratch {
    private static final String USER = "VINEKIT";

    private HsqldbScratch() {
    }

    static ScratchDatabase in(HsqldbEngine engine, String url) throws SQLException {
        String password = ScratchFolder.password();
        Connection administrator = DriverManager.getConnection(url, "SA", ScratchFolder.password());
        try (Statement statement = administrator.createStatement()) {
            statement.execute("CREATE USER " + USER + " PASSWORD '" + password + "'");
            statement.execute("CREATE ROLE OWNERS");
            statement.execute("GRANT OWNERS TO " + USER);
            statement.execute("CREATE SCHEMA TABLES AUTHORIZATION OWNERS");
            statement.execute("ALTER USER " + USER + " SET INITIAL SCHEMA TABLES");
        }
        return new ScratchDatabase(engine, url, USER, password, () -> closed(administrator));
    }

    private static void closed(Connection administrator) throws SQLException {
        try (administrator; Statement statement = administrator.createStatement()) {
            statement.execute("SHUTDOWN");
        }
    }
}
