package com.example.cellar.controller;

import com.example.cellar.dto.CellarHandInput;
import com.example.cellar.entity.Blend;
import com.example.cellar.entity.CellarHand;
import com.example.cellar.entity.CellarLog;
import com.example.cellar.entity.Harvest;
import com.example.cellar.entity.VesselTransfer;
import com.example.cellar.repository.BlendRepository;
import com.example.cellar.repository.CellarHandRepository;
import com.example.cellar.repository.CellarLogRepository;
import com.example.cellar.repository.HarvestRepository;
import com.example.cellar.repository.VesselTransferRepository;
import com.example.cellar.service.BlendService;
import com.example.cellar.service.CellarHandService;
import com.example.cellar.service.CellarLogService;
import com.example.cellar.service.HarvestService;
import com.example.cellar.service.VesselTransferService;
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

/** The HTTP face of cellar hands. */
@Path("cellar-hands")
@Produces(MediaType.APPLICATION_JSON)
public final class CellarHandController {
    private final CellarHandService service;
    private final BlendService blendService;
    private final CellarLogService cellarLogService;
    private final HarvestService harvestService;
    private final VesselTransferService vesselTransferService;

    public CellarHandController(CellarHandService service, BlendService blendService, CellarLogService cellarLogService,
            HarvestService harvestService, VesselTransferService vesselTransferService) {
        this.service = service;
        this.blendService = blendService;
        this.cellarLogService = cellarLogService;
        this.harvestService = harvestService;
        this.vesselTransferService = vesselTransferService;
    }

    @GET
    public Response list(@Context UriInfo uri) {
        PageRequest page
                = PageRequest.of(uri, CellarHand.class, CellarHandRepository.FILTERS, CellarHandService.INCLUDES);
        return page.response(service.list(page.page()), service::including);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(OneOrMany<CellarHandInput> body, @Context UriInfo uri) {
        if (body.isMany()) {
            return Response.status(Response.Status.CREATED).entity(service.createAll(body.all())).build();
        }
        CellarHand created = service.create(body.one());
        return RowRequest.created(uri, PathKeys.join(created.id()), created);
    }

    @GET
    @Path("{key}")
    public Response read(@PathParam("key") int id, @Context UriInfo uri, @Context HttpHeaders headers) {
        RowRequest wanted = RowRequest.of(uri, headers, CellarHand.class, CellarHandService.INCLUDES);
        return wanted.response(service.find(id), service::including);
    }

    @GET
    @Path("{key}/blends")
    public Response listBlends(@PathParam("key") int id, @Context UriInfo uri) {
        CellarHand parent = service.find(id);
        PageRequest page = PageRequest.of(uri, Blend.class, BlendRepository.FILTERS, BlendService.INCLUDES);
        return page.response(blendService.listWhereApprovedByIs(parent.id(), page.page()), blendService::including);
    }

    @GET
    @Path("{key}/cellar-hands")
    public Response listCellarHands(@PathParam("key") int id, @Context UriInfo uri) {
        CellarHand parent = service.find(id);
        PageRequest page
                = PageRequest.of(uri, CellarHand.class, CellarHandRepository.FILTERS, CellarHandService.INCLUDES);
        return page.response(service.listWhereSupervisorIdIs(parent.id(), page.page()), service::including);
    }

    @GET
    @Path("{key}/cellar-logs")
    public Response listCellarLogs(@PathParam("key") int id, @Context UriInfo uri) {
        CellarHand parent = service.find(id);
        PageRequest page = PageRequest.of(uri, CellarLog.class, CellarLogRepository.FILTERS, CellarLogService.INCLUDES);
        return page.response(cellarLogService.listWhereHandIdIs(parent.id(), page.page()), cellarLogService::including);
    }

    @GET
    @Path("{key}/harvests")
    public Response listHarvests(@PathParam("key") int id, @Context UriInfo uri) {
        CellarHand parent = service.find(id);
        PageRequest page = PageRequest.of(uri, Harvest.class, HarvestRepository.FILTERS, HarvestService.INCLUDES);
        return page.response(harvestService.listWherePickedByIs(parent.id(), page.page()), harvestService::including);
    }

    @GET
    @Path("{key}/vessel-transfers")
    public Response listVesselTransfers(@PathParam("key") int id, @Context UriInfo uri) {
        CellarHand parent = service.find(id);
        PageRequest page
                = PageRequest.of(uri, VesselTransfer.class, VesselTransferRepository.FILTERS,
                        VesselTransferService.INCLUDES);
        return page.response(vesselTransferService.listWhereMovedByIs(parent.id(), page.page()),
                vesselTransferService::including);
    }

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public Response replace(@PathParam("key") int id, CellarHandInput input, @Context HttpHeaders headers) {
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
