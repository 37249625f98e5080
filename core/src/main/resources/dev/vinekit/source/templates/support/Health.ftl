import jakarta.ws.rs.GET;
import jakarta.ws.rs.Path;
import jakarta.ws.rs.Produces;
import jakarta.ws.rs.core.MediaType;
import jakarta.ws.rs.core.Response;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.Map;
import java.util.concurrent.atomic.AtomicBoolean;
import javax.sql.DataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Tells whether the service can do its work. */
@Path("health")
@Produces(MediaType.APPLICATION_JSON)
public final class Health {
    private static final Logger LOG = LoggerFactory.getLogger(Health.class);
    private static final int SECONDS_TO_WAIT = 2;

    private final DataSource dataSource;
    private final AtomicBoolean leaving = new AtomicBoolean();

    public Health(DataSource dataSource) {
        this.dataSource = dataSource;
    }

    /** 200 for as long as the service runs, whatever the database does. */
    @GET
    @Path("live")
    public Map<String, String> live() {
        return Map.of("status", "up");
    }

    /**
     * 200 if the service wants requests: not while it is about to stop, and not where the database does not answer, by a
     * connection of its own, which no request of a client can hold. Else 503.
     */
    @GET
    public Response health() {
        if (leaving.get()) {
            return down("leaving");
        }
        try (Connection connection = dataSource.getConnection()) {
            if (connection.isValid(SECONDS_TO_WAIT)) {
                return Response.ok(Map.of("status", "up")).build();
            }
        } catch (SQLException e) {
            LOG.warn("The database does not answer", e);
        }
        return down("down");
    }

    /** Says from now on that the service does not want requests any more. */
    void leave() {
        leaving.set(true);
    }

    private static Response down(String status) {
        return Response.status(503).header("Retry-After", SECONDS_TO_WAIT).entity(Map.of("status", status)).build();
    }
}
