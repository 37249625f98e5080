package com.example.cellar.support;

import io.undertow.Handlers;
import io.undertow.UndertowOptions;
import io.undertow.server.DefaultByteBufferPool;
import io.undertow.server.HttpHandler;
import io.undertow.server.handlers.PathHandler;
import io.undertow.server.protocol.http.HttpOpenListener;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.BindException;
import java.net.InetSocketAddress;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.xnio.ChannelListeners;
import org.xnio.IoUtils;
import org.xnio.OptionMap;
import org.xnio.Options;
import org.xnio.StreamConnection;
import org.xnio.Xnio;
import org.xnio.XnioWorker;
import org.xnio.channels.AcceptingChannel;

/** The running service: a pool of connections, and the controllers behind an HTTP port. */
public final class Server implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Server.class);

    /** So many bytes are read and written at a time. */
    private static final int BUFFER = 1 << 14;

    private final Pools pools;
    private final Optional<ExecutorService> threads = Workers.virtual();
    private final XnioWorker worker;
    private final Scrape scrape = new Scrape();
    private final Settings settings;
    private final Application application;
    private final RequestGuard gate;
    private final AcceptingChannel<StreamConnection> http;

    private Server(Settings settings, boolean rehearsing) {
        this.settings = settings;
        this.pools = new Pools(settings.database(), scrape::measure);
        this.worker = worker();
        try {
            application = new Application(pools.main(), pools.readiness(), settings);
            Workload workload = new Workload(settings.http(), threads.orElse(worker), worker.getIoThread());
            gate = new RequestGuard(service(workload), workload, settings.http());
            workload.look();
            scrape.measure(workload);
            if (!rehearsing) {
                pools.verify();
            }
            http = listener();
            settings.metricsPort().ifPresent(port -> scrape.listen(worker, settings.http().host(), port));
        } catch (RuntimeException e) {
            pools.close();
            threads.ifPresent(ExecutorService::shutdown);
            scrape.close();
            worker.shutdownNow();
            throw e;
        }
    }

    /**
     * Starts the service.
     *
     * @throws IllegalStateException if the database does not answer or the port is taken
     */
    public static Server start(Settings settings) {
        Server server = new Server(settings, false);
        LOG.info(settings.http().page() ? "A page to look at the rows and to try requests is at {}/"
                : "There is no page at {}/: HTTP_PAGE=true makes one", server.origin());
        LOG.info("Endpoints:\n    {}", String.join("\n    ", server.endpoints()));
        LOG.info("Requests run on {}, {} connections to the database", server.threads.isPresent() ? "virtual threads"
                : settings.http().threads() + " threads", settings.database().poolSize());
        LOG.info("Ready at {}/ (no access control: everyone who reaches the port may read and write)", server.url());
        return server;
    }

    /** The service, whether there is a database or not. */
    static Server rehearsing(Settings settings) {
        return new Server(settings, true);
    }

    private HttpHandler service(Workload workload) {
        PathHandler service = Handlers.path().addPrefixPath(settings.http().basePath(),
                Controllers.handler(application, settings.http(), threads.orElse(worker), workload));
        if (settings.metricsPort().isEmpty()) {
            service.addExactPath(Scrape.PATH, scrape.handler());
        }
        return settings.http().page() ? PageFiles.beside(service, settings.http().basePath())
                : service.addExactPath("/", Handlers.redirect(settings.http().basePath() + "/"));
    }

    private XnioWorker worker() {
        try {
            return Xnio.getInstance().createWorker(OptionMap.builder()
                    .set(Options.WORKER_NAME, "http")
                    .set(Options.WORKER_IO_THREADS, Math.max(2, Runtime.getRuntime().availableProcessors()))
                    .set(Options.WORKER_TASK_CORE_THREADS, threads.isPresent() ? 1 : settings.http().threads())
                    .set(Options.WORKER_TASK_MAX_THREADS, threads.isPresent() ? 1 : settings.http().threads())
                    .set(Options.TCP_NODELAY, true)
                    .getMap());
        } catch (IOException e) {
            throw new UncheckedIOException("The threads of the server cannot be started.", e);
        }
    }

    private AcceptingChannel<StreamConnection> listener() {
        int idle = (int) settings.http().idleTime().toMillis();
        HttpOpenListener parser = new HttpOpenListener(new DefaultByteBufferPool(true, BUFFER), OptionMap.builder()
                .set(UndertowOptions.MAX_HEADER_SIZE,
                        4 * (settings.http().maxUrlBytes() + settings.http().maxHeaderBytes()))
                .set(UndertowOptions.MAX_HEADERS, Integer.MAX_VALUE)
                .set(UndertowOptions.REQUEST_PARSE_TIMEOUT, idle)
                .set(UndertowOptions.NO_REQUEST_TIMEOUT, idle)
                .getMap());
        parser.setRootHandler(gate);
        try {
            AcceptingChannel<StreamConnection> channel = worker.createStreamConnectionServer(
                    new InetSocketAddress(settings.http().host(), settings.http().port()),
                    ChannelListeners.openListenerAdapter(new Connections(parser, settings.http())),
                    OptionMap.builder()
                            .set(Options.TCP_NODELAY, true)
                            .set(Options.REUSE_ADDRESSES, true)
                            .set(Options.BACKLOG, 1000)
                            .set(Options.READ_TIMEOUT, idle)
                            .set(Options.WRITE_TIMEOUT, idle)
                            .set(Options.CONNECTION_HIGH_WATER, settings.http().maxConnections())
                            .set(Options.CONNECTION_LOW_WATER, settings.http().maxConnections())
                            .getMap());
            channel.resumeAccepts();
            return channel;
        } catch (IOException e) {
            throw new IllegalStateException(e instanceof BindException
                    ? "Port " + settings.http().port() + " on " + settings.http().host()
                            + " is in use. Set HTTP_PORT to another one; 0 picks a free one."
                    : "Nothing can listen on " + settings.http().host() + ": " + e.getMessage(), e);
        }
    }

    /** Where the entry point is, without a slash at the end. */
    public String url() {
        return origin() + settings.http().basePath();
    }

    /** Where the page for people is; empty if there is none. */
    public String page() {
        return settings.http().page() ? origin() + "/" : "";
    }

    private String origin() {
        return "http://" + settings.http().host() + ":" + http.getLocalAddress(InetSocketAddress.class).getPort();
    }

    /** One line for each path, with the methods that it takes. */
    public List<String> endpoints() {
        return Endpoints.of(settings.http().basePath(), application.controllers());
    }

    /**
     * Says that the service is not ready any more, and gives whoever asks the time to notice; takes no new requests,
     * finishes the running ones, stops listening, then closes the connections.
     */
    @Override
    public void close() {
        application.leave();
        gate.leave();
        waitFor(settings.http().leavingTime());
        gate.close(settings.http().stopTime());
        IoUtils.safeClose(http);
        scrape.close();
        worker.shutdownNow();
        threads.ifPresent(ExecutorService::shutdown);
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
