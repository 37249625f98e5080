package com.example.cellar.controller;

import com.example.cellar.dto.WineLotInput;
import com.example.cellar.entity.Blend;
import com.example.cellar.entity.BlendComponent;
import com.example.cellar.entity.Harvest;
import com.example.cellar.entity.LabAnalysis;
import com.example.cellar.entity.WineLot;
import com.example.cellar.entity.WineLotHarvest;
import com.example.cellar.repository.BlendComponentRepository;
import com.example.cellar.repository.BlendRepository;
import com.example.cellar.repository.HarvestRepository;
import com.example.cellar.repository.LabAnalysisRepository;
import com.example.cellar.repository.WineLotHarvestRepository;
import com.example.cellar.repository.WineLotRepository;
import com.example.cellar.service.BlendComponentService;
import com.example.cellar.service.BlendService;
import com.example.cellar.service.HarvestService;
import com.example.cellar.service.LabAnalysisService;
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
import java.util.UUID;

/** The HTTP face of wine lots. */
@Path("wine-lots")
@Produces(MediaType.APPLICATION_JSON)
public final class WineLotController {
    private final WineLotService service;
    private final BlendComponentService blendComponentService;
    private final LabAnalysisService labAnalysisService;
    private final WineLotHarvestService wineLotHarvestService;
    private final BlendService blendService;
    private final HarvestService harvestService;

    public WineLotController(WineLotService service, BlendComponentService blendComponentService,
            LabAnalysisService labAnalysisService, WineLotHarvestService wineLotHarvestService,
                    BlendService blendService, HarvestService harvestService) {
        this.service = service;
        this.blendComponentService = blendComponentService;
        this.labAnalysisService = labAnalysisService;
        this.wineLotHarvestService = wineLotHarvestService;
        this.blendService = blendService;
        this.harvestService = harvestService;
    }

    @GET
    public Response list(@Context UriInfo uri) {
        PageRequest page = PageRequest.of(uri, WineLot.class, WineLotRepository.FILTERS, WineLotService.INCLUDES);
        return page.response(service.list(page.page()), service::including);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(OneOrMany<WineLotInput> body, @Context UriInfo uri) {
        if (body.isMany()) {
            return Response.status(Response.Status.CREATED).entity(service.createAll(body.all())).build();
        }
        WineLot created = service.create(body.one());
        return RowRequest.created(uri, PathKeys.join(created.id()), created);
    }

    @GET
    @Path("{key}")
    public Response read(@PathParam("key") UUID id, @Context UriInfo uri, @Context HttpHeaders headers) {
        RowRequest wanted = RowRequest.of(uri, headers, WineLot.class, WineLotService.INCLUDES);
        return wanted.response(service.find(id), service::including);
    }

    @GET
    @Path("{key}/blend-components")
    public Response listBlendComponents(@PathParam("key") UUID id, @Context UriInfo uri) {
        WineLot parent = service.find(id);
        PageRequest page
                = PageRequest.of(uri, BlendComponent.class, BlendComponentRepository.FILTERS,
                        BlendComponentService.INCLUDES);
        return page.response(blendComponentService.listWhereWineLotIdIs(parent.id(), page.page()),
                blendComponentService::including);
    }

    @GET
    @Path("{key}/lab-analyses")
    public Response listLabAnalyses(@PathParam("key") UUID id, @Context UriInfo uri) {
        WineLot parent = service.find(id);
        PageRequest page
                = PageRequest.of(uri, LabAnalysis.class, LabAnalysisRepository.FILTERS, LabAnalysisService.INCLUDES);
        return page.response(labAnalysisService.listWhereWineLotIdIs(parent.id(), page.page()),
                labAnalysisService::including);
    }

    @GET
    @Path("{key}/wine-lot-harvests")
    public Response listWineLotHarvests(@PathParam("key") UUID id, @Context UriInfo uri) {
        WineLot parent = service.find(id);
        PageRequest page
                = PageRequest.of(uri, WineLotHarvest.class, WineLotHarvestRepository.FILTERS,
                        WineLotHarvestService.INCLUDES);
        return page.response(wineLotHarvestService.listWhereWineLotIdIs(parent.id(), page.page()),
                wineLotHarvestService::including);
    }

    @GET
    @Path("{key}/blends")
    public Response listBlends(@PathParam("key") UUID id, @Context UriInfo uri) {
        WineLot parent = service.find(id);
        PageRequest page = PageRequest.of(uri, Blend.class, BlendRepository.FILTERS, BlendService.INCLUDES);
        return page.response(blendService.listJoinedToWineLotByBlendComponent(parent.id(), page.page()),
                blendService::including);
    }

    @GET
    @Path("{key}/harvests")
    public Response listHarvests(@PathParam("key") UUID id, @Context UriInfo uri) {
        WineLot parent = service.find(id);
        PageRequest page = PageRequest.of(uri, Harvest.class, HarvestRepository.FILTERS, HarvestService.INCLUDES);
        return page.response(harvestService.listJoinedToWineLotByWineLotHarvest(parent.id(), page.page()),
                harvestService::including);
    }

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public Response replace(@PathParam("key") UUID id, WineLotInput input, @Context HttpHeaders headers) {
        return RowRequest.stored(service.replace(id, input, Precondition.of(headers)));
    }

    @PATCH
    @Path("{key}")
    @Consumes(MergePatch.MEDIA_TYPE)
    public Response patch(@PathParam("key") UUID id, ObjectNode patch, @Context HttpHeaders headers) {
        return RowRequest.stored(service.patch(id, patch, Precondition.of(headers)));
    }

    @DELETE
    @Path("{key}")
    public void delete(@PathParam("key") UUID id, @Context HttpHeaders headers) {
        service.delete(id, Precondition.of(headers));
    }
}
