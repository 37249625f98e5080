package com.example.cellar.controller;

import com.example.cellar.dto.WineLotHarvestInput;
import com.example.cellar.entity.WineLotHarvest;
import com.example.cellar.entity.WineLotHarvestKey;
import com.example.cellar.repository.WineLotHarvestRepository;
import com.example.cellar.service.WineLotHarvestService;
import com.example.cellar.support.OneOrMany;
import com.example.cellar.support.PageRequest;
import com.example.cellar.support.Precondition;
import com.example.cellar.support.RowRequest;
import jakarta.ws.rs.Consumes;
import jakarta.ws.rs.DELETE;
import jakarta.ws.rs.Encoded;
import jakarta.ws.rs.GET;
import jakarta.ws.rs.POST;
import jakarta.ws.rs.Path;
import jakarta.ws.rs.PathParam;
import jakarta.ws.rs.Produces;
import jakarta.ws.rs.core.Context;
import jakarta.ws.rs.core.HttpHeaders;
import jakarta.ws.rs.core.MediaType;
import jakarta.ws.rs.core.Response;
import jakarta.ws.rs.core.UriInfo;

/** The HTTP face of wine lot harvests. */
@Path("wine-lot-harvests")
@Produces(MediaType.APPLICATION_JSON)
public final class WineLotHarvestController {
    private final WineLotHarvestService service;

    public WineLotHarvestController(WineLotHarvestService service) {
        this.service = service;
    }

    @GET
    public Response list(@Context UriInfo uri) {
        PageRequest page
                = PageRequest.of(uri, WineLotHarvest.class, WineLotHarvestRepository.FILTERS,
                        WineLotHarvestService.INCLUDES);
        return page.response(service.list(page.page()), service::including);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(OneOrMany<WineLotHarvestInput> body, @Context UriInfo uri) {
        if (body.isMany()) {
            return Response.status(Response.Status.CREATED).entity(service.createAll(body.all())).build();
        }
        WineLotHarvest created = service.create(body.one());
        return RowRequest.created(uri, created.primaryKey().toString(), created);
    }

    @GET
    @Path("{key}")
    public Response read(@Encoded @PathParam("key") WineLotHarvestKey key, @Context UriInfo uri,
            @Context HttpHeaders headers) {
        RowRequest wanted = RowRequest.of(uri, headers, WineLotHarvest.class, WineLotHarvestService.INCLUDES);
        return wanted.response(service.find(key), service::including);
    }

    @DELETE
    @Path("{key}")
    public void delete(@Encoded @PathParam("key") WineLotHarvestKey key, @Context HttpHeaders headers) {
        service.delete(key, Precondition.of(headers));
    }
}
