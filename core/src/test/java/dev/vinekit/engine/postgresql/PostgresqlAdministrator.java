package dev.vinekit.engine.postgresql;

import dev.vinekit.engine.Database;
import java.sql.SQLException;

/** The login that may do everything on our own server: for tests about roles. */
public final class PostgresqlAdministrator {
    private PostgresqlAdministrator() {
    }

    public static Database database() throws SQLException {
        PostgresqlServer server = PostgresqlServer.running();
        return Database.at(server.url(), "postgres", server.superuserPassword());
    }
}
