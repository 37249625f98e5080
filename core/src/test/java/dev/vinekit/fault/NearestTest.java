package dev.vinekit.fault;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Tag("fast")
class NearestTest {
    private static final List<String> NAMES = List.of("parcel", "vessel", "vessel_kind", "Transfer", "blend");

    @ParameterizedTest
    @CsvSource({"vesel, vessel", "vessels, vessel", "VESSEL, vessel", "vesselkind, vessel_kind", "transfr, Transfer",
            "lend, blend", "barcel, parcel", "'', blend"})
    void aMistypedNameIsNearToOneThatThereIs(String typed, String meant) {
        assertThat(Nearest.of(typed, NAMES)).contains(meant);
        assertThat(Nearest.of(typed, List.of())).isEmpty();
    }
}
