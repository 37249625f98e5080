package com.example.cellar.registration;

import com.example.cellar.controller.CellarLogController;
import com.example.cellar.repository.CellarLogRepository;
import com.example.cellar.service.CellarLogService;
import com.example.cellar.support.Constraint;
import com.example.cellar.support.Registration;
import com.example.cellar.support.Services;
import java.util.List;
import java.util.Optional;

/** Adds cellar logs to the service. */
public final class CellarLogRegistration implements Registration {
    @Override
    public Optional<String> collection() {
        return Optional.of("cellar-logs");
    }

    @Override
    public List<Constraint> constraints() {
        return CellarLogRepository.CONSTRAINTS;
    }

    @Override
    public void addServices(Services services) {
        services.add(CellarLogService.class, new CellarLogService(services.transactions(), new CellarLogRepository()));
    }

    @Override
    public Object controller(Services services) {
        return new CellarLogController(services.get(CellarLogService.class));
    }
}
