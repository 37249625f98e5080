package dev.vinekit.sql;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Tag("fast")
class InsertedRowsTest {
    /** A value as a script gives it, and as text; nothing where it is more than a constant. */
    @ParameterizedTest
    @CsvSource(delimiter = '~', quoteCharacter = '`', value = {
        "'Ada'                             ~ Ada",
        "'it''s, (odd); -- here'           ~ it's, (odd); -- here",
        "12                                ~ 12",
        "-3.50                             ~ -3.50",
        "+7                                ~ 7",
        "TRUE                              ~ TRUE",
        "DATE '2020-01-02'                 ~ 2020-01-02",
        "TIMESTAMP '2020-01-02 03:04:05'   ~ 2020-01-02 03:04:05",
        "TIMESTAMP WITH TIME ZONE '2020-01-02 03:04:05+00' ~ 2020-01-02 03:04:05+00",
        "X'CAFE'                           ~ CAFE",
        "NULL                              ~ ",
        "DEFAULT                           ~ ",
        "1 + 1                             ~ ",
        "lower('A')                        ~ ",
        "(SELECT max(id) FROM cask)        ~ ",
        "'a' || 'b'                        ~ "})
    void constantsAreTextAndTheRestIsUnknown(String value, String text) {
        assertThat(InsertedRows.of("INSERT INTO cask (a, b) VALUES (1, " + value + ");")).singleElement()
                .satisfies(inserted ->
                assertThat(inserted.rows()).containsExactly(List.of(Optional.of("1"), Optional.ofNullable(text))));
    }

    @Test
    void everyStatementIsFoundAmongOthers() {
        List<InsertedRows> found = InsertedRows.of("""
                -- INSERT INTO nothing VALUES (1);
                SET search_path = cellar;
                INSERT INTO cellar."Odd ""name" VALUES (1, 'x'), (2, 'y');
                UPDATE cask SET note = 'INSERT INTO cask VALUES (9)';
                insert into cask (id) overriding system value values (3);
                INSERT INTO copy (id) SELECT id FROM cask;
                """);

        assertThat(found).extracting(InsertedRows::table).containsExactly("Odd \"name", "cask", "copy");
        assertThat(found).extracting(inserted -> inserted.rows().size()).containsExactly(2, 1, 0);
        assertThat(found).extracting(InsertedRows::columns).containsExactly(List.of(), List.of("id"), List.of("id"));
    }

    @Test
    void scriptThatBreaksOffIsReadAsFarAsItGoes() {
        assertThat(InsertedRows.of("INSERT INTO cask (id, note) VALUES (1, 'a'), (2")).singleElement()
                .satisfies(inserted -> assertThat(inserted.rows()).hasSize(2));
        assertThat(InsertedRows.of("INSERT INTO")).hasSize(1);
    }
}
