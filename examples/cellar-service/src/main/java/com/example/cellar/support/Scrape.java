package com.example.cellar.support;

import com.zaxxer.hikari.HikariConfig;
import io.micrometer.core.instrument.Gauge;
import io.micrometer.core.instrument.Metrics;
import io.micrometer.core.instrument.binder.jvm.ClassLoaderMetrics;
import io.micrometer.core.instrument.binder.jvm.JvmGcMetrics;
import io.micrometer.core.instrument.binder.jvm.JvmMemoryMetrics;
import io.micrometer.core.instrument.binder.jvm.JvmThreadMetrics;
import io.micrometer.core.instrument.binder.system.FileDescriptorMetrics;
import io.micrometer.core.instrument.binder.system.ProcessorMetrics;
import io.micrometer.core.instrument.binder.system.UptimeMetrics;
import io.micrometer.prometheusmetrics.PrometheusConfig;
import io.micrometer.prometheusmetrics.PrometheusMeterRegistry;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import org.eclipse.jetty.http.HttpHeader;
import org.eclipse.jetty.http.HttpMethod;
import org.eclipse.jetty.http.HttpStatus;
import org.eclipse.jetty.http.pathmap.PathSpec;
import org.eclipse.jetty.server.Handler;
import org.eclipse.jetty.server.Request;
import org.eclipse.jetty.server.Response;
import org.eclipse.jetty.server.handler.PathMappingsHandler;
import org.eclipse.jetty.util.BufferUtil;
import org.eclipse.jetty.util.Callback;
import org.eclipse.jetty.util.component.LifeCycle;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** What the service measures, in the text format of Prometheus, for those who scrape it. */
final class Scrape implements AutoCloseable {
    static final String PATH = "/metrics";

    private static final Logger LOG = LoggerFactory.getLogger(Scrape.class);
    private static final String TEXT = "text/plain; version=0.0.4; charset=utf-8";

    private final PrometheusMeterRegistry registry = new PrometheusMeterRegistry(PrometheusConfig.DEFAULT);
    private final AtomicReference<JvmGcMetrics> collections = new AtomicReference<>();
    private Optional<org.eclipse.jetty.server.Server> port = Optional.empty();

    Scrape() {
        Metrics.addRegistry(registry);
    }

    /**
     * Measures what runs the service too, from when somebody first asks: it takes a while, which the start need not.
     */
    private void measureJava() {
        JvmGcMetrics own = new JvmGcMetrics();
        if (collections.compareAndSet(null, own)) {
            own.bindTo(registry);
            new ClassLoaderMetrics().bindTo(registry);
            new FileDescriptorMetrics().bindTo(registry);
            new JvmMemoryMetrics().bindTo(registry);
            new JvmThreadMetrics().bindTo(registry);
            new ProcessorMetrics().bindTo(registry);
            new UptimeMetrics().bindTo(registry);
        } else {
            own.close();
        }
    }

    /** Lets a pool be measured. */
    void measure(HikariConfig pool) {
        pool.setMetricRegistry(registry);
    }

    /** Shows how much there is to do at the moment, and from where on requests are refused. */
    void measure(WorkLimit work) {
        Gauge.builder("http.server.active_requests", work::size).description("Requests that are worked on")
                .register(registry);
        Gauge.builder("http.server.active_requests.limit", work::now)
                .description("From where on requests are refused, after a moment").register(registry);
    }

    Handler handler() {
        return new Handler.Abstract() {
            @Override
            public boolean handle(Request request, Response response, Callback callback) {
                if (!HttpMethod.GET.is(request.getMethod()) && !HttpMethod.HEAD.is(request.getMethod())) {
                    response.getHeaders().put(HttpHeader.ALLOW, "GET, HEAD");
                    Response.writeError(request, response, callback, HttpStatus.METHOD_NOT_ALLOWED_405);
                    return true;
                }
                if (collections.get() == null) {
                    measureJava();
                }
                response.getHeaders().put(HttpHeader.CONTENT_TYPE, TEXT);
                response.write(true, BufferUtil.toBuffer(registry.scrape(), StandardCharsets.UTF_8), callback);
                return true;
            }
        };
    }

    /** Answers on a port of its own. */
    void listen(String host, int number) {
        org.eclipse.jetty.server.Server server
                = new org.eclipse.jetty.server.Server(new InetSocketAddress(host, number));
        PathMappingsHandler paths = new PathMappingsHandler();
        paths.addMapping(PathSpec.from(PATH), handler());
        server.setHandler(paths);
        server.setErrorHandler(new ErrorResponses());
        try {
            server.start();
        } catch (Exception e) {
            throw new IllegalStateException("Port " + number + " on " + host
                    + " is in use. Set METRICS_PORT to another one.", e);
        }
        port = Optional.of(server);
        LOG.info("Metrics are at http://{}:{}{}", host, server.getURI().getPort(), PATH);
    }

    @Override
    public void close() {
        port.ifPresent(server -> LifeCycle.stop(server));
        Metrics.removeRegistry(registry);
        JvmGcMetrics bound = collections.get();
        if (bound != null) {
            bound.close();
        }
        registry.close();
    }
}
