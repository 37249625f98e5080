package com.example.cellar.support;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Runs the service until the process is told to stop. */
public final class Main {
    private static final Logger LOG = LoggerFactory.getLogger(Main.class);

    private Main() {
    }

    /**
     * Runs the service.
     *
     * @param arguments none
     */
    public static void main(String[] arguments) {
        try {
            Server server = Server.start(Settings.from(System.getenv()));
            Runtime.getRuntime().addShutdownHook(new Thread(server::close, "stop"));
        } catch (IllegalArgumentException | IllegalStateException e) {
            LOG.error("The service did not start. {}", e.getMessage());
            LOG.debug("The reason", e);
            System.exit(1);
        }
    }
}
