<#if s.classArchive>
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Starts the service, sends it requests that change nothing, and stops it: so that Java can write down which classes that
 * takes ({@code -XX:ArchiveClassesAtExit}), and start with them ready the next time.
 */
final class Rehearsal {
    private static final Logger LOG = LoggerFactory.getLogger(Rehearsal.class);
    private static final Duration WAIT = Duration.ofSeconds(10);

    private Rehearsal() {
    }

    /** With the settings that are there; the database need not be. */
    static void run(Map<String, String> environment) {
        Map<String, String> settings = new HashMap<>(environment);
        List<String> paths = settings.putIfAbsent("DB_URL", <#include "_rehearsal.ftl">) == null
                ? List.of("", "/openapi.json", "/health", "/nowhere")
                : List.of("", "/openapi.json", "/health", "/nowhere"<#if s.firstCollection??>, ${s.firstCollection} + "?limit=1"</#if>);
        settings.putAll(Map.of("HTTP_HOST", "localhost", "HTTP_PORT", "0", "DB_POOL_WAIT_SECONDS", "1"));
<#if s.secured>
        if (!settings.containsKey("AUTH_KEYS")) {
            settings.putIfAbsent("AUTH_SECRET", "0".repeat(32));
        }
</#if>
        HttpClient client = HttpClient.newHttpClient();
        try (Server server = Server.rehearsing(Settings.from(settings))) {
            for (String path : paths) {
                client.send(HttpRequest.newBuilder(URI.create(server.url() + path)).timeout(WAIT).build(),
                        HttpResponse.BodyHandlers.discarding());
            }
            LOG.info("Rehearsed: {} paths are answered", server.endpoints().size());
        } catch (IOException e) {
            throw new IllegalStateException("The service does not answer: " + e, e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
</#if>
