package com.example.cellar.registration;

import com.example.cellar.controller.LabelController;
import com.example.cellar.repository.LabelRepository;
import com.example.cellar.service.BottlingService;
import com.example.cellar.service.LabelService;
import com.example.cellar.support.Constraint;
import com.example.cellar.support.Registration;
import com.example.cellar.support.Services;
import java.util.List;
import java.util.Optional;

/** Adds labels to the service. */
public final class LabelRegistration implements Registration {
    @Override
    public Optional<String> collection() {
        return Optional.of("labels");
    }

    @Override
    public List<Constraint> constraints() {
        return LabelRepository.CONSTRAINTS;
    }

    @Override
    public void addServices(Services services) {
        services.add(LabelService.class, new LabelService(services.transactions(), new LabelRepository()));
    }

    @Override
    public Object controller(Services services) {
        return new LabelController(services.get(LabelService.class), services.get(BottlingService.class));
    }
}
