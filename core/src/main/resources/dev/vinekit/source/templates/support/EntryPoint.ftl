import jakarta.ws.rs.GET;
import jakarta.ws.rs.Path;
import jakarta.ws.rs.Produces;
import jakarta.ws.rs.core.Context;
import jakarta.ws.rs.core.MediaType;
import jakarta.ws.rs.core.UriInfo;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The way in: which collections there are. */
@Path("/")
@Produces(MediaType.APPLICATION_JSON)
public final class EntryPoint {
    private final List<String> collections;

    public EntryPoint(List<String> collections) {
        this.collections = collections;
    }

    /** The collections by name, each with its link. */
    @GET
    public Map<String, String> collections(@Context UriInfo uri) {
        Map<String, String> links = new LinkedHashMap<>();
        collections.forEach(name -> links.put(name, uri.getBaseUriBuilder().path(name).build().getRawPath()));
        return links;
    }
}
