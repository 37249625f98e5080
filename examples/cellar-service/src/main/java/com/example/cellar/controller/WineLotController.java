package com.example.cellar.controller;

import com.example.cellar.dto.WineLotInput;
import com.example.cellar.entity.WineLot;
import com.example.cellar.service.WineLotService;
import com.example.cellar.support.MergePatch;
import com.example.cellar.support.PageRequest;
import com.fasterxml.jackson.databind.node.ObjectNode;
import jakarta.ws.rs.Consumes;
import jakarta.ws.rs.DELETE;
import jakarta.ws.rs.GET;
import jakarta.ws.rs.PATCH;
import jakarta.ws.rs.POST;
import jakarta.ws.rs.PUT;
import jakarta.ws.rs.Path;
import jakarta.ws.rs.PathParam;
import jakarta.ws.rs.Produces;
import jakarta.ws.rs.core.Context;
import jakarta.ws.rs.core.MediaType;
import jakarta.ws.rs.core.Response;
import jakarta.ws.rs.core.UriInfo;
import java.net.URI;
import java.util.UUID;

/** The HTTP face of wine lots. */
@Path("wine-lots")
@Produces(MediaType.APPLICATION_JSON)
public final class WineLotController {
    private final WineLotService service;

    public WineLotController(WineLotService service) {
        this.service = service;
    }

    @GET
    public Response list(@Context UriInfo uri) {
        PageRequest<UUID> page = PageRequest.of(uri, UUID.class);
        return page.answer(service.list(page), WineLot::id);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(WineLotInput input, @Context UriInfo uri) {
        WineLot created = service.create(input);
        URI location = uri.getAbsolutePathBuilder().path("{key}").build(created.id());
        return Response.created(location).entity(created).build();
    }

    @GET
    @Path("{key}")
    public WineLot read(@PathParam("key") UUID id) {
        return service.find(id);
    }

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public WineLot replace(@PathParam("key") UUID id, WineLotInput input) {
        return service.replace(id, input);
    }

    @PATCH
    @Path("{key}")
    @Consumes(MergePatch.MEDIA_TYPE)
    public WineLot change(@PathParam("key") UUID id, ObjectNode patch) {
        return service.change(id, patch);
    }

    @DELETE
    @Path("{key}")
    public void delete(@PathParam("key") UUID id) {
        service.delete(id);
    }
}
