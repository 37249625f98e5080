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
import com.example.cellar.support.OneOrMany;
import com.example.cellar.support.PageRequest;
import com.example.cellar.support.PathKeys;
import com.example.cellar.support.Precondition;
import com.example.cellar.support.RowRequest;
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
import jakarta.ws.rs.core.HttpHeaders;
import jakarta.ws.rs.core.MediaType;
import jakarta.ws.rs.core.Response;
import jakarta.ws.rs.core.UriInfo;

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
        PageRequest page = PageRequest.of(uri, Label.class, LabelRepository.FILTERS, Includes.none());
        return page.response(service.list(page.page()), Includes::nothing);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(OneOrMany<LabelInput> body, @Context UriInfo uri) {
        if (body.isMany()) {
            return Response.status(Response.Status.CREATED).entity(service.createAll(body.all())).build();
        }
        Label created = service.create(body.one());
        return RowRequest.created(uri, PathKeys.join(created.id()), created);
    }

    @GET
    @Path("{key}")
    public Response read(@PathParam("key") int id, @Context UriInfo uri, @Context HttpHeaders headers) {
        RowRequest wanted = RowRequest.of(uri, headers, Label.class, Includes.none());
        return wanted.response(service.find(id), Includes::nothing);
    }

    @GET
    @Path("{key}/bottlings")
    public Response listBottlings(@PathParam("key") int id, @Context UriInfo uri) {
        Label parent = service.find(id);
        PageRequest page = PageRequest.of(uri, Bottling.class, BottlingRepository.FILTERS, BottlingService.INCLUDES);
        return page.response(bottlingService.listWhereLabelIdIs(parent.id(), page.page()), bottlingService::including);
    }

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public Response replace(@PathParam("key") int id, LabelInput input, @Context HttpHeaders headers) {
        return RowRequest.stored(service.replace(id, input, Precondition.of(headers)));
    }

    @PATCH
    @Path("{key}")
    @Consumes(MergePatch.MEDIA_TYPE)
    public Response patch(@PathParam("key") int id, ObjectNode patch, @Context HttpHeaders headers) {
        return RowRequest.stored(service.patch(id, patch, Precondition.of(headers)));
    }

    @DELETE
    @Path("{key}")
    public void delete(@PathParam("key") int id, @Context HttpHeaders headers) {
        service.delete(id, Precondition.of(headers));
    }
}
