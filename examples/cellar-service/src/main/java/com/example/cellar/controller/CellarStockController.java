package com.example.cellar.controller;

import com.example.cellar.entity.CellarStock;
import com.example.cellar.repository.CellarStockRepository;
import com.example.cellar.service.CellarStockService;
import com.example.cellar.support.Includes;
import com.example.cellar.support.PageRequest;
import jakarta.ws.rs.GET;
import jakarta.ws.rs.Path;
import jakarta.ws.rs.Produces;
import jakarta.ws.rs.core.Context;
import jakarta.ws.rs.core.MediaType;
import jakarta.ws.rs.core.Response;
import jakarta.ws.rs.core.UriInfo;

/** The HTTP face of cellar stock. */
@Path("cellar-stock")
@Produces(MediaType.APPLICATION_JSON)
public final class CellarStockController {
    private final CellarStockService service;

    public CellarStockController(CellarStockService service) {
        this.service = service;
    }

    @GET
    public Response list(@Context UriInfo uri) {
        PageRequest page = PageRequest.of(uri, CellarStock.class, CellarStockRepository.FILTERS, Includes.none());
        return page.response(service.list(page.page()), Includes::nothing);
    }
}
