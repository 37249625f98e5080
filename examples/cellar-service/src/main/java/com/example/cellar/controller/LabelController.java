package com.example.cellar.controller;

import com.example.cellar.dto.LabelInput;
import com.example.cellar.entity.Bottling;
import com.example.cellar.entity.Label;
import com.example.cellar.repository.BottlingRepository;
import com.example.cellar.repository.LabelRepository;
import com.example.cellar.service.BottlingService;
import com.example.cellar.service.LabelService;
import com.example.cellar.support.Includes;
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

/** The HTTP face of labels. */
@Path("labels")
@Produces(MediaType.APPLICATION_JSON)
public final class LabelController {
    private final LabelService service;
    private final BottlingService bottlingService;

    public LabelController(LabelService service, BottlingService bottlingService) {
        this.service = service;
        this.bottlingService = bottlingService;
    }

    @GET
    public Response list(@Context UriInfo uri) {
        PageRequest<Integer> page = PageRequest.of(uri, Integer.class, LabelRepository.FILTERS, Includes.none());
        return page.answer(service.list(page.page()), Label::id, (names, rows) -> rows);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(LabelInput input, @Context UriInfo uri) {
        Label created = service.create(input);
        URI location = uri.getAbsolutePathBuilder().path("{key}").build(created.id());
        return Response.created(location).entity(created).build();
    }

    @GET
    @Path("{key}")
    public Label read(@PathParam("key") int id) {
        return service.find(id);
    }

    @GET
    @Path("{key}/bottlings")
    public Response listBottlings(@PathParam("key") int id, @Context UriInfo uri) {
        Label parent = service.find(id);
        PageRequest<Integer> page
                = PageRequest.of(uri, Integer.class, BottlingRepository.FILTERS, BottlingService.INCLUDES);
        return page.answer(bottlingService.listWhereLabelIdIs(parent.id(), page.page()), Bottling::id,
                bottlingService::including);
    }

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public Label replace(@PathParam("key") int id, LabelInput input) {
        return service.replace(id, input);
    }

    @PATCH
    @Path("{key}")
    @Consumes(MergePatch.MEDIA_TYPE)
    public Label change(@PathParam("key") int id, ObjectNode patch) {
        return service.change(id, patch);
    }

    @DELETE
    @Path("{key}")
    public void delete(@PathParam("key") int id) {
        service.delete(id);
    }
}
