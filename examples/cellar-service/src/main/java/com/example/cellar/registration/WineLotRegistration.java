package com.example.cellar.registration;

import com.example.cellar.controller.WineLotController;
import com.example.cellar.repository.WineLotRepository;
import com.example.cellar.service.BlendComponentService;
import com.example.cellar.service.BlendService;
import com.example.cellar.service.HarvestService;
import com.example.cellar.service.LabAnalysisService;
import com.example.cellar.service.WineLotHarvestService;
import com.example.cellar.service.WineLotService;
import com.example.cellar.support.Constraint;
import com.example.cellar.support.Registration;
import com.example.cellar.support.Services;
import java.util.List;
import java.util.Optional;

/** Adds wine lots to the service. */
public final class WineLotRegistration implements Registration {
    @Override
    public Optional<String> collection() {
        return Optional.of("wine-lots");
    }

    @Override
    public List<Constraint> constraints() {
        return WineLotRepository.CONSTRAINTS;
    }

    @Override
    public void addServices(Services services) {
        services.add(WineLotService.class, new WineLotService(services.transactions(), new WineLotRepository()));
    }

    @Override
    public Object controller(Services services) {
        return new WineLotController(services.get(WineLotService.class), services.get(BlendComponentService.class),
                services.get(LabAnalysisService.class), services.get(WineLotHarvestService.class),
                        services.get(BlendService.class), services.get(HarvestService.class));
    }
}
