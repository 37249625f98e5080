package com.example.cellar.support;

import java.util.Map;

/**
 * Starts the service for the tests. The server that comes along does, unless there is one of your own, whose name is in
 * {@code META-INF/services} as {@link java.util.ServiceLoader} wants it.
 */
public interface ServiceStarter {
    /**
     * Starts the service.
     *
     * @param settings what the environment would say: {@code DB_URL}, {@code DB_USER} and {@code DB_PASSWORD} lead to
     *     the database
     */
    Started start(Map<String, String> settings);

    /** The running service. */
    interface Started extends AutoCloseable {
        /** Where the entry point is, without a slash at the end. */
        String url();

        /** Stops the service. */
        @Override
        void close();
    }
}
