package com.example.cellar.registration;

import com.example.cellar.controller.GrapeVarietyController;
import com.example.cellar.repository.GrapeVarietyRepository;
import com.example.cellar.service.GrapeVarietyService;
import com.example.cellar.service.ParcelService;
import com.example.cellar.support.Constraint;
import com.example.cellar.support.Registration;
import com.example.cellar.support.Services;
import java.util.List;
import java.util.Optional;

/** Adds grape varieties to the service. */
public final class GrapeVarietyRegistration implements Registration {
    @Override
    public Optional<String> collection() {
        return Optional.of("grape-varieties");
    }

    @Override
    public List<Constraint> constraints() {
        return GrapeVarietyRepository.CONSTRAINTS;
    }

    @Override
    public void addServices(Services services) {
        services.add(GrapeVarietyService.class,
                new GrapeVarietyService(services.transactions(), new GrapeVarietyRepository()));
    }

    @Override
    public Object controller(Services services) {
        return new GrapeVarietyController(services.get(GrapeVarietyService.class), services.get(ParcelService.class));
    }
}
