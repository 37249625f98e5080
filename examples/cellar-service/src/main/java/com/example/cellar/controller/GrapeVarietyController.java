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
        PageRequest page = PageRequest.of(uri, GrapeVariety.class, GrapeVarietyRepository.FILTERS, Includes.none());
        return page.response(service.list(page.page()), Includes::nothing);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(OneOrMany<GrapeVarietyInput> body, @Context UriInfo uri) {
        if (body.isMany()) {
            return Response.status(Response.Status.CREATED).entity(service.createAll(body.all())).build();
        }
        GrapeVariety created = service.create(body.one());
        return RowRequest.created(uri, PathKeys.join(created.code()), created);
    }

    @GET
    @Path("{key}")
    public Response read(@PathParam("key") String code, @Context UriInfo uri, @Context HttpHeaders headers) {
        RowRequest wanted = RowRequest.of(uri, headers, GrapeVariety.class, Includes.none());
        return wanted.response(service.find(code), Includes::nothing);
    }

    @GET
    @Path("{key}/parcels")
    public Response listParcels(@PathParam("key") String code, @Context UriInfo uri) {
        GrapeVariety parent = service.find(code);
        PageRequest page = PageRequest.of(uri, Parcel.class, ParcelRepository.FILTERS, ParcelService.INCLUDES);
        return page.response(parcelService.listWhereVarietyCodeIs(parent.code(), page.page()),
                parcelService::including);
    }

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public Response replace(@PathParam("key") String code, GrapeVarietyInput input, @Context HttpHeaders headers) {
        return RowRequest.stored(service.replace(code, input, Precondition.of(headers)));
    }

    @PATCH
    @Path("{key}")
    @Consumes(MergePatch.MEDIA_TYPE)
    public Response patch(@PathParam("key") String code, ObjectNode patch, @Context HttpHeaders headers) {
        return RowRequest.stored(service.patch(code, patch, Precondition.of(headers)));
    }

    @DELETE
    @Path("{key}")
    public void delete(@PathParam("key") String code, @Context HttpHeaders headers) {
        service.delete(code, Precondition.of(headers));
    }
}
