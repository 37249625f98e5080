package com.example.cellar.controller;

import com.example.cellar.dto.LabAnalysisInput;
import com.example.cellar.entity.LabAnalysis;
import com.example.cellar.repository.LabAnalysisRepository;
import com.example.cellar.service.LabAnalysisService;
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

/** The HTTP face of lab analyses. */
@Path("lab-analyses")
@Produces(MediaType.APPLICATION_JSON)
public final class LabAnalysisController {
    private final LabAnalysisService service;

    public LabAnalysisController(LabAnalysisService service) {
        this.service = service;
    }

    @GET
    public Response list(@Context UriInfo uri) {
        PageRequest<Long> page
                = PageRequest.of(uri, Long.class, LabAnalysisRepository.FILTERS, LabAnalysisService.INCLUDES);
        return page.answer(service.list(page.page()), LabAnalysis::id, service::including);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(LabAnalysisInput input, @Context UriInfo uri) {
        LabAnalysis created = service.create(input);
        URI location = uri.getAbsolutePathBuilder().path("{key}").build(created.id());
        return Response.created(location).entity(created).build();
    }

    @GET
    @Path("{key}")
    public Object read(@PathParam("key") long id, @Context UriInfo uri) {
        List<String> included = LabAnalysisService.INCLUDES.asked(uri);
        LabAnalysis found = service.find(id);
        return included.isEmpty() ? found : service.including(included, List.of(found)).get(0);
    }

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public LabAnalysis replace(@PathParam("key") long id, LabAnalysisInput input) {
        return service.replace(id, input);
    }

    @PATCH
    @Path("{key}")
    @Consumes(MergePatch.MEDIA_TYPE)
    public LabAnalysis change(@PathParam("key") long id, ObjectNode patch) {
        return service.change(id, patch);
    }

    @DELETE
    @Path("{key}")
    public void delete(@PathParam("key") long id) {
        service.delete(id);
    }
}
