package com.example.cellar.registration;

import com.example.cellar.controller.CellarHandController;
import com.example.cellar.repository.CellarHandRepository;
import com.example.cellar.service.BlendService;
import com.example.cellar.service.CellarHandService;
import com.example.cellar.service.CellarLogService;
import com.example.cellar.service.HarvestService;
import com.example.cellar.service.VesselTransferService;
import com.example.cellar.support.Constraint;
import com.example.cellar.support.Registration;
import com.example.cellar.support.Services;
import java.util.List;
import java.util.Optional;

/** Adds cellar hands to the service. */
public final class CellarHandRegistration implements Registration {
    @Override
    public Optional<String> collection() {
        return Optional.of("cellar-hands");
    }

    @Override
    public List<Constraint> constraints() {
        return CellarHandRepository.CONSTRAINTS;
    }

    @Override
    public void addServices(Services services) {
        services.add(CellarHandService.class,
                new CellarHandService(services.transactions(), new CellarHandRepository()));
    }

    @Override
    public Object controller(Services services) {
        return new CellarHandController(services.get(CellarHandService.class), services.get(BlendService.class),
                services.get(CellarLogService.class), services.get(HarvestService.class),
                        services.get(VesselTransferService.class));
    }
}
