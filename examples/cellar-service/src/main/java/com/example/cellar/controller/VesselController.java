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
        PageRequest page = PageRequest.of(uri, Vessel.class, VesselRepository.FILTERS, Includes.none());
        return page.response(service.list(page.page()), Includes::nothing);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(OneOrMany<VesselInput> body, @Context UriInfo uri) {
        if (body.isMany()) {
            return Response.status(Response.Status.CREATED).entity(service.createAll(body.all())).build();
        }
        Vessel created = service.create(body.one());
        return RowRequest.created(uri, PathKeys.join(created.id()), created);
    }

    @GET
    @Path("{key}")
    public Response read(@PathParam("key") int id, @Context UriInfo uri, @Context HttpHeaders headers) {
        RowRequest wanted = RowRequest.of(uri, headers, Vessel.class, Includes.none());
        return wanted.response(service.find(id), Includes::nothing);
    }

    @GET
    @Path("{key}/vessel-transfers-by-from-vessel")
    public Response listVesselTransfersByFromVessel(@PathParam("key") int id, @Context UriInfo uri) {
        Vessel parent = service.find(id);
        PageRequest page
                = PageRequest.of(uri, VesselTransfer.class, VesselTransferRepository.FILTERS,
                        VesselTransferService.INCLUDES);
        return page.response(vesselTransferService.listWhereFromIs(parent.id(), page.page()),
                vesselTransferService::including);
    }

    @GET
    @Path("{key}/vessel-transfers-by-to-vessel")
    public Response listVesselTransfersByToVessel(@PathParam("key") int id, @Context UriInfo uri) {
        Vessel parent = service.find(id);
        PageRequest page
                = PageRequest.of(uri, VesselTransfer.class, VesselTransferRepository.FILTERS,
                        VesselTransferService.INCLUDES);
        return page.response(vesselTransferService.listWhereToIs(parent.id(), page.page()),
                vesselTransferService::including);
    }

    @GET
    @Path("{key}/wine-lots")
    public Response listWineLots(@PathParam("key") int id, @Context UriInfo uri) {
        Vessel parent = service.find(id);
        PageRequest page = PageRequest.of(uri, WineLot.class, WineLotRepository.FILTERS, WineLotService.INCLUDES);
        return page.response(wineLotService.listWhereVesselIdIs(parent.id(), page.page()), wineLotService::including);
    }

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public Response replace(@PathParam("key") int id, VesselInput input, @Context HttpHeaders headers) {
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
