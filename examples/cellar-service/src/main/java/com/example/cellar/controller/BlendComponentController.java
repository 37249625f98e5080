package com.example.cellar.controller;

import com.example.cellar.dto.BlendComponentInput;
import com.example.cellar.entity.BlendComponent;
import com.example.cellar.entity.BlendComponentKey;
import com.example.cellar.repository.BlendComponentRepository;
import com.example.cellar.service.BlendComponentService;
import com.example.cellar.support.MergePatch;
import com.example.cellar.support.OneOrMany;
import com.example.cellar.support.PageRequest;
import com.example.cellar.support.Precondition;
import com.example.cellar.support.RowRequest;
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
import jakarta.ws.rs.core.HttpHeaders;
import jakarta.ws.rs.core.MediaType;
import jakarta.ws.rs.core.Response;
import jakarta.ws.rs.core.UriInfo;

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
        PageRequest page
                = PageRequest.of(uri, BlendComponent.class, BlendComponentRepository.FILTERS,
                        BlendComponentService.INCLUDES);
        return page.response(service.list(page.page()), service::including);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(OneOrMany<BlendComponentInput> body, @Context UriInfo uri) {
        if (body.isMany()) {
            return Response.status(Response.Status.CREATED).entity(service.createAll(body.all())).build();
        }
        BlendComponent created = service.create(body.one());
        return RowRequest.created(uri, created.primaryKey().toString(), created);
    }

    @GET
    @Path("{key}")
    public Response read(@Encoded @PathParam("key") BlendComponentKey key, @Context UriInfo uri,
            @Context HttpHeaders headers) {
        RowRequest wanted = RowRequest.of(uri, headers, BlendComponent.class, BlendComponentService.INCLUDES);
        return wanted.response(service.find(key), service::including);
    }

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public Response replace(@Encoded @PathParam("key") BlendComponentKey key, BlendComponentInput input,
            @Context HttpHeaders headers) {
        return RowRequest.stored(service.replace(key, input, Precondition.of(headers)));
    }

    @PATCH
    @Path("{key}")
    @Consumes(MergePatch.MEDIA_TYPE)
    public Response patch(@Encoded @PathParam("key") BlendComponentKey key, ObjectNode patch,
            @Context HttpHeaders headers) {
        return RowRequest.stored(service.patch(key, patch, Precondition.of(headers)));
    }

    @DELETE
    @Path("{key}")
    public void delete(@Encoded @PathParam("key") BlendComponentKey key, @Context HttpHeaders headers) {
        service.delete(key, Precondition.of(headers));
    }
}
