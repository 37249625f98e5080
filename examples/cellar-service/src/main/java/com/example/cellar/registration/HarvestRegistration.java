package com.example.cellar.registration;

import com.example.cellar.controller.HarvestController;
import com.example.cellar.repository.HarvestRepository;
import com.example.cellar.service.HarvestService;
import com.example.cellar.service.WineLotHarvestService;
import com.example.cellar.service.WineLotService;
import com.example.cellar.support.Constraint;
import com.example.cellar.support.Registration;
import com.example.cellar.support.Services;
import java.util.List;
import java.util.Optional;

/** Adds harvests to the service. */
public final class HarvestRegistration implements Registration {
    @Override
    public Optional<String> collection() {
        return Optional.of("harvests");
    }

    @Override
    public List<Constraint> constraints() {
        return HarvestRepository.CONSTRAINTS;
    }

    @Override
    public void addServices(Services services) {
        services.add(HarvestService.class, new HarvestService(services.transactions(), new HarvestRepository()));
    }

    @Override
    public Object controller(Services services) {
        return new HarvestController(services.get(HarvestService.class), services.get(WineLotHarvestService.class),
                services.get(WineLotService.class));
    }
}
