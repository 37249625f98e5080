package dev.vinekit.engine.postgresql;

import dev.vinekit.engine.Database;
import dev.vinekit.engine.Engine;
import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.engine.ScratchServer;
import java.sql.SQLException;
import java.util.function.Function;

/**
 * Databases on a server of our own, or on a server of the caller's.
 */
final class PostgresqlScratch {
    private static final String UNCONNECTED = """
            SELECT datname FROM pg_database
            WHERE datdba = (SELECT oid FROM pg_roles WHERE rolname = current_user)
              AND datname NOT IN (SELECT datname FROM pg_stat_activity WHERE datname IS NOT NULL)
            """;

    private PostgresqlScratch() {
    }

    static ScratchDatabase onOwnServer(Engine engine) throws SQLException {
        PostgresqlServer server = PostgresqlServer.running();
        return create(engine, server.url(), PostgresqlServer.ROLE, server.server().password(), server::helpFor);
    }

    static ScratchDatabase on(Engine engine, Database server) throws SQLException {
        return create(engine, server.url(), server.user(), server.password(), database -> ScratchDatabase.Help.NONE);
    }

    private static ScratchDatabase create(
            Engine engine, String url, String user, String password,
            Function<String, ScratchDatabase.Help> help) throws SQLException {
        return new ScratchServer(url, user, password, UNCONNECTED, "DROP DATABASE IF EXISTS %s WITH (FORCE)")
                .database(engine, name ->
                url.replaceFirst("^(jdbc:postgresql:(?://[^/?]*/)?)[^?]*", "$1" + name), help);
    }
}
