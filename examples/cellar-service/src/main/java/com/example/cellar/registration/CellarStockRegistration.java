package com.example.cellar.registration;

import com.example.cellar.controller.CellarStockController;
import com.example.cellar.repository.CellarStockRepository;
import com.example.cellar.service.CellarStockService;
import com.example.cellar.support.Registration;
import com.example.cellar.support.Services;
import java.util.Optional;

/** Adds cellar stock to the service. */
public final class CellarStockRegistration implements Registration {
    @Override
    public Optional<String> collection() {
        return Optional.of("cellar-stock");
    }

    @Override
    public void addServices(Services services) {
        services.add(CellarStockService.class,
                new CellarStockService(services.transactions(), new CellarStockRepository()));
    }

    @Override
    public Object controller(Services services) {
        return new CellarStockController(services.get(CellarStockService.class));
    }
}
