package com.example.cellar.support;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import io.undertow.Handlers;
import io.undertow.Undertow;
import io.undertow.UndertowOptions;
import io.undertow.server.HttpHandler;
import java.net.BindException;
import java.net.InetSocketAddress;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import org.jboss.resteasy.core.ResteasyDeploymentImpl;
import org.jboss.resteasy.spi.ResteasyDeployment;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.xnio.Options;

/** The running service: a pool of connections, and the controllers behind an HTTP port. */
public final class Server implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Server.class);

    private final HikariDataSource pool;
    private final Optional<ExecutorService> threads = Workers.virtual();
    private final Settings settings;
    private final Application application;
    private final Gate gate;
    private final Undertow http;

    private Server(Settings settings) {
        this.settings = settings;
        this.pool = pool(settings.database());
        try {
            application = new Application(pool, settings);
            gate = new Gate(service(), settings.http());
            http = listener();
            start();
        } catch (RuntimeException e) {
            pool.close();
            threads.ifPresent(ExecutorService::shutdown);
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
        LOG.info("Endpoints:\n    {}", String.join("\n    ", server.endpoints()));
        LOG.info("Requests run on {}, {} connections to the database", server.threads.isPresent() ? "virtual threads"
                : settings.http().threads() + " threads", settings.database().poolSize());
        LOG.info("Ready at {}/ (no access control: everyone who reaches the port may read and write)", server.url());
        return server;
    }

    private static HikariDataSource pool(Settings.Database settings) {
        HikariConfig config = new HikariConfig();
        config.setPoolName("database");
        config.setJdbcUrl(settings.url());
        config.setUsername(settings.user().isEmpty() ? null : settings.user());
        config.setPassword(settings.password().isEmpty() ? null : settings.password());
        config.setMaximumPoolSize(settings.poolSize());
        config.setConnectionTimeout(settings.poolWait().toMillis());
        config.setConnectionInitSql("SET QUERY_TIMEOUT " + settings.statementTime().toMillis());
        try {
            return new HikariDataSource(config);
        } catch (RuntimeException e) {
            throw new IllegalStateException("The database does not answer, or refuses the login. "
                    + "Check DB_URL, DB_USER and DB_PASSWORD.", e);
        }
    }

    private HttpHandler service() {
        ResteasyDeployment deployment = new ResteasyDeploymentImpl();
        deployment.setResources(application.controllers());
        deployment.setProviders(application.providers());
        deployment.start();
        return Handlers.path()
                .addExactPath("/", Handlers.redirect(settings.http().basePath() + "/"))
                .addPrefixPath(settings.http().basePath(), new Dispatch(deployment, threads, settings.http()));
    }

    private Undertow listener() {
        int idle = (int) settings.http().idleTime().toMillis();
        return Undertow.builder()
                .addHttpListener(settings.http().port(), settings.http().host())
                .setWorkerThreads(threads.isPresent() ? 1 : settings.http().threads())
                .setServerOption(UndertowOptions.MAX_HEADER_SIZE,
                        2 * (settings.http().greatestUrl() + settings.http().greatestHeaders()))
                .setServerOption(UndertowOptions.REQUEST_PARSE_TIMEOUT, idle)
                .setServerOption(UndertowOptions.NO_REQUEST_TIMEOUT, idle)
                .setSocketOption(Options.READ_TIMEOUT, idle)
                .setSocketOption(Options.WRITE_TIMEOUT, idle)
                .setHandler(gate)
                .build();
    }

    private void start() {
        try {
            http.start();
        } catch (RuntimeException e) {
            if (e.getCause() instanceof BindException) {
                throw new IllegalStateException("Port " + settings.http().port() + " on " + settings.http().host()
                        + " is in use. Set HTTP_PORT to another one; 0 picks a free one.", e);
            }
            throw e;
        }
    }

    /** Where the entry point is, without a slash at the end. */
    public String url() {
        int port = ((InetSocketAddress) http.getListenerInfo().get(0).getAddress()).getPort();
        return "http://" + settings.http().host() + ":" + port + settings.http().basePath();
    }

    /** One line for each path, with the methods that it takes. */
    public List<String> endpoints() {
        return Endpoints.of(settings.http().basePath(), application.controllers());
    }

    /** Takes no new requests, finishes the running ones, stops listening, then closes the connections. */
    @Override
    public void close() {
        gate.close(settings.http().stopTime());
        http.stop();
        threads.ifPresent(ExecutorService::shutdown);
        pool.close();
    }
}
