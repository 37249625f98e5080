package com.example.cellar.support;

import java.io.IOException;
import java.net.BindException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.eclipse.jetty.compression.gzip.GzipCompression;
import org.eclipse.jetty.compression.server.CompressionConfig;
import org.eclipse.jetty.compression.server.CompressionHandler;
import org.eclipse.jetty.ee10.servlet.ServletContextHandler;
import org.eclipse.jetty.ee10.servlet.ServletHolder;
import org.eclipse.jetty.http.HttpCompliance;
import org.eclipse.jetty.http.UriCompliance;
import org.eclipse.jetty.http.pathmap.PathSpec;
import org.eclipse.jetty.server.Handler;
import org.eclipse.jetty.server.HttpConfiguration;
import org.eclipse.jetty.server.HttpConnectionFactory;
import org.eclipse.jetty.server.NetworkConnectionLimit;
import org.eclipse.jetty.server.ServerConnector;
import org.eclipse.jetty.server.handler.GracefulHandler;
import org.eclipse.jetty.server.handler.PathMappingsHandler;
import org.eclipse.jetty.util.VirtualThreads;
import org.eclipse.jetty.util.component.LifeCycle;
import org.eclipse.jetty.util.thread.QueuedThreadPool;
import org.jboss.resteasy.core.ResteasyDeploymentImpl;
import org.jboss.resteasy.plugins.server.servlet.HttpServlet30Dispatcher;
import org.jboss.resteasy.spi.ResteasyDeployment;

/** The HTTP server: its limits, and what each request passes on its way to the controllers. */
final class HttpServer implements AutoCloseable {
    private static final int SHORTEST_COMPRESSED = 1000;

    /** Keys with a slash or a percent sign in them are parts of a path (RFC 3986 allows both when they are encoded). */
    private static final UriCompliance URLS = UriCompliance.RFC3986.with("keys",
            UriCompliance.Violation.AMBIGUOUS_PATH_SEPARATOR, UriCompliance.Violation.AMBIGUOUS_PATH_ENCODING,
            UriCompliance.Violation.AMBIGUOUS_PATH_SEGMENT, UriCompliance.Violation.AMBIGUOUS_EMPTY_SEGMENT,
            UriCompliance.Violation.SUSPICIOUS_PATH_CHARACTERS);

    private final Settings.Http settings;
    private final org.eclipse.jetty.server.Server server;
    private final ServerConnector connector;
    private final PathMappingsHandler paths = new PathMappingsHandler();
    private final GracefulHandler graceful = new GracefulHandler();
    private final RequestGuard guard;
    private final WorkLimit limit;
    private int port;

    HttpServer(Settings.Http settings, Application application) {
        this.settings = settings;
        server = new org.eclipse.jetty.server.Server(threads());
        connector = connector();
        limit = new WorkLimit(settings.maxWorking(), settings.basePath() + "/health", server.getScheduler());
        guard = new RequestGuard(settings);
        server.addConnector(connector);
        server.addBean(new NetworkConnectionLimit(settings.maxConnections(), connector));
        server.setErrorHandler(new ErrorResponses());
        server.setRequestLog(new AccessLog());
        server.setStopTimeout(0);

        paths.addMapping(PathSpec.from(settings.basePath() + "/*"), around(controllers(application),
                new BodyBudget(settings), limit, new ObservedRequests()));
        if (settings.page()) {
            PageFiles.add(paths, settings.basePath());
        } else {
            paths.addMapping(PathSpec.from(""), new EntryRedirect(settings.basePath() + "/"));
        }
        Handler responses
                = around(settings.compression() ? around(paths, compression()) : paths, new ResponseBudget(settings));
        server.setHandler(around(responses, guard, graceful));
    }

    /** Adds a handler for a path. */
    void add(String path, Handler handler) {
        paths.addMapping(PathSpec.from(path), handler);
    }

