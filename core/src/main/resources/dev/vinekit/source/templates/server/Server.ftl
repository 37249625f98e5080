import java.time.Duration;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The running service: a pool of connections, and the controllers behind an HTTP port. */
public final class Server implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Server.class);

    private final Pools pools;
<#if s.metrics>
    private final Scrape scrape = new Scrape();
</#if>
    private final Settings settings;
    private final Application application;
    private final HttpServer http;

    private Server(Settings settings<#if s.classArchive>, boolean rehearsing</#if>) {
        this.settings = settings;
        this.pools = new Pools(settings.database(), <#if s.metrics>scrape::measure<#else>config -> { }</#if>);
        try {
            application = new Application(pools.main(), pools.readiness(), settings<#if s.replicas>, pools.replicas()</#if>);
            http = new HttpServer(settings.http(), application);
<#if s.metrics>
            scrape.measure(http.limit());
            if (settings.metricsPort().isEmpty()) {
                http.add(Scrape.PATH, scrape.handler());
            }
</#if>
<#if s.classArchive>
            if (!rehearsing) {
                pools.verify();
            }
<#else>
            pools.verify();
</#if>
            http.start();
<#if s.metrics>
            settings.metricsPort().ifPresent(port -> scrape.listen(settings.http().host(), port));
</#if>
        } catch (RuntimeException e) {
            pools.close();
<#if s.metrics>
            scrape.close();
</#if>
            throw e;
        }
    }

    /**
     * Starts the service.
     *
     * @throws IllegalStateException if the database does not answer or the port is taken
     */
    public static Server start(Settings settings) {
        Server server = new Server(settings<#if s.classArchive>, false</#if>);
<#if s.withPage>
        LOG.info(settings.http().page() ? "A page to look at the rows and to try requests is at {}/"
                : "There is no page at {}/: HTTP_PAGE=true makes one", server.http.origin());
</#if>
        LOG.info("Endpoints:\n    {}", String.join("\n    ", server.endpoints()));
        LOG.info("Requests run on {}, {} connections to the database", server.http.hasVirtualThreads() ? "virtual threads"
                : settings.http().threads() + " threads", settings.database().poolSize());
<#if s.secured>
        LOG.info("Ready at {}/ (for bearer tokens)", server.url());
<#else>
        LOG.info("Ready at {}/ (no access control: everyone who reaches the port may read and write)", server.url());
</#if>
        return server;
    }

<#if s.classArchive>
    /** The service, whether there is a database or not. */
    static Server rehearsing(Settings settings) {
        return new Server(settings, true);
    }

</#if>
    /** Where the entry point is, without a slash at the end. */
    public String url() {
        return http.origin() + settings.http().basePath();
    }

    /** Where the page for people is; empty if there is none. */
    public String page() {
        return <#if s.withPage>settings.http().page() ? http.origin() + "/" : ""<#else>""</#if>;
    }

    /** One line for each path, with the methods that it takes. */
    public List<String> endpoints() {
        return Endpoints.of(settings.http().basePath(), application.controllers());
    }

    /**
     * Says that the service is not ready any more, and gives load balancers the time to notice; takes no new requests, finishes
     * the running ones, stops listening, then closes the connections.
     */
    @Override
    public void close() {
        application.leave();
        http.leave();
        waitFor(settings.http().leavingTime());
        http.close();
<#if s.metrics>
        scrape.close();
</#if>
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
