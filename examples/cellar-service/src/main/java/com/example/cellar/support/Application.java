package com.example.cellar.support;

import com.example.cellar.controller.BlendComponentController;
import com.example.cellar.controller.BlendController;
import com.example.cellar.controller.BottlingController;
import com.example.cellar.controller.CellarHandController;
import com.example.cellar.controller.CellarLogController;
import com.example.cellar.controller.CellarStockController;
import com.example.cellar.controller.GrapeVarietyController;
import com.example.cellar.controller.HarvestController;
import com.example.cellar.controller.LabAnalysisController;
import com.example.cellar.controller.LabelController;
import com.example.cellar.controller.ParcelController;
import com.example.cellar.controller.VesselController;
import com.example.cellar.controller.VesselTransferController;
import com.example.cellar.controller.WineLotController;
import com.example.cellar.controller.WineLotHarvestController;
import com.example.cellar.repository.BlendComponentRepository;
import com.example.cellar.repository.BlendRepository;
import com.example.cellar.repository.BottlingRepository;
import com.example.cellar.repository.CellarHandRepository;
import com.example.cellar.repository.CellarLogRepository;
import com.example.cellar.repository.CellarStockRepository;
import com.example.cellar.repository.GrapeVarietyRepository;
import com.example.cellar.repository.HarvestRepository;
import com.example.cellar.repository.LabAnalysisRepository;
import com.example.cellar.repository.LabelRepository;
import com.example.cellar.repository.ParcelRepository;
import com.example.cellar.repository.VesselRepository;
import com.example.cellar.repository.VesselTransferRepository;
import com.example.cellar.repository.WineLotHarvestRepository;
import com.example.cellar.repository.WineLotRepository;
import com.example.cellar.service.BlendComponentService;
import com.example.cellar.service.BlendService;
import com.example.cellar.service.BottlingService;
import com.example.cellar.service.CellarHandService;
import com.example.cellar.service.CellarLogService;
import com.example.cellar.service.CellarStockService;
import com.example.cellar.service.GrapeVarietyService;
import com.example.cellar.service.HarvestService;
import com.example.cellar.service.LabAnalysisService;
import com.example.cellar.service.LabelService;
import com.example.cellar.service.ParcelService;
import com.example.cellar.service.VesselService;
import com.example.cellar.service.VesselTransferService;
import com.example.cellar.service.WineLotHarvestService;
import com.example.cellar.service.WineLotService;
import java.util.List;
import java.util.concurrent.Semaphore;
import javax.sql.DataSource;

/** The parts of the service, put together. */
public final class Application {
    private final List<Object> controllers;
    private final Settings settings;

    /**
     * The service on a database.
     *
     * @param readiness gives connections to see whether the database answers, however busy the others are
     * @param settings for HTTP
     */
    public Application(DataSource dataSource, DataSource readiness, Settings settings) {
        this.settings = settings;
        SqlErrors errors = new SqlErrors(List.of(
                BlendRepository.CONSTRAINTS,
                BlendComponentRepository.CONSTRAINTS,
                BottlingRepository.CONSTRAINTS,
                CellarHandRepository.CONSTRAINTS,
                CellarLogRepository.CONSTRAINTS,
                GrapeVarietyRepository.CONSTRAINTS,
                HarvestRepository.CONSTRAINTS,
                LabelRepository.CONSTRAINTS,
                LabAnalysisRepository.CONSTRAINTS,
                ParcelRepository.CONSTRAINTS,
                VesselRepository.CONSTRAINTS,
                VesselTransferRepository.CONSTRAINTS,
                WineLotRepository.CONSTRAINTS,
                WineLotHarvestRepository.CONSTRAINTS));

        Transactions transactions
                = new Transactions(dataSource, errors, new Semaphore(settings.database().mostScans()));
        BlendService blendService = new BlendService(transactions, new BlendRepository());
        BlendComponentService blendComponentService
                = new BlendComponentService(transactions, new BlendComponentRepository());
        BottlingService bottlingService = new BottlingService(transactions, new BottlingRepository());
        CellarHandService cellarHandService = new CellarHandService(transactions, new CellarHandRepository());
        CellarLogService cellarLogService = new CellarLogService(transactions, new CellarLogRepository());
        CellarStockService cellarStockService = new CellarStockService(transactions, new CellarStockRepository());
        GrapeVarietyService grapeVarietyService = new GrapeVarietyService(transactions, new GrapeVarietyRepository());
        HarvestService harvestService = new HarvestService(transactions, new HarvestRepository());
        LabelService labelService = new LabelService(transactions, new LabelRepository());
        LabAnalysisService labAnalysisService = new LabAnalysisService(transactions, new LabAnalysisRepository());
        ParcelService parcelService = new ParcelService(transactions, new ParcelRepository());
        VesselService vesselService = new VesselService(transactions, new VesselRepository());
        VesselTransferService vesselTransferService
                = new VesselTransferService(transactions, new VesselTransferRepository());
        WineLotService wineLotService = new WineLotService(transactions, new WineLotRepository());
        WineLotHarvestService wineLotHarvestService
                = new WineLotHarvestService(transactions, new WineLotHarvestRepository());
        controllers = List.of(
                new EntryPoint(List.of(
                        "blends",
                        "blend-components",
                        "bottlings",
                        "cellar-hands",
                        "cellar-logs",
                        "cellar-stock",
                        "grape-varieties",
                        "harvests",
                        "labels",
                        "lab-analyses",
                        "parcels",
                        "vessels",
                        "vessel-transfers",
                        "wine-lots",
                        "wine-lot-harvests")),
                new Health(readiness),
                new OpenApi(settings.http().basePath()),
                new BlendController(blendService, blendComponentService, bottlingService, wineLotService),
                new BlendComponentController(blendComponentService),
                new BottlingController(bottlingService),
                new CellarHandController(cellarHandService, blendService, cellarLogService, harvestService,
                        vesselTransferService),
                new CellarLogController(cellarLogService),
                new CellarStockController(cellarStockService),
                new GrapeVarietyController(grapeVarietyService, parcelService),
                new HarvestController(harvestService, wineLotHarvestService, wineLotService),
                new LabelController(labelService, bottlingService),
                new LabAnalysisController(labAnalysisService),
                new ParcelController(parcelService, harvestService),
                new VesselController(vesselService, vesselTransferService, wineLotService),
                new VesselTransferController(vesselTransferService),
                new WineLotController(wineLotService, blendComponentService, labAnalysisService, wineLotHarvestService,
                        blendService, harvestService),
                new WineLotHarvestController(wineLotHarvestService));
    }

    /** The controllers: one for each table, and those for the entry point and the health check. */
    public List<Object> controllers() {
        return controllers;
    }

    /** What reads requests, writes answers and reports errors, for any Jakarta REST server. */
    public List<Object> providers() {
        return List.of(new JsonProvider(settings.http().greatestBody()), new ProblemMapper(), new KeyParameters());
    }
}
