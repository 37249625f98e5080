package com.example.cellar.registration;

import com.example.cellar.controller.BlendComponentController;
import com.example.cellar.repository.BlendComponentRepository;
import com.example.cellar.service.BlendComponentService;
import com.example.cellar.support.Constraint;
import com.example.cellar.support.Registration;
import com.example.cellar.support.Services;
import java.util.List;
import java.util.Optional;

/** Adds blend components to the service. */
public final class BlendComponentRegistration implements Registration {
    @Override
    public Optional<String> collection() {
        return Optional.of("blend-components");
    }

    @Override
    public List<Constraint> constraints() {
        return BlendComponentRepository.CONSTRAINTS;
    }

    @Override
    public void addServices(Services services) {
        services.add(BlendComponentService.class,
                new BlendComponentService(services.transactions(), new BlendComponentRepository()));
    }

    @Override
    public Object controller(Services services) {
        return new BlendComponentController(services.get(BlendComponentService.class));
    }
}
