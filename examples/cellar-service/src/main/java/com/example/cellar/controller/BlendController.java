package com.example.cellar.controller;

import com.example.cellar.dto.BlendInput;
import com.example.cellar.entity.Blend;
import com.example.cellar.entity.BlendComponent;
import com.example.cellar.entity.BlendComponentKey;
import com.example.cellar.entity.Bottling;
import com.example.cellar.entity.WineLot;
import com.example.cellar.repository.BlendComponentRepository;
import com.example.cellar.repository.BlendRepository;
import com.example.cellar.repository.BottlingRepository;
import com.example.cellar.repository.WineLotRepository;
import com.example.cellar.service.BlendComponentService;
import com.example.cellar.service.BlendService;
import com.example.cellar.service.BottlingService;
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

/** The HTTP face of blends. */
@Path("blends")
@Produces(MediaType.APPLICATION_JSON)
public final class BlendController {
    private final BlendService service;
    private final BlendComponentService blendComponentService;
    private final BottlingService bottlingService;
    private final WineLotService wineLotService;

    public BlendController(BlendService service, BlendComponentService blendComponentService,
            BottlingService bottlingService, WineLotService wineLotService) {
        this.service = service;
        this.blendComponentService = blendComponentService;
        this.bottlingService = bottlingService;
        this.wineLotService = wineLotService;
    }

    @GET
    public Response list(@Context UriInfo uri) {
        PageRequest<Integer> page = PageRequest.of(uri, Integer.class, BlendRepository.FILTERS, BlendService.INCLUDES);
        return page.answer(service.list(page.page()), Blend::id, service::including);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(BlendInput input, @Context UriInfo uri) {
        Blend created = service.create(input);
        URI location = uri.getAbsolutePathBuilder().path("{key}").build(created.id());
        return Response.created(location).entity(created).build();
    }

    @GET
    @Path("{key}")
    public Object read(@PathParam("key") int id, @Context UriInfo uri) {
        List<String> included = BlendService.INCLUDES.asked(uri);
        Blend found = service.find(id);
        return included.isEmpty() ? found : service.including(included, List.of(found)).get(0);
    }

    @GET
    @Path("{key}/blend-components")
    public Response listBlendComponents(@PathParam("key") int id, @Context UriInfo uri) {
        Blend parent = service.find(id);
        PageRequest<BlendComponentKey> page
                = PageRequest.of(uri, BlendComponentKey.class, BlendComponentRepository.FILTERS,
                        BlendComponentService.INCLUDES);
        return page.answer(blendComponentService.listWhereBlendIdIs(parent.id(), page.page()),
                BlendComponent::primaryKey, blendComponentService::including);
    }

    @GET
    @Path("{key}/bottlings")
    public Response listBottlings(@PathParam("key") int id, @Context UriInfo uri) {
        Blend parent = service.find(id);
        PageRequest<Integer> page
                = PageRequest.of(uri, Integer.class, BottlingRepository.FILTERS, BottlingService.INCLUDES);
        return page.answer(bottlingService.listWhereBlendIdIs(parent.id(), page.page()), Bottling::id,
                bottlingService::including);
    }

    @GET
    @Path("{key}/wine-lots")
    public Response listWineLots(@PathParam("key") int id, @Context UriInfo uri) {
        Blend parent = service.find(id);
        PageRequest<UUID> page = PageRequest.of(uri, UUID.class, WineLotRepository.FILTERS, WineLotService.INCLUDES);
        return page.answer(wineLotService.listJoinedToBlendByBlendComponent(parent.id(), page.page()), WineLot::id,
                wineLotService::including);
    }

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public Blend replace(@PathParam("key") int id, BlendInput input) {
        return service.replace(id, input);
    }

    @PATCH
    @Path("{key}")
    @Consumes(MergePatch.MEDIA_TYPE)
    public Blend change(@PathParam("key") int id, ObjectNode patch) {
        return service.change(id, patch);
    }

    @DELETE
    @Path("{key}")
    public void delete(@PathParam("key") int id) {
        service.delete(id);
    }
}
