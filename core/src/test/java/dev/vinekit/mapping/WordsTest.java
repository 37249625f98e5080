package dev.vinekit.mapping;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Tag("fast")
class WordsTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "vessel              | vessel",
        "vessel_kind         | vessel kind",
        "VESSEL_KIND         | vessel kind",
        "VesselKind          | vessel kind",
        "vesselKind          | vessel kind",
        "vessel-kind         | vessel kind",
        "vessel kind         | vessel kind",
        "vessel__kind_       | vessel kind",
        "_vessel             | vessel",
        "vessel.kind         | vessel kind",
        "HTTPServer          | http server",
        "serverHTTP          | server http",
        "vesselID            | vessel id",
        "vesselIDs           | vessel ids",
        "IDs                 | ids",
        "URLsOfVessels       | urls of vessels",
        "a1b2                | a1b2",
        "Vessel2Kind         | vessel2kind",
        "vessel2_kind        | vessel2 kind",
        "Rebsorte_Grün       | rebsorte grün",
        "GRÜN                | grün",
        "кадка_вина          | кадка вина",
        "桶                  | 桶",
        "pct%full            | pct full",
        "a$b                 | a b",
        "vessel\"kind        | vessel kind"})
    void namesAreMadeOfWords(String name, String words) {
        assertThat(Words.of(name).joined(" ")).isEqualTo(words);
    }

    @ParameterizedTest
    @CsvSource({"'', ''", "'___', ''", "'---', ''", "'🍇', ''", "'a🍇b', 'a b'"})
    void whatIsNoLetterSeparates(String name, String words) {
        assertThat(Words.of(name).joined(" ")).isEqualTo(words);
        assertThat(Words.of(name).isEmpty()).isEqualTo(words.isEmpty());
    }

    @ParameterizedTest
    @CsvSource({
        "vessel_kind, VesselKind, vesselKind",
        "id, Id, id",
        "HTTP_port, HttpPort, httpPort",
        "2nd_vessel, 2ndVessel, 2ndVessel",
        "élan_vital, ÉlanVital, élanVital"})
    void wordsAreJoinedAsJavaDoes(String name, String pascal, String camel) {
        assertThat(Words.of(name).pascal()).isEqualTo(pascal);
        assertThat(Words.of(name).camel()).isEqualTo(camel);
    }

    @Test
    void onlyTheLastWordIsPutIntoThePlural() {
        assertThat(Words.of("vessel_kind").plural().joined("_")).isEqualTo("vessel_kinds");
        assertThat(Words.of("goods_batches").singular().joined("_")).isEqualTo("goods_batch");
        assertThat(Words.of("").plural().isEmpty()).isTrue();
    }

    @Test
    void wordsAreTakenAwayOnlyWhereSomeAreLeft() {
        assertThat(Words.of("vessel_id").without("id").joined("_")).isEqualTo("vessel");
        assertThat(Words.of("id").without("id").joined("_")).isEqualTo("id");
        assertThat(Words.of("vessel_no").without("id").joined("_")).isEqualTo("vessel_no");
        assertThat(Words.of("wine_vessel_kind").withoutFirst(Words.of("wine_vessel")).joined("_")).isEqualTo("kind");
        assertThat(Words.of("wine_vessel").withoutFirst(Words.of("wine_vessel")).joined("_")).isEqualTo("wine_vessel");
        assertThat(Words.of("wine_vessel").withoutFirst(Words.of("vessel")).joined("_")).isEqualTo("wine_vessel");
        assertThat(Words.of("wine").and(Words.of("vessel")).camel()).isEqualTo("wineVessel");
    }
}
