package com.example.cellar.registration;

import com.example.cellar.controller.WineLotHarvestController;
import com.example.cellar.repository.WineLotHarvestRepository;
import com.example.cellar.service.WineLotHarvestService;
import com.example.cellar.support.Constraint;
import com.example.cellar.support.Registration;
import com.example.cellar.support.Services;
import java.util.List;
import java.util.Optional;

/** Adds wine lot harvests to the service. */
public final class WineLotHarvestRegistration implements Registration {
    @Override
    public Optional<String> collection() {
        return Optional.of("wine-lot-harvests");
    }

    @Override
    public List<Constraint> constraints() {
        return WineLotHarvestRepository.CONSTRAINTS;
    }

    @Override
    public void addServices(Services services) {
        services.add(WineLotHarvestService.class,
                new WineLotHarvestService(services.transactions(), new WineLotHarvestRepository()));
    }

    @Override
    public Object controller(Services services) {
        return new WineLotHarvestController(services.get(WineLotHarvestService.class));
    }
}
