package com.example.cellar.support;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The connections to the database. */
final class Pools implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Pools.class);

    private final HikariDataSource main;
    private final HikariDataSource readiness;

    /**
     * Begins to connect, while the rest of the service starts.
     *
     * @param observer sees each pool before it is made
     * @throws IllegalStateException if there is no driver for the database
     */
    Pools(Settings.Database settings, Consumer<HikariConfig> observer) {
        HikariConfig config = config(settings, settings.url(), "database");
        config.setMaximumPoolSize(settings.poolSize());
        config.setInitializationFailTimeout(-1);
        observer.accept(config);
        try {
            main = new HikariDataSource(config);
        } catch (RuntimeException e) {
            throw unusable(e);
        }
        readiness = later(config(settings, settings.url(), "readiness"), 1);
    }

    /**
     * Waits for the first connection.
     *
     * @throws IllegalStateException if the database does not answer, or refuses the login
     */
    void verify() {
        try (Connection connection = main.getConnection()) {
            LOG.debug("Connected: {}", connection);
        } catch (SQLException e) {
            throw unusable(e);
        }
    }

    private static IllegalStateException unusable(Exception reason) {
        return new IllegalStateException("The database does not answer, or refuses the login. "
                + "Check DB_URL, DB_USER and DB_PASSWORD.", reason);
    }

    /** Connections that are made when they are first asked for. */
    private static HikariDataSource later(HikariConfig config, int most) {
        config.setMaximumPoolSize(most);
        config.setMinimumIdle(0);
        config.setInitializationFailTimeout(-1);
        return new HikariDataSource(config);
    }

    private static HikariConfig config(Settings.Database settings, String url, String name) {
        HikariConfig config = new HikariConfig();
        config.setPoolName(name);
        config.setJdbcUrl(url);
        config.setUsername(settings.user().isEmpty() ? null : settings.user());
        config.setPassword(settings.password().isEmpty() ? null : settings.password());
        config.setConnectionTimeout(settings.poolWait().toMillis());
        config.setValidationTimeout(Math.min(1000, settings.poolWait().toMillis()));
        config.setConnectionInitSql("SET QUERY_TIMEOUT " + settings.statementTime().toMillis());
        return config;
    }

    /** What all work is done on. */
    HikariDataSource main() {
        return main;
    }

    /** One connection beside the others, to see whether the database answers, however busy they are. */
    HikariDataSource readiness() {
        return readiness;
    }

    @Override
    public void close() {
        main.close();
        readiness.close();
    }
}
