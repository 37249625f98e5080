package com.example.cellar.controller;

import com.example.cellar.dto.VesselInput;
import com.example.cellar.entity.Vessel;
import com.example.cellar.entity.VesselTransfer;
import com.example.cellar.entity.WineLot;
import com.example.cellar.repository.VesselRepository;
import com.example.cellar.repository.VesselTransferRepository;
import com.example.cellar.repository.WineLotRepository;
import com.example.cellar.service.VesselService;
import com.example.cellar.service.VesselTransferService;
import com.example.cellar.service.WineLotService;
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
import java.util.UUID;

/** The HTTP face of vessels. */
@Path("vessels")
@Produces(MediaType.APPLICATION_JSON)
public final class VesselController {
    private final VesselService service;
    private final VesselTransferService vesselTransferService;
    private final WineLotService wineLotService;

    public VesselController(VesselService service, VesselTransferService vesselTransferService,
            WineLotService wineLotService) {
        this.service = service;
        this.vesselTransferService = vesselTransferService;
        this.wineLotService = wineLotService;
    }

    @GET
    public Response list(@Context UriInfo uri) {
        PageRequest<Integer> page = PageRequest.of(uri, Integer.class, VesselRepository.FILTERS, Includes.none());
        return page.answer(service.list(page.page()), Vessel::id, (names, rows) -> rows);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(VesselInput input, @Context UriInfo uri) {
        Vessel created = service.create(input);
        URI location = uri.getAbsolutePathBuilder().path("{key}").build(created.id());
        return Response.created(location).entity(created).build();
    }

    @GET
    @Path("{key}")
    public Vessel read(@PathParam("key") int id) {
        return service.find(id);
    }

    @GET
    @Path("{key}/vessel-transfers-by-from-vessel")
    public Response listVesselTransfersByFromVessel(@PathParam("key") int id, @Context UriInfo uri) {
        Vessel parent = service.find(id);
        PageRequest<Long> page
                = PageRequest.of(uri, Long.class, VesselTransferRepository.FILTERS, VesselTransferService.INCLUDES);
        return page.answer(vesselTransferService.listWhereFromIs(parent.id(), page.page()), VesselTransfer::id,
                vesselTransferService::including);
    }

    @GET
    @Path("{key}/vessel-transfers-by-to-vessel")
    public Response listVesselTransfersByToVessel(@PathParam("key") int id, @Context UriInfo uri) {
        Vessel parent = service.find(id);
        PageRequest<Long> page
                = PageRequest.of(uri, Long.class, VesselTransferRepository.FILTERS, VesselTransferService.INCLUDES);
        return page.answer(vesselTransferService.listWhereToIs(parent.id(), page.page()), VesselTransfer::id,
                vesselTransferService::including);
    }

    @GET
    @Path("{key}/wine-lots")
    public Response listWineLots(@PathParam("key") int id, @Context UriInfo uri) {
        Vessel parent = service.find(id);
        PageRequest<UUID> page = PageRequest.of(uri, UUID.class, WineLotRepository.FILTERS, WineLotService.INCLUDES);
        return page.answer(wineLotService.listWhereVesselIdIs(parent.id(), page.page()), WineLot::id,
                wineLotService::including);
    }

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public Vessel replace(@PathParam("key") int id, VesselInput input) {
        return service.replace(id, input);
    }

    @PATCH
    @Path("{key}")
    @Consumes(MergePatch.MEDIA_TYPE)
    public Vessel change(@PathParam("key") int id, ObjectNode patch) {
        return service.change(id, patch);
    }

    @DELETE
    @Path("{key}")
    public void delete(@PathParam("key") int id) {
        service.delete(id);
    }
}
