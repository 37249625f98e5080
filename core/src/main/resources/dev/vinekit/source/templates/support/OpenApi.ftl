import com.fasterxml.jackson.databind.node.ObjectNode;
import jakarta.ws.rs.GET;
import jakarta.ws.rs.Path;
import jakarta.ws.rs.Produces;
import jakarta.ws.rs.core.MediaType;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;

/** The description of this interface (OpenAPI 3.1). */
@Path("openapi.json")
@Produces(MediaType.APPLICATION_JSON)
public final class OpenApi {
    private final ObjectNode description;

    /**
     * Reads the description from {@code openapi.json}.
     *
     * @param basePath what the paths of this service begin with
     */
    public OpenApi(String basePath) {
        try (InputStream file = OpenApi.class.getResourceAsStream("/openapi.json")) {
            description = (ObjectNode) Json.MAPPER.readTree(file);
        } catch (IOException e) {
            throw new UncheckedIOException("openapi.json cannot be read", e);
        }
        description.putArray("servers").addObject().put("url", basePath);
    }

    /** The description. */
    @GET
    public ObjectNode description() {
        return description;
    }
}
