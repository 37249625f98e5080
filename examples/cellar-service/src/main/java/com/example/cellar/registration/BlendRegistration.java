package com.example.cellar.registration;

import com.example.cellar.controller.BlendController;
import com.example.cellar.repository.BlendRepository;
import com.example.cellar.service.BlendComponentService;
import com.example.cellar.service.BlendService;
import com.example.cellar.service.BottlingService;
import com.example.cellar.service.WineLotService;
import com.example.cellar.support.Constraint;
import com.example.cellar.support.Registration;
import com.example.cellar.support.Services;
import java.util.List;
import java.util.Optional;

/** Adds blends to the service. */
public final class BlendRegistration implements Registration {
    @Override
    public Optional<String> collection() {
        return Optional.of("blends");
    }

    @Override
    public List<Constraint> constraints() {
        return BlendRepository.CONSTRAINTS;
    }

    @Override
    public void addServices(Services services) {
        services.add(BlendService.class, new BlendService(services.transactions(), new BlendRepository()));
    }

    @Override
    public Object controller(Services services) {
        return new BlendController(services.get(BlendService.class), services.get(BlendComponentService.class),
                services.get(BottlingService.class), services.get(WineLotService.class));
    }
}
