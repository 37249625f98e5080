package com.example.cellar.support;

import java.time.Duration;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The running service: a pool of connections, and the controllers behind an HTTP port. */
public final class Server implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Server.class);

    private final Pools pools;
    private final Scrape scrape = new Scrape();
    private final Settings settings;
    private final Application application;
    private final HttpServer http;

    private Server(Settings settings) {
        this.settings = settings;
        this.pools = new Pools(settings.database(), scrape::measure);
        try {
            application = new Application(pools.main(), pools.readiness(), settings);
            http = new HttpServer(settings.http(), application);
            scrape.measure(http.limit());
            if (settings.metricsPort().isEmpty()) {
                http.add(Scrape.PATH, scrape.handler());
            }
            pools.verify();
            http.start();
            settings.metricsPort().ifPresent(port -> scrape.listen(settings.http().host(), port));
        } catch (RuntimeException e) {
            pools.close();
            scrape.close();
            throw e;
        }
    }

    /**
     * Starts the service.
     *
     * @throws IllegalStateException if the database does not answer or the port is taken
     */
    public static Server start(Settings settings) {
        Server server = new Server(settings);
        LOG.info(settings.http().page() ? "A page to look at the rows and to try requests is at {}/"
                : "There is no page at {}/: HTTP_PAGE=true makes one", server.http.origin());
        LOG.info("Endpoints:\n    {}", String.join("\n    ", server.endpoints()));
        LOG.info("Requests run on {}, {} connections to the database", server.http.hasVirtualThreads()
                ? "virtual threads"
                : settings.http().threads() + " threads", settings.database().poolSize());
        LOG.info("Ready at {}/ (no access control: everyone who reaches the port may read and write)", server.url());
        return server;
    }

    /** Where the entry point is, without a slash at the end. */
    public String url() {
        return http.origin() + settings.http().basePath();
    }

    /** Where the page for people is; empty if there is none. */
    public String page() {
        return settings.http().page() ? http.origin() + "/" : "";
    }

    /** One line for each path, with the methods that it takes. */
    public List<String> endpoints() {
        return Endpoints.of(settings.http().basePath(), application.controllers());
    }

    /**
     * Says that the service is not ready any more, and gives load balancers the time to notice; takes no new requests,
     * finishes the running ones, stops listening, then closes the connections.
     */
    @Override
    public void close() {
        application.leave();
        http.leave();
        waitFor(settings.http().leavingTime());
        http.close();
        scrape.close();
        pools.close();
    }

    private static void waitFor(Duration time) {
        try {
            Thread.sleep(time.toMillis());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
