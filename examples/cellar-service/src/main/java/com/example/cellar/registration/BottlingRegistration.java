package com.example.cellar.registration;

import com.example.cellar.controller.BottlingController;
import com.example.cellar.repository.BottlingRepository;
import com.example.cellar.service.BottlingService;
import com.example.cellar.support.Constraint;
import com.example.cellar.support.Registration;
import com.example.cellar.support.Services;
import java.util.List;
import java.util.Optional;

/** Adds bottlings to the service. */
public final class BottlingRegistration implements Registration {
    @Override
    public Optional<String> collection() {
        return Optional.of("bottlings");
    }

    @Override
    public List<Constraint> constraints() {
        return BottlingRepository.CONSTRAINTS;
    }

    @Override
    public void addServices(Services services) {
        services.add(BottlingService.class, new BottlingService(services.transactions(), new BottlingRepository()));
    }

    @Override
    public Object controller(Services services) {
        return new BottlingController(services.get(BottlingService.class));
    }
}
