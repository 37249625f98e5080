package com.example.cellar.controller;

import com.example.cellar.dto.BottlingInput;
import com.example.cellar.entity.Bottling;
import com.example.cellar.repository.BottlingRepository;
import com.example.cellar.service.BottlingService;
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
import java.util.List;

/** The HTTP face of bottlings. */
@Path("bottlings")
@Produces(MediaType.APPLICATION_JSON)
public final class BottlingController {
    private final BottlingService service;

    public BottlingController(BottlingService service) {
        this.service = service;
    }

    @GET
    public Response list(@Context UriInfo uri) {
        PageRequest<Integer> page
                = PageRequest.of(uri, Integer.class, BottlingRepository.FILTERS, BottlingService.INCLUDES);
        return page.answer(service.list(page.page()), Bottling::id, service::including);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(BottlingInput input, @Context UriInfo uri) {
        Bottling created = service.create(input);
        URI location = uri.getAbsolutePathBuilder().path("{key}").build(created.id());
        return Response.created(location).entity(created).build();
    }

    @GET
    @Path("{key}")
    public Object read(@PathParam("key") int id, @Context UriInfo uri) {
        List<String> included = BottlingService.INCLUDES.asked(uri);
        Bottling found = service.find(id);
        return included.isEmpty() ? found : service.including(included, List.of(found)).get(0);
    }

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public Bottling replace(@PathParam("key") int id, BottlingInput input) {
        return service.replace(id, input);
    }

    @PATCH
    @Path("{key}")
    @Consumes(MergePatch.MEDIA_TYPE)
    public Bottling change(@PathParam("key") int id, ObjectNode patch) {
        return service.change(id, patch);
    }

    @DELETE
    @Path("{key}")
    public void delete(@PathParam("key") int id) {
        service.delete(id);
    }
}
