import jakarta.ws.rs.GET;
import jakarta.ws.rs.Path;
import jakarta.ws.rs.Produces;
import jakarta.ws.rs.core.MediaType;
import jakarta.ws.rs.core.Response;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.Map;
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

    public Health(DataSource dataSource) {
        this.dataSource = dataSource;
    }

    /** 200 for as long as the service runs, whatever the database does. */
    @GET
    @Path("live")
    public Map<String, String> live() {
        return Map.of("status", "up");
    }

    /** 200 if the database answers, else 503: by a connection of its own, which no request of a client can hold. */
    @GET
    public Response health() {
        try (Connection connection = dataSource.getConnection()) {
            if (connection.isValid(SECONDS_TO_WAIT)) {
                return Response.ok(Map.of("status", "up")).build();
            }
        } catch (SQLException e) {
            LOG.warn("The database does not answer", e);
        }
        return Response.status(503).header("Retry-After", SECONDS_TO_WAIT).entity(Map.of("status", "down")).build();
    }
}
