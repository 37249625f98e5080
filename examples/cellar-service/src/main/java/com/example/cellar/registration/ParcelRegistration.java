package com.example.cellar.registration;

import com.example.cellar.controller.ParcelController;
import com.example.cellar.repository.ParcelRepository;
import com.example.cellar.service.HarvestService;
import com.example.cellar.service.ParcelService;
import com.example.cellar.support.Constraint;
import com.example.cellar.support.Registration;
import com.example.cellar.support.Services;
import java.util.List;
import java.util.Optional;

/** Adds parcels to the service. */
public final class ParcelRegistration implements Registration {
    @Override
    public Optional<String> collection() {
        return Optional.of("parcels");
    }

    @Override
    public List<Constraint> constraints() {
        return ParcelRepository.CONSTRAINTS;
    }

    @Override
    public void addServices(Services services) {
        services.add(ParcelService.class, new ParcelService(services.transactions(), new ParcelRepository()));
    }

    @Override
    public Object controller(Services services) {
        return new ParcelController(services.get(ParcelService.class), services.get(HarvestService.class));
    }
}
