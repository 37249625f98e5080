package dev.vinekit.engine.mariadb;

import dev.vinekit.engine.Database;
import java.sql.SQLException;

/** The login that may do everything on our own server: for tests about roles. */
public final class MariadbAdministrator {
    private MariadbAdministrator() {
    }

    public static Database database() throws SQLException {
        MariadbServer server = MariadbServer.running();
        return Database.at(server.url(), "root", server.rootPassword());
    }
}
