package com.example.cellar.controller;

import com.example.cellar.dto.VesselTransferInput;
import com.example.cellar.entity.VesselTransfer;
import com.example.cellar.repository.VesselTransferRepository;
import com.example.cellar.service.VesselTransferService;
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

/** The HTTP face of vessel transfers. */
@Path("vessel-transfers")
@Produces(MediaType.APPLICATION_JSON)
public final class VesselTransferController {
    private final VesselTransferService service;

    public VesselTransferController(VesselTransferService service) {
        this.service = service;
    }

    @GET
    public Response list(@Context UriInfo uri) {
        PageRequest<Long> page
                = PageRequest.of(uri, Long.class, VesselTransferRepository.FILTERS, VesselTransferService.INCLUDES);
        return page.answer(service.list(page.page()), VesselTransfer::id, service::including);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(VesselTransferInput input, @Context UriInfo uri) {
        VesselTransfer created = service.create(input);
        URI location = uri.getAbsolutePathBuilder().path("{key}").build(created.id());
        return Response.created(location).entity(created).build();
    }

    @GET
    @Path("{key}")
    public Object read(@PathParam("key") long id, @Context UriInfo uri) {
        List<String> included = VesselTransferService.INCLUDES.asked(uri);
        VesselTransfer found = service.find(id);
        return included.isEmpty() ? found : service.including(included, List.of(found)).get(0);
    }

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public VesselTransfer replace(@PathParam("key") long id, VesselTransferInput input) {
        return service.replace(id, input);
    }

    @PATCH
    @Path("{key}")
    @Consumes(MergePatch.MEDIA_TYPE)
    public VesselTransfer change(@PathParam("key") long id, ObjectNode patch) {
        return service.change(id, patch);
    }

    @DELETE
    @Path("{key}")
    public void delete(@PathParam("key") long id) {
        service.delete(id);
    }
}
