package com.example.cellar.controller;

import com.example.cellar.dto.ParcelInput;
import com.example.cellar.entity.Harvest;
import com.example.cellar.entity.Parcel;
import com.example.cellar.repository.HarvestRepository;
import com.example.cellar.repository.ParcelRepository;
import com.example.cellar.service.HarvestService;
import com.example.cellar.service.ParcelService;
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
        PageRequest<Integer> page
                = PageRequest.of(uri, Integer.class, ParcelRepository.FILTERS, ParcelService.INCLUDES);
        return page.answer(service.list(page.page()), Parcel::id, service::including);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(ParcelInput input, @Context UriInfo uri) {
        Parcel created = service.create(input);
        URI location = uri.getAbsolutePathBuilder().path("{key}").build(created.id());
        return Response.created(location).entity(created).build();
    }

    @GET
    @Path("{key}")
    public Object read(@PathParam("key") int id, @Context UriInfo uri) {
        List<String> included = ParcelService.INCLUDES.asked(uri);
        Parcel found = service.find(id);
        return included.isEmpty() ? found : service.including(included, List.of(found)).get(0);
    }

    @GET
    @Path("{key}/harvests")
    public Response listHarvests(@PathParam("key") int id, @Context UriInfo uri) {
        Parcel parent = service.find(id);
        PageRequest<Long> page = PageRequest.of(uri, Long.class, HarvestRepository.FILTERS, HarvestService.INCLUDES);
        return page.answer(harvestService.listWhereParcelIdIs(parent.id(), page.page()), Harvest::id,
                harvestService::including);
    }

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public Parcel replace(@PathParam("key") int id, ParcelInput input) {
        return service.replace(id, input);
    }

    @PATCH
    @Path("{key}")
    @Consumes(MergePatch.MEDIA_TYPE)
    public Parcel change(@PathParam("key") int id, ObjectNode patch) {
        return service.change(id, patch);
    }

    @DELETE
    @Path("{key}")
    public void delete(@PathParam("key") int id) {
        service.delete(id);
    }
}
