package com.example.cellar.registration;

import com.example.cellar.controller.VesselTransferController;
import com.example.cellar.repository.VesselTransferRepository;
import com.example.cellar.service.VesselTransferService;
import com.example.cellar.support.Constraint;
import com.example.cellar.support.Registration;
import com.example.cellar.support.Services;
import java.util.List;
import java.util.Optional;

/** Adds vessel transfers to the service. */
public final class VesselTransferRegistration implements Registration {
    @Override
    public Optional<String> collection() {
        return Optional.of("vessel-transfers");
    }

    @Override
    public List<Constraint> constraints() {
        return VesselTransferRepository.CONSTRAINTS;
    }

    @Override
    public void addServices(Services services) {
        services.add(VesselTransferService.class,
                new VesselTransferService(services.transactions(), new VesselTransferRepository()));
    }

    @Override
    public Object controller(Services services) {
        return new VesselTransferController(services.get(VesselTransferService.class));
    }
}
