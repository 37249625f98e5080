package com.example.cellar.controller;

import com.example.cellar.dto.HarvestInput;
import com.example.cellar.entity.Harvest;
import com.example.cellar.entity.WineLot;
import com.example.cellar.entity.WineLotHarvest;
import com.example.cellar.entity.WineLotHarvestKey;
import com.example.cellar.repository.HarvestRepository;
import com.example.cellar.repository.WineLotHarvestRepository;
import com.example.cellar.repository.WineLotRepository;
import com.example.cellar.service.HarvestService;
import com.example.cellar.service.WineLotHarvestService;
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
import java.util.List;
import java.util.UUID;

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
        PageRequest<Long> page = PageRequest.of(uri, Long.class, HarvestRepository.FILTERS, HarvestService.INCLUDES);
        return page.answer(service.list(page.page()), Harvest::id, service::including);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(HarvestInput input, @Context UriInfo uri) {
        Harvest created = service.create(input);
        URI location = uri.getAbsolutePathBuilder().path("{key}").build(created.id());
        return Response.created(location).entity(created).build();
    }

    @GET
    @Path("{key}")
    public Object read(@PathParam("key") long id, @Context UriInfo uri) {
        List<String> included = HarvestService.INCLUDES.asked(uri);
        Harvest found = service.find(id);
        return included.isEmpty() ? found : service.including(included, List.of(found)).get(0);
    }

    @GET
    @Path("{key}/wine-lot-harvests")
    public Response listWineLotHarvests(@PathParam("key") long id, @Context UriInfo uri) {
        Harvest parent = service.find(id);
        PageRequest<WineLotHarvestKey> page
                = PageRequest.of(uri, WineLotHarvestKey.class, WineLotHarvestRepository.FILTERS,
                        WineLotHarvestService.INCLUDES);
        return page.answer(wineLotHarvestService.listWhereHarvestIdIs(parent.id(), page.page()),
                WineLotHarvest::primaryKey, wineLotHarvestService::including);
    }

    @GET
    @Path("{key}/wine-lots")
    public Response listWineLots(@PathParam("key") long id, @Context UriInfo uri) {
        Harvest parent = service.find(id);
        PageRequest<UUID> page = PageRequest.of(uri, UUID.class, WineLotRepository.FILTERS, WineLotService.INCLUDES);
        return page.answer(wineLotService.listJoinedToHarvestByWineLotHarvest(parent.id(), page.page()), WineLot::id,
                wineLotService::including);
    }

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public Harvest replace(@PathParam("key") long id, HarvestInput input) {
        return service.replace(id, input);
    }

    @PATCH
    @Path("{key}")
    @Consumes(MergePatch.MEDIA_TYPE)
    public Harvest change(@PathParam("key") long id, ObjectNode patch) {
        return service.change(id, patch);
    }

    @DELETE
    @Path("{key}")
    public void delete(@PathParam("key") long id) {
        service.delete(id);
    }
}
