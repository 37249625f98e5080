package dev.vinekit.mapping;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.sql.LikePattern;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Tag("fast")
class NamesTest {
    private static final List<String> PATTERNS = List.of("*", "*Key", "*Input", "Jdbc*Repository");

    @ParameterizedTest
    @CsvSource({
        "vessel, vessels", "grape_variety, grape_varieties", "analysis, analyses", "person, people", "day, days",
        "box, boxes", "status, statuses", "glass, glasses", "stock, stock", "leaf, leaves", "batch, batches",
        "index, indexes", "bus, buses", "cache, caches", "series, series", "news, news", "house, houses"})
    void singularAndPluralLeadToEachOther(String singular, String plural) {
        String one = singular.substring(singular.lastIndexOf('_') + 1);
        String many = plural.substring(plural.lastIndexOf('_') + 1);

        assertThat(English.plural(one)).isEqualTo(many);
        assertThat(English.singular(many)).isEqualTo(one);
        assertThat(English.singular(one)).isEqualTo(one);
        assertThat(English.plural(many)).isEqualTo(many);
    }

    @ParameterizedTest
    @CsvSource({
        "vessel_transfer, VesselTransfer", "VESSEL_TRANSFER, VesselTransfer", "VesselTransfers, VesselTransfer",
        "vessel transfer, VesselTransfer", "2020_harvests, Table2020Harvest", "Weingärten, Weingärten", "!!!, Table",
        "String, String", "record, Record"})
    void entitiesAreSingularAndTakenByNobodyElse(String table, String name) {
        Names names = new Names(PATTERNS);

        String given = names.entity(Words.of(table), (wanted, reason) -> { }).value();

        assertThat(given).isEqualTo(name);
    }

    @Test
    void twoTablesOfOneNameGetTwoClassesAndAReason() {
        Names names = new Names(PATTERNS);
        List<String> reasons = new ArrayList<>();

        JavaName first = names.entity(Words.of("barrel"), (wanted, reason) -> reasons.add(reason));
        JavaName second = names.entity(Words.of("barrels"), (wanted, reason) -> reasons.add(reason));

        assertThat(first.value()).isEqualTo("Barrel");
        assertThat(second.value()).isEqualTo("BarrelRow");
        assertThat(reasons).containsExactly("another table gives a class of that name");
    }

    @Test
    void derivedClassesDoNotClashEither() {
        Names names = new Names(PATTERNS);

        names.entity(Words.of("barrel"), (wanted, reason) -> { });

        assertThat(names.entity(Words.of("barrel_key"), (wanted, reason) -> { }).value()).isEqualTo("BarrelKeyRow");
        assertThat(names.type("BarrelInput").value()).isEqualTo("BarrelInput2");
    }

    @ParameterizedTest
    @CsvSource({
        "moved_at, movedAt", "class, classValue", "hashCode, hashCodeValue", "123, column123", "from, from",
        "order by, orderBy", "'', column"})
    void componentsAreLegal(String column, String name) {
        assertThat(Names.component(Words.of(column), new HashSet<>(), (wanted, reason) -> { }).value()).isEqualTo(name);
    }

    @Test
    void componentsDiffer() {
        Set<String> taken = new HashSet<>();

        assertThat(List.of("a_b", "a b", "A-B").stream()
                .map(column -> Names.component(Words.of(column), taken, (wanted, reason) -> { }).value()))
                .containsExactly("aB", "aB2", "aB3");
    }

    @Test
    void constantsAreLegalAndDiffer() {
        assertThat(Names.constants(List.of("screw cap", "screw-cap", "375", "", "ü")).keySet().stream()
                .map(JavaName::value))
                .containsExactly("SCREW_CAP", "SCREW_CAP_2", "VALUE_375", "VALUE_4", "Ü");
    }

    @ParameterizedTest
    @CsvSource({
        "'%_@_%', anna@cellar, true", "'%_@_%', @cellar, false", "'a.c', abc, false", "'a!%', a%, true",
        "'a!%', ab, false", "'A__', ABC, true"})
    void likePatternsKeepTheirMeaning(String like, String text, boolean matches) {
        Pattern regex = Pattern.compile(LikePattern.regex(like, '!'), Pattern.DOTALL);

        assertThat(regex.matcher(text).matches()).isEqualTo(matches);
    }
}
