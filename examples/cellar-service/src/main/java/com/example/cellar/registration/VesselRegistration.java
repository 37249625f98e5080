package com.example.cellar.registration;

import com.example.cellar.controller.VesselController;
import com.example.cellar.repository.VesselRepository;
import com.example.cellar.service.VesselService;
import com.example.cellar.service.VesselTransferService;
import com.example.cellar.service.WineLotService;
import com.example.cellar.support.Constraint;
import com.example.cellar.support.Registration;
import com.example.cellar.support.Services;
import java.util.List;
import java.util.Optional;

/** Adds vessels to the service. */
public final class VesselRegistration implements Registration {
    @Override
    public Optional<String> collection() {
        return Optional.of("vessels");
    }

    @Override
    public List<Constraint> constraints() {
        return VesselRepository.CONSTRAINTS;
    }

    @Override
    public void addServices(Services services) {
        services.add(VesselService.class, new VesselService(services.transactions(), new VesselRepository()));
    }

    @Override
    public Object controller(Services services) {
        return new VesselController(services.get(VesselService.class), services.get(VesselTransferService.class),
                services.get(WineLotService.class));
    }
}
