package com.example.cellar.controller;

import com.example.cellar.dto.BlendComponentInput;
import com.example.cellar.entity.BlendComponent;
import com.example.cellar.entity.BlendComponentKey;
import com.example.cellar.repository.BlendComponentRepository;
import com.example.cellar.service.BlendComponentService;
import com.example.cellar.support.MergePatch;
import com.example.cellar.support.PageRequest;
import com.fasterxml.jackson.databind.node.ObjectNode;
import jakarta.ws.rs.Consumes;
import jakarta.ws.rs.DELETE;
import jakarta.ws.rs.Encoded;
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

/** The HTTP face of blend components. */
@Path("blend-components")
@Produces(MediaType.APPLICATION_JSON)
public final class BlendComponentController {
    private final BlendComponentService service;

    public BlendComponentController(BlendComponentService service) {
        this.service = service;
    }

    @GET
    public Response list(@Context UriInfo uri) {
        PageRequest<BlendComponentKey> page
                = PageRequest.of(uri, BlendComponentKey.class, BlendComponentRepository.FILTERS,
                        BlendComponentService.INCLUDES);
        return page.answer(service.list(page.page()), BlendComponent::primaryKey, service::including);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(BlendComponentInput input, @Context UriInfo uri) {
        BlendComponent created = service.create(input);
        URI location = uri.getAbsolutePathBuilder().path("{key}").buildFromEncoded(created.primaryKey().segment());
        return Response.created(location).entity(created).build();
    }

    @GET
    @Path("{key}")
    public Object read(@Encoded @PathParam("key") BlendComponentKey key, @Context UriInfo uri) {
        List<String> included = BlendComponentService.INCLUDES.asked(uri);
        BlendComponent found = service.find(key);
        return included.isEmpty() ? found : service.including(included, List.of(found)).get(0);
    }

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public BlendComponent replace(@Encoded @PathParam("key") BlendComponentKey key, BlendComponentInput input) {
        return service.replace(key, input);
    }

    @PATCH
    @Path("{key}")
    @Consumes(MergePatch.MEDIA_TYPE)
    public BlendComponent change(@Encoded @PathParam("key") BlendComponentKey key, ObjectNode patch) {
        return service.change(key, patch);
    }

    @DELETE
    @Path("{key}")
    public void delete(@Encoded @PathParam("key") BlendComponentKey key) {
        service.delete(key);
    }
}
