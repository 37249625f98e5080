<#if s.metrics>
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
import io.undertow.Undertow;
import io.undertow.server.HttpHandler;
import io.undertow.server.handlers.AllowedMethodsHandler;
import io.undertow.server.handlers.BlockingHandler;
import io.undertow.util.Headers;
import io.undertow.util.Methods;
import java.net.InetSocketAddress;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.xnio.XnioWorker;

/** What the service measures, in the text format of Prometheus, for whoever scrapes it. */
final class Scrape implements AutoCloseable {
    static final String PATH = "/metrics";

    private static final Logger LOG = LoggerFactory.getLogger(Scrape.class);
    private static final String TEXT = "text/plain; version=0.0.4; charset=utf-8";

    private final PrometheusMeterRegistry registry = new PrometheusMeterRegistry(PrometheusConfig.DEFAULT);
    private final AtomicReference<JvmGcMetrics> collections = new AtomicReference<>();
    private Optional<Undertow> port = Optional.empty();

    Scrape() {
        Metrics.addRegistry(registry);
    }

    /** Measures what runs the service too, from when somebody first asks: it takes a while, which the start need not. */
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
    void measure(Workload workload) {
        Gauge.builder("http.server.active_requests", workload::size).description("Requests that are worked on")
                .register(registry);
        Gauge.builder("http.server.active_requests.limit", workload::limit)
                .description("From where on requests are refused, after a moment").register(registry);
    }

    HttpHandler handler() {
        return new AllowedMethodsHandler(new BlockingHandler(exchange -> {
            if (collections.get() == null) {
                measureJava();
            }
            exchange.getResponseHeaders().put(Headers.CONTENT_TYPE, TEXT);
            exchange.getResponseSender().send(registry.scrape());
        }), Methods.GET, Methods.HEAD);
    }

    /** Answers on a port of its own. */
    void listen(XnioWorker worker, String host, int number) {
        Undertow server = Undertow.builder().setWorker(worker).addHttpListener(number, host, exchange -> {
            if (exchange.getRequestPath().equals(PATH)) {
                handler().handleRequest(exchange);
            } else {
                exchange.setStatusCode(404).endExchange();
            }
        }).build();
        try {
            server.start();
        } catch (RuntimeException e) {
            throw new IllegalStateException("Port " + number + " on " + host + " is in use. Set METRICS_PORT to another one.", e);
        }
        port = Optional.of(server);
        int open = ((InetSocketAddress) server.getListenerInfo().get(0).getAddress()).getPort();
        LOG.info("Metrics are at http://{}:{}{}", host, open, PATH);
    }

    @Override
    public void close() {
        port.ifPresent(Undertow::stop);
        Metrics.removeRegistry(registry);
        JvmGcMetrics bound = collections.get();
        if (bound != null) {
            bound.close();
        }
        registry.close();
    }
}
</#if>
