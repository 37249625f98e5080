package com.example.cellar.controller;

import com.example.cellar.dto.HarvestInput;
import com.example.cellar.entity.Harvest;
import com.example.cellar.entity.WineLot;
import com.example.cellar.entity.WineLotHarvest;
import com.example.cellar.repository.HarvestRepository;
import com.example.cellar.repository.WineLotHarvestRepository;
import com.example.cellar.repository.WineLotRepository;
import com.example.cellar.service.HarvestService;
import com.example.cellar.service.WineLotHarvestService;
import com.example.cellar.service.WineLotService;
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

/** The HTTP face of harvests. */
@Path("harvests")
@Produces(MediaType.APPLICATION_JSON)
public final class HarvestController {
    private final HarvestService service;
    private final WineLotHarvestService wineLotHarvestService;
    private final WineLotService wineLotService;

    public HarvestController(HarvestService service, WineLotHarvestService wineLotHarvestService,
            WineLotService wineLotService) {
        this.service = service;
        this.wineLotHarvestService = wineLotHarvestService;
        this.wineLotService = wineLotService;
    }

    @GET
    public Response list(@Context UriInfo uri) {
        PageRequest page = PageRequest.of(uri, Harvest.class, HarvestRepository.FILTERS, HarvestService.INCLUDES);
        return page.response(service.list(page.page()), service::including);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(OneOrMany<HarvestInput> body, @Context UriInfo uri) {
        if (body.isMany()) {
            return Response.status(Response.Status.CREATED).entity(service.createAll(body.all())).build();
        }
        Harvest created = service.create(body.one());
        return RowRequest.created(uri, PathKeys.join(created.id()), created);
    }

    @GET
    @Path("{key}")
    public Response read(@PathParam("key") long id, @Context UriInfo uri, @Context HttpHeaders headers) {
        RowRequest wanted = RowRequest.of(uri, headers, Harvest.class, HarvestService.INCLUDES);
        return wanted.response(service.find(id), service::including);
    }

    @GET
    @Path("{key}/wine-lot-harvests")
    public Response listWineLotHarvests(@PathParam("key") long id, @Context UriInfo uri) {
        Harvest parent = service.find(id);
        PageRequest page
                = PageRequest.of(uri, WineLotHarvest.class, WineLotHarvestRepository.FILTERS,
                        WineLotHarvestService.INCLUDES);
        return page.response(wineLotHarvestService.listWhereHarvestIdIs(parent.id(), page.page()),
                wineLotHarvestService::including);
    }

    @GET
    @Path("{key}/wine-lots")
    public Response listWineLots(@PathParam("key") long id, @Context UriInfo uri) {
        Harvest parent = service.find(id);
        PageRequest page = PageRequest.of(uri, WineLot.class, WineLotRepository.FILTERS, WineLotService.INCLUDES);
        return page.response(wineLotService.listJoinedToHarvestByWineLotHarvest(parent.id(), page.page()),
                wineLotService::including);
    }

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public Response replace(@PathParam("key") long id, HarvestInput input, @Context HttpHeaders headers) {
        return RowRequest.stored(service.replace(id, input, Precondition.of(headers)));
    }

    @PATCH
    @Path("{key}")
    @Consumes(MergePatch.MEDIA_TYPE)
    public Response patch(@PathParam("key") long id, ObjectNode patch, @Context HttpHeaders headers) {
        return RowRequest.stored(service.patch(id, patch, Precondition.of(headers)));
    }

    @DELETE
    @Path("{key}")
    public void delete(@PathParam("key") long id, @Context HttpHeaders headers) {
        service.delete(id, Precondition.of(headers));
    }
}
