package com.example.cellar.controller;

import com.example.cellar.dto.CellarLogInput;
import com.example.cellar.entity.CellarLog;
import com.example.cellar.repository.CellarLogRepository;
import com.example.cellar.service.CellarLogService;
import com.example.cellar.support.OneOrMany;
import com.example.cellar.support.PageRequest;
import jakarta.ws.rs.Consumes;
import jakarta.ws.rs.GET;
import jakarta.ws.rs.POST;
import jakarta.ws.rs.Path;
import jakarta.ws.rs.Produces;
import jakarta.ws.rs.core.Context;
import jakarta.ws.rs.core.MediaType;
import jakarta.ws.rs.core.Response;
import jakarta.ws.rs.core.UriInfo;

/** The HTTP face of cellar logs. */
@Path("cellar-logs")
@Produces(MediaType.APPLICATION_JSON)
public final class CellarLogController {
    private final CellarLogService service;

    public CellarLogController(CellarLogService service) {
        this.service = service;
    }

    @GET
    public Response list(@Context UriInfo uri) {
        PageRequest page = PageRequest.of(uri, CellarLog.class, CellarLogRepository.FILTERS, CellarLogService.INCLUDES);
        return page.response(service.list(page.page()), service::including);
    }

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(OneOrMany<CellarLogInput> body, @Context UriInfo uri) {
        if (body.isMany()) {
            return Response.status(Response.Status.CREATED).entity(service.createAll(body.all())).build();
        }
        CellarLog created = service.create(body.one());
        return Response.status(Response.Status.CREATED).entity(created).build();
    }
}
