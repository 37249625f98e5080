package com.example.cellar.controller;

import com.example.cellar.dto.WineLotHarvestInput;
import com.example.cellar.entity.WineLotHarvest;
import com.example.cellar.entity.WineLotHarvestKey;
import com.example.cellar.repository.WineLotHarvestRepository;
import com.example.cellar.service.WineLotHarvestService;
import com.example.cellar.support.PageRequest;
import jakarta.ws.rs.Consumes;
import jakarta.ws.rs.DELETE;
import jakarta.ws.rs.Encoded;
import jakarta.ws.rs.GET;
import jakarta.ws.rs.POST;
import jakarta.ws.rs.Path;
import jakarta.ws.rs.PathParam;
import jakarta.ws.rs.Produces;
import jakarta.ws.rs.core.Context;
import jakarta.ws.rs.core.MediaType;
import jakarta.ws.rs.core.Response;
import jakarta.ws.rs.core.UriInfo;
import java.net.URI;
import java.util.List;

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
        PageRequest<WineLotHarvestKey> page
                = PageRequest.of(uri, WineLotHarvestKey.class, WineLotHarvestRepository.FILTERS,
                        WineLotHarvestService.INCLUDES);
        return page.answer(service.list(page.page()), WineLotHarvest::primaryKey, service::including);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(WineLotHarvestInput input, @Context UriInfo uri) {
        WineLotHarvest created = service.create(input);
        URI location = uri.getAbsolutePathBuilder().path("{key}").buildFromEncoded(created.primaryKey().segment());
        return Response.created(location).entity(created).build();
    }

    @GET
    @Path("{key}")
    public Object read(@Encoded @PathParam("key") WineLotHarvestKey key, @Context UriInfo uri) {
        List<String> included = WineLotHarvestService.INCLUDES.asked(uri);
        WineLotHarvest found = service.find(key);
        return included.isEmpty() ? found : service.including(included, List.of(found)).get(0);
    }

    @DELETE
    @Path("{key}")
    public void delete(@Encoded @PathParam("key") WineLotHarvestKey key) {
        service.delete(key);
    }
}
