<#if s.classArchive>
import java.util.List;
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
     * @param arguments <#if s.classArchive>{@code rehearse} to start, look and stop; none to run<#else>none</#if>
     */
    public static void main(String[] arguments) {
        try {
<#if s.classArchive>
            if (List.of(arguments).contains("rehearse")) {
                Rehearsal.run(System.getenv());
                return;
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
}