    /**
     * Starts to listen.
     *
     * @throws IllegalStateException if nothing can listen there
     */
    void start() {
        try {
            server.start();
            port = connector.getLocalPort();
        } catch (IOException e) {
            LifeCycle.stop(server);
            throw new IllegalStateException(e.getCause() instanceof BindException || e instanceof BindException
                    ? "Port " + settings.port() + " on " + settings.host()
                            + " is in use. Set HTTP_PORT to another one; 0 picks a free one."
                    : "Nothing can listen on " + settings.host() + ": " + e.getMessage(), e);
        } catch (Exception e) {
            LifeCycle.stop(server);
            throw new IllegalStateException("The server cannot be started: " + e.getMessage(), e);
        }
    }

    /** Puts handlers around another, the first outermost. */
    private static Handler around(Handler inner, Handler.Singleton... outer) {
        Handler all = inner;
        for (int i = outer.length - 1; i >= 0; i--) {
            outer[i].setHandler(all);
            all = outer[i];
        }
        return all;
    }

    private QueuedThreadPool threads() {
        int own = 2 * Runtime.getRuntime().availableProcessors() + 8;
        QueuedThreadPool threads = new QueuedThreadPool(settings.threads() + own);
        threads.setName("http");
        threads.setVirtualThreadsExecutor(VirtualThreads.getDefaultVirtualThreadsExecutor());
        return threads;
    }

    private ServerConnector connector() {
        HttpConfiguration http = new HttpConfiguration();
        http.setHttpCompliance(HttpCompliance.STRICT);
        http.setUriCompliance(URLS);
        http.setRequestHeaderSize(settings.maxUrlBytes() + settings.maxHeaderBytes());
        http.setIdleTimeout(-1);
        http.setSendServerVersion(false);
        http.setRelativeRedirectAllowed(true);
        ServerConnector made = new ServerConnector(server, new HttpConnectionFactory(http));
        made.setHost(settings.host());
        made.setPort(settings.port());
        made.setAcceptQueueSize(1000);
        made.setIdleTimeout(settings.idleTime().toMillis());
        made.addBean(new RequestTimes(settings.requestTime(), server.getScheduler()));
        return made;
    }

    /** Long responses in fewer bytes, for clients that ask for it. */
    private static CompressionHandler compression() {
        GzipCompression gzip = new GzipCompression();
        gzip.setMinCompressSize(SHORTEST_COMPRESSED);
        CompressionHandler compression = new CompressionHandler();
        compression.putCompression(gzip);
        compression.putConfiguration("/", CompressionConfig.builder().compressIncludeMethod("GET")
                .compressIncludeMethod("POST")
                .decompressExcludePath("/*").build());
        return compression;
    }

    private ServletContextHandler controllers(Application application) {
        ResteasyDeployment rest = new ResteasyDeploymentImpl();
        rest.setResources(application.controllers());
        rest.setProviders(application.providers());
        ServletContextHandler context = new ServletContextHandler(settings.basePath());
        context.setClassLoader(HttpServer.class.getClassLoader());
        context.setErrorHandler(new ErrorResponses());
        context.setAllowNullPathInContext(true);
        context.setAttribute(ResteasyDeployment.class.getName(), rest);
        context.getServletHandler().setDecodeAmbiguousURIs(true);
        ServletHolder servlet = new ServletHolder(HttpServlet30Dispatcher.class);
        servlet.setInitOrder(1);
        context.addServlet(servlet, "/*");
        return context;
    }

    WorkLimit limit() {
        return limit;
    }

    /** Where it listens, such as {@code http://localhost:8080}. */
    String origin() {
        return "http://" + settings.host() + ":" + port;
    }

    boolean hasVirtualThreads() {
        return VirtualThreads.getDefaultVirtualThreadsExecutor() != null;
    }

    /** Answers as before, but lets every connection end, so that clients with others do not come back. */
    void leave() {
        guard.leave();
    }

    /** Takes no new requests, waits for those that are running, and stops listening. */
    @Override
    public void close() {
        try {
            graceful.shutdown().get(settings.stopTime().toMillis(), TimeUnit.MILLISECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (ExecutionException | TimeoutException e) {
            connector.getConnectedEndPoints().forEach(endPoint -> endPoint.close(e));
        }
        try {
            server.stop();
        } catch (Exception e) {
            throw new IllegalStateException("The server cannot be stopped: " + e.getMessage(), e);
        }
    }
}
