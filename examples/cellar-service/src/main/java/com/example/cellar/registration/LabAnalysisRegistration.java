package com.example.cellar.registration;

import com.example.cellar.controller.LabAnalysisController;
import com.example.cellar.repository.LabAnalysisRepository;
import com.example.cellar.service.LabAnalysisService;
import com.example.cellar.support.Constraint;
import com.example.cellar.support.Registration;
import com.example.cellar.support.Services;
import java.util.List;
import java.util.Optional;

/** Adds lab analyses to the service. */
public final class LabAnalysisRegistration implements Registration {
    @Override
    public Optional<String> collection() {
        return Optional.of("lab-analyses");
    }

    @Override
    public List<Constraint> constraints() {
        return LabAnalysisRepository.CONSTRAINTS;
    }

    @Override
    public void addServices(Services services) {
        services.add(LabAnalysisService.class,
                new LabAnalysisService(services.transactions(), new LabAnalysisRepository()));
    }

    @Override
    public Object controller(Services services) {
        return new LabAnalysisController(services.get(LabAnalysisService.class));
    }
}
