<#if s.traces>
import io.opentelemetry.sdk.autoconfigure.AutoConfiguredOpenTelemetrySdk;
</#if>
import java.util.List;
<#if s.traces>
import java.util.Map;
</#if>
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
     * @param arguments {@code rehearse} to start, look and stop; none to run
     */
    public static void main(String[] arguments) {
        try {
            if (List.of(arguments).contains("rehearse")) {
                Rehearsal.run(System.getenv());
                return;
            }
<#if s.traces>
            if (System.getenv("OTEL_EXPORTER_OTLP_ENDPOINT") != null || System.getenv("OTEL_TRACES_EXPORTER") != null) {
                exportTraces();
            }
</#if>
            Server server = Server.start(Settings.from(System.getenv()));
            Runtime.getRuntime().addShutdownHook(new Thread(server::close, "stop"));
        } catch (IllegalArgumentException | IllegalStateException e) {
            LOG.error("The service did not start. {}", e.getMessage());
            LOG.debug("The reason", e);
            System.exit(1);
        }
    }
<#if s.traces>

    /** Hands traces, and nothing else, to whom the variables of OpenTelemetry name. */
    private static void exportTraces() {
        Traces.to(AutoConfiguredOpenTelemetrySdk.builder().setResultAsGlobal().addPropertiesSupplier(() -> Map.of(
                "otel.service.name", ${s.artifactName}, "otel.exporter.otlp.protocol", "http/protobuf",
                "otel.metrics.exporter", "none", "otel.logs.exporter", "none")).build().getOpenTelemetrySdk());
    }
</#if>
}
