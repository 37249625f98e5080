package com.example.cellar.controller;

import com.example.cellar.dto.WineLotInput;
import com.example.cellar.entity.Blend;
import com.example.cellar.entity.BlendComponent;
import com.example.cellar.entity.BlendComponentKey;
import com.example.cellar.entity.Harvest;
import com.example.cellar.entity.LabAnalysis;
import com.example.cellar.entity.WineLot;
import com.example.cellar.entity.WineLotHarvest;
import com.example.cellar.entity.WineLotHarvestKey;
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
        PageRequest<UUID> page = PageRequest.of(uri, UUID.class, WineLotRepository.FILTERS, WineLotService.INCLUDES);
        return page.answer(service.list(page.page()), WineLot::id, service::including);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(WineLotInput input, @Context UriInfo uri) {
        WineLot created = service.create(input);
        URI location = uri.getAbsolutePathBuilder().path("{key}").build(created.id());
        return Response.created(location).entity(created).build();
    }

    @GET
    @Path("{key}")
    public Object read(@PathParam("key") UUID id, @Context UriInfo uri) {
        List<String> included = WineLotService.INCLUDES.asked(uri);
        WineLot found = service.find(id);
        return included.isEmpty() ? found : service.including(included, List.of(found)).get(0);
    }

    @GET
    @Path("{key}/blend-components")
    public Response listBlendComponents(@PathParam("key") UUID id, @Context UriInfo uri) {
        WineLot parent = service.find(id);
        PageRequest<BlendComponentKey> page
                = PageRequest.of(uri, BlendComponentKey.class, BlendComponentRepository.FILTERS,
                        BlendComponentService.INCLUDES);
        return page.answer(blendComponentService.listWhereWineLotIdIs(parent.id(), page.page()),
                BlendComponent::primaryKey, blendComponentService::including);
    }

    @GET
    @Path("{key}/lab-analyses")
    public Response listLabAnalyses(@PathParam("key") UUID id, @Context UriInfo uri) {
        WineLot parent = service.find(id);
        PageRequest<Long> page
                = PageRequest.of(uri, Long.class, LabAnalysisRepository.FILTERS, LabAnalysisService.INCLUDES);
        return page.answer(labAnalysisService.listWhereWineLotIdIs(parent.id(), page.page()), LabAnalysis::id,
                labAnalysisService::including);
    }

    @GET
    @Path("{key}/wine-lot-harvests")
    public Response listWineLotHarvests(@PathParam("key") UUID id, @Context UriInfo uri) {
        WineLot parent = service.find(id);
        PageRequest<WineLotHarvestKey> page
                = PageRequest.of(uri, WineLotHarvestKey.class, WineLotHarvestRepository.FILTERS,
                        WineLotHarvestService.INCLUDES);
        return page.answer(wineLotHarvestService.listWhereWineLotIdIs(parent.id(), page.page()),
                WineLotHarvest::primaryKey, wineLotHarvestService::including);
    }

    @GET
    @Path("{key}/blends")
    public Response listBlends(@PathParam("key") UUID id, @Context UriInfo uri) {
        WineLot parent = service.find(id);
        PageRequest<Integer> page = PageRequest.of(uri, Integer.class, BlendRepository.FILTERS, BlendService.INCLUDES);
        return page.answer(blendService.listJoinedToWineLotByBlendComponent(parent.id(), page.page()), Blend::id,
                blendService::including);
    }

    @GET
    @Path("{key}/harvests")
    public Response listHarvests(@PathParam("key") UUID id, @Context UriInfo uri) {
        WineLot parent = service.find(id);
        PageRequest<Long> page = PageRequest.of(uri, Long.class, HarvestRepository.FILTERS, HarvestService.INCLUDES);
        return page.answer(harvestService.listJoinedToWineLotByWineLotHarvest(parent.id(), page.page()), Harvest::id,
                harvestService::including);
    }

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public WineLot replace(@PathParam("key") UUID id, WineLotInput input) {
        return service.replace(id, input);
    }

    @PATCH
    @Path("{key}")
    @Consumes(MergePatch.MEDIA_TYPE)
    public WineLot change(@PathParam("key") UUID id, ObjectNode patch) {
        return service.change(id, patch);
    }

    @DELETE
    @Path("{key}")
    public void delete(@PathParam("key") UUID id) {
        service.delete(id);
    }
}
