package com.example.cellar.controller;

import com.example.cellar.dto.BlendInput;
import com.example.cellar.entity.Blend;
import com.example.cellar.service.BlendService;
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

/** The HTTP face of blends. */
@Path("blends")
@Produces(MediaType.APPLICATION_JSON)
public final class BlendController {
    private final BlendService service;

    public BlendController(BlendService service) {
        this.service = service;
    }

    @GET
    public Response list(@Context UriInfo uri) {
        PageRequest<Integer> page = PageRequest.of(uri, Integer.class);
        return page.answer(service.list(page), Blend::id);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(BlendInput input, @Context UriInfo uri) {
        Blend created = service.create(input);
        URI location = uri.getAbsolutePathBuilder().path("{key}").build(created.id());
        return Response.created(location).entity(created).build();
    }

    @GET
    @Path("{key}")
    public Blend read(@PathParam("key") int id) {
        return service.find(id);
    }

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public Blend replace(@PathParam("key") int id, BlendInput input) {
        return service.replace(id, input);
    }

    @PATCH
    @Path("{key}")
    @Consumes(MergePatch.MEDIA_TYPE)
    public Blend change(@PathParam("key") int id, ObjectNode patch) {
        return service.change(id, patch);
    }

    @DELETE
    @Path("{key}")
    public void delete(@PathParam("key") int id) {
        service.delete(id);
    }
}
