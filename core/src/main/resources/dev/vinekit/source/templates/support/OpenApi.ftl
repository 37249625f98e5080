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
import java.util.concurrent.atomic.AtomicReference;
import java.util.zip.GZIPOutputStream;

/** The description of this interface (OpenAPI 3.1), written once: as it is, and compressed for those who take that. */
@Path("openapi.json")
@Produces(MediaType.APPLICATION_JSON)
public final class OpenApi {
    private static final Variant PLAIN = new Variant(MediaType.APPLICATION_JSON_TYPE, (String) null, "identity");
    private static final Variant GZIP = new Variant(MediaType.APPLICATION_JSON_TYPE, (String) null, "gzip");

    private final String basePath;
    private final AtomicReference<Texts> texts = new AtomicReference<>();

    /**
     * The description in {@code openapi.json}, which is read when it is first asked for.
     *
     * @param basePath what the paths of this service begin with
     */
    public OpenApi(String basePath) {
        this.basePath = basePath;
    }

    /** What is sent. */
    private static final class Texts {
        private final byte[] plain;
        private final byte[] gzip;
        private final String state;

        Texts(String basePath) {
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

        private static byte[] compressed(byte[] text) throws IOException {
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            try (GZIPOutputStream zip = new GZIPOutputStream(bytes)) {
                zip.write(text);
            }
            return bytes.toByteArray();
        }
    }

    /** The description. */
    @GET
    public Response description(@Context Request request) {
        Texts sent = texts.updateAndGet(made -> made == null ? new Texts(basePath) : made);
        boolean compressed = GZIP.equals(request.selectVariant(List.of(PLAIN, GZIP)));
        EntityTag tag = new EntityTag(compressed ? sent.state + "-gzip" : sent.state);
        Response.ResponseBuilder known = request.evaluatePreconditions(tag);
        if (known != null) {
            return known.tag(tag).build();
        }
        return (compressed ? Response.ok(sent.gzip, GZIP) : Response.ok(sent.plain, MediaType.APPLICATION_JSON_TYPE)).tag(tag).build();
    }
}
