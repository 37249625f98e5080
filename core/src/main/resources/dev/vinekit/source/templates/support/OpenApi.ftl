import com.fasterxml.jackson.databind.node.ObjectNode;
import jakarta.ws.rs.GET;
import jakarta.ws.rs.Path;
import jakarta.ws.rs.Produces;
import jakarta.ws.rs.core.Context;
import jakarta.ws.rs.core.EntityTag;
import jakarta.ws.rs.core.MediaType;
import jakarta.ws.rs.core.Request;
import jakarta.ws.rs.core.Response;
import jakarta.ws.rs.core.Variant;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.UUID;
import java.util.zip.GZIPOutputStream;

/** The description of this interface (OpenAPI 3.1), written once: as it is, and compressed for those who take that. */
@Path("openapi.json")
@Produces(MediaType.APPLICATION_JSON)
public final class OpenApi {
    private static final Variant PLAIN = new Variant(MediaType.APPLICATION_JSON_TYPE, (String) null, "identity");
    private static final Variant GZIP = new Variant(MediaType.APPLICATION_JSON_TYPE, (String) null, "gzip");

    private final byte[] plain;
    private final byte[] gzip;
    private final String state;

    /**
     * Reads the description from {@code openapi.json}.
     *
     * @param basePath what the paths of this service begin with
     */
    public OpenApi(String basePath) {
        try (InputStream file = OpenApi.class.getResourceAsStream(${s.description})) {
            ObjectNode description = (ObjectNode) Json.MAPPER.readTree(file);
            description.putArray("servers").addObject().put("url", basePath);
            plain = Json.MAPPER.writeValueAsBytes(description);
            gzip = compressed(plain);
        } catch (IOException e) {
            throw new UncheckedIOException("openapi.json cannot be read", e);
        }
        state = UUID.nameUUIDFromBytes(plain).toString();
    }

    /** The description. */
    @GET
    public Response description(@Context Request request) {
        boolean compressed = GZIP.equals(request.selectVariant(List.of(PLAIN, GZIP)));
        EntityTag tag = new EntityTag(compressed ? state + "-gzip" : state);
        Response.ResponseBuilder known = request.evaluatePreconditions(tag);
        if (known != null) {
            return known.tag(tag).build();
        }
        return (compressed ? Response.ok(gzip, GZIP) : Response.ok(plain, MediaType.APPLICATION_JSON_TYPE)).tag(tag).build();
    }

    private static byte[] compressed(byte[] text) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (GZIPOutputStream zip = new GZIPOutputStream(bytes)) {
            zip.write(text);
        }
        return bytes.toByteArray();
    }
}
