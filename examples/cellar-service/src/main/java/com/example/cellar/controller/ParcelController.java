package com.example.cellar.controller;

import com.example.cellar.dto.ParcelInput;
import com.example.cellar.entity.Harvest;
import com.example.cellar.entity.Parcel;
import com.example.cellar.repository.HarvestRepository;
import com.example.cellar.repository.ParcelRepository;
import com.example.cellar.service.HarvestService;
import com.example.cellar.service.ParcelService;
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

/** The HTTP face of parcels. */
@Path("parcels")
@Produces(MediaType.APPLICATION_JSON)
public final class ParcelController {
    private final ParcelService service;
    private final HarvestService harvestService;

    public ParcelController(ParcelService service, HarvestService harvestService) {
        this.service = service;
        this.harvestService = harvestService;
    }

    @GET
    public Response list(@Context UriInfo uri) {
        PageRequest page = PageRequest.of(uri, Parcel.class, ParcelRepository.FILTERS, ParcelService.INCLUDES);
        return page.response(service.list(page.page()), service::including);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(OneOrMany<ParcelInput> body, @Context UriInfo uri) {
        if (body.isMany()) {
            return Response.status(Response.Status.CREATED).entity(service.createAll(body.all())).build();
        }
        Parcel created = service.create(body.one());
        return RowRequest.created(uri, PathKeys.join(created.id()), created);
    }

    @GET
    @Path("{key}")
    public Response read(@PathParam("key") int id, @Context UriInfo uri, @Context HttpHeaders headers) {
        RowRequest wanted = RowRequest.of(uri, headers, Parcel.class, ParcelService.INCLUDES);
        return wanted.response(service.find(id), service::including);
    }

    @GET
    @Path("{key}/harvests")
    public Response listHarvests(@PathParam("key") int id, @Context UriInfo uri) {
        Parcel parent = service.find(id);
        PageRequest page = PageRequest.of(uri, Harvest.class, HarvestRepository.FILTERS, HarvestService.INCLUDES);
        return page.response(harvestService.listWhereParcelIdIs(parent.id(), page.page()), harvestService::including);
    }

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public Response replace(@PathParam("key") int id, ParcelInput input, @Context HttpHeaders headers) {
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
