package com.example.cellar.support;

import com.fasterxml.jackson.databind.node.ObjectNode;
import jakarta.ws.rs.GET;
import jakarta.ws.rs.Path;
import jakarta.ws.rs.Produces;
import jakarta.ws.rs.core.Context;
import jakarta.ws.rs.core.EntityTag;
import jakarta.ws.rs.core.MediaType;
import jakarta.ws.rs.core.Request;
import jakarta.ws.rs.core.Response;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicReference;

/** The description of this interface (OpenAPI 3.1). */
@Path("openapi.json")
@Produces(MediaType.APPLICATION_JSON)
public final class OpenApi {
    private final String basePath;
    private final AtomicReference<byte[]> text = new AtomicReference<>();

    /**
     * The description in {@code openapi.json}, which is read when it is first asked for.
     *
     * @param basePath what the paths of this service begin with
     */
    public OpenApi(String basePath) {
        this.basePath = basePath;
    }

    /** The description. */
    @GET
    public Response description(@Context Request request) {
        byte[] sent = text.updateAndGet(made -> made == null ? text() : made);
        EntityTag tag = new EntityTag(UUID.nameUUIDFromBytes(sent).toString());
        Response.ResponseBuilder known = request.evaluatePreconditions(tag);
        if (known != null && known.build().getStatusInfo().getFamily() == Response.Status.Family.CLIENT_ERROR) {
            throw ProblemException.changed();
        }
        return known != null ? known.tag(tag).build() : Response.ok(sent, MediaType.APPLICATION_JSON_TYPE).tag(tag)
                .build();
    }

    private byte[] text() {
        try (InputStream file = OpenApi.class.getResourceAsStream("/openapi.json")) {
            ObjectNode description = (ObjectNode) Json.MAPPER.readTree(file);
            description.putArray("servers").addObject().put("url", basePath);
            return Json.MAPPER.writeValueAsBytes(description);
        } catch (IOException e) {
            throw new UncheckedIOException("openapi.json cannot be read", e);
        }
    }
}
