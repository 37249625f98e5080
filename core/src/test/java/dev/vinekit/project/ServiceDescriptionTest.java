package dev.vinekit.project;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Tag("fast")
class ServiceDescriptionTest {
    private static final ServiceDescription SERVICE = new ServiceDescription("h2", false, List.of(), false, List.of(),
            "com.example.cellar", Stream.of("Vessel", "VesselTransfer", "Page").map(entity ->
                    new ServiceDescription.TableDescription(entity.toLowerCase(Locale.ROOT), entity, false, entity, entity,
                            Set.of(), List.of(), List.of())).toList());

    @ParameterizedTest
    @CsvSource({
        "Vessel,                                         Vessel",
        "com.example.cellar.controller.VesselController, Vessel",
        "com.example.cellar.client.VesselClientTest,     Vessel",
        "VesselTransferRepositoryTest,                   VesselTransfer",
        "JdbcVesselRepository,                           Vessel",
        "TransactionalVesselTransferService,             VesselTransfer",
        "Vessels,                                        ",
        "com.example.cellar.support.PageRequest,         ",
        "com.example.cellar.page.PageRepository,         Page",
        "Application,                                    "})
    void aClassIsAboutTheTableWhoseEntityItsNameBeginsWith(String className, String entity) {
        assertThat(SERVICE.tableOf(className).map(ServiceDescription.TableDescription::entity).orElse(null))
                .isEqualTo(entity);
    }
}
