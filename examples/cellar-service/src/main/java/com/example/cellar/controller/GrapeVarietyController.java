package com.example.cellar.controller;

import com.example.cellar.dto.GrapeVarietyInput;
import com.example.cellar.entity.GrapeVariety;
import com.example.cellar.entity.Parcel;
import com.example.cellar.repository.GrapeVarietyRepository;
import com.example.cellar.repository.ParcelRepository;
import com.example.cellar.service.GrapeVarietyService;
import com.example.cellar.service.ParcelService;
import com.example.cellar.support.Includes;
import com.example.cellar.support.MergePatch;
import com.example.cellar.support.PageRequest;
import com.example.cellar.support.PathKeys;
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

/** The HTTP face of grape varieties. */
@Path("grape-varieties")
@Produces(MediaType.APPLICATION_JSON)
public final class GrapeVarietyController {
    private final GrapeVarietyService service;
    private final ParcelService parcelService;

    public GrapeVarietyController(GrapeVarietyService service, ParcelService parcelService) {
        this.service = service;
        this.parcelService = parcelService;
    }

    @GET
    public Response list(@Context UriInfo uri) {
        PageRequest<String> page = PageRequest.of(uri, String.class, GrapeVarietyRepository.FILTERS, Includes.none());
        return page.answer(service.list(page.page()), GrapeVariety::code, (names, rows) -> rows);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(GrapeVarietyInput input, @Context UriInfo uri) {
        GrapeVariety created = service.create(input);
        URI location = uri.getAbsolutePathBuilder().path("{key}").buildFromEncoded(PathKeys.join(created.code()));
        return Response.created(location).entity(created).build();
    }

    @GET
    @Path("{key}")
    public GrapeVariety read(@PathParam("key") String code) {
        return service.find(code);
    }

    @GET
    @Path("{key}/parcels")
    public Response listParcels(@PathParam("key") String code, @Context UriInfo uri) {
        GrapeVariety parent = service.find(code);
        PageRequest<Integer> page
                = PageRequest.of(uri, Integer.class, ParcelRepository.FILTERS, ParcelService.INCLUDES);
        return page.answer(parcelService.listWhereVarietyCodeIs(parent.code(), page.page()), Parcel::id,
                parcelService::including);
    }

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public GrapeVariety replace(@PathParam("key") String code, GrapeVarietyInput input) {
        return service.replace(code, input);
    }

    @PATCH
    @Path("{key}")
    @Consumes(MergePatch.MEDIA_TYPE)
    public GrapeVariety change(@PathParam("key") String code, ObjectNode patch) {
        return service.change(code, patch);
    }

    @DELETE
    @Path("{key}")
    public void delete(@PathParam("key") String code) {
        service.delete(code);
    }
}
