package dev.vinekit.engine.sqlite;

import dev.vinekit.engine.Restorer;
import dev.vinekit.engine.ScratchDatabase;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;

/** Keeps a copy of the file beside it, and copies it back if somebody has written to the database. */
final class SqliteRestorer implements Restorer {
    private final Connection connection;
    private final String copy;
    private long version;

    SqliteRestorer(ScratchDatabase database) throws SQLException {
        connection = database.anchor();
        try (Statement statement = connection.createStatement()) {
            copy = file(statement) + ".copy";
            statement.executeUpdate("BACKUP TO '" + copy + "'");
            version = version(statement);
        }
    }

    @Override
    public boolean restore() throws SQLException {
        try (Statement statement = connection.createStatement()) {
            if (version(statement) != version) {
                statement.executeUpdate("RESTORE FROM '" + copy + "'");
                version = version(statement);
            }
            return true;
        }
    }

    @Override
    public void close() {
        // The copy goes with the folder of the database.
    }

    private static String file(Statement statement) throws SQLException {
        try (ResultSet row = statement.executeQuery("SELECT file FROM pragma_database_list WHERE name = 'main'")) {
            row.next();
            return row.getString(1);
        }
    }

    /** A number that changes when another connection writes (sqlite.org, "PRAGMA data_version"). */
    private static long version(Statement statement) throws SQLException {
        try (ResultSet row = statement.executeQuery("PRAGMA data_version")) {
            row.next();
            return row.getLong(1);
        }
    }
}
