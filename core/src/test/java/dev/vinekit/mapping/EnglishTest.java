package dev.vinekit.mapping;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

@Tag("fast")
class EnglishTest {
    @ParameterizedTest
    @CsvSource({
        "vessel, vessels",
        "parcel, parcels",
        "blend, blends",
        "bottling, bottlings",
        "harvest, harvests",
        "variety, varieties",
        "assay, assays",
        "key, keys",
        "batch, batches",
        "branch, branches",
        "flash, flashes",
        "box, boxes",
        "glass, glasses",
        "press, presses",
        "analysis, analyses",
        "basis, bases",
        "axis, axes",
        "emphasis, emphases",
        "hypothesis, hypotheses",
        "index, indexes",
        "matrix, matrices",
        "vertex, vertices",
        "criterion, criteria",
        "medium, media",
        "person, people",
        "man, men",
        "woman, women",
        "child, children",
        "grandchild, grandchildren",
        "craftsman, craftsmen",
        "salesperson, salespeople",
        "human, humans",
        "german, germans",
        "leaf, leaves",
        "shelf, shelves",
        "bookshelf, bookshelves",
        "half, halves",
        "knife, knives",
        "mouse, mice",
        "goose, geese",
        "hero, heroes",
        "tomato, tomatoes",
        "movie, movies",
        "cookie, cookies",
        "pie, pies",
        "cache, caches",
        "release, releases",
        "house, houses",
        "size, sizes",
        "price, prices",
        "lease, leases",
        "status, statuses",
        "virus, viruses",
        "bus, buses",
        "gas, gases",
        "lens, lenses",
        "alias, aliases",
        "bonus, bonuses",
        "canvas, canvases",
        "day, days",
        "toy, toys",
        "barrel2, barrels2",
        "berry12, berries12"})
    void nounsHaveASingularAndAPlural(String singular, String plural) {
        assertThat(English.plural(singular)).isEqualTo(plural);
        assertThat(English.singular(plural)).isEqualTo(singular);
        assertThat(English.plural(plural)).as("the plural of a plural").isEqualTo(plural);
        assertThat(English.singular(singular)).as("the singular of a singular").isEqualTo(singular);
    }

    @ParameterizedTest
    @ValueSource(strings = {"data", "equipment", "species", "series", "stock", "history", "news", "staff", "metadata",
            "sheep"})
    void someNounsAreTheSameForOneAndMany(String noun) {
        assertThat(English.plural(noun)).isEqualTo(noun);
        assertThat(English.singular(noun)).isEqualTo(noun);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "x", "s", "id", "qty", "sms", "x1", "2024", "gps"})
    void whatIsHardlyANounStaysAsItIs(String noun) {
        assertThat(English.singular(noun)).isEqualTo(noun);
    }
}
