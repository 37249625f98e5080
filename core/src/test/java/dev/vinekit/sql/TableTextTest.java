package dev.vinekit.sql;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What a CREATE TABLE says and no catalog of SQLite tells. */
@Tag("fast")
class TableTextTest {
    private static final TableText CASK = TableText.of("""
            CREATE TABLE IF NOT EXISTS "odd, (name" (
                id INTEGER CONSTRAINT cask_key PRIMARY KEY AUTOINCREMENT, -- the number, (counted)
                [code x] VARCHAR(9) COLLATE NOCASE CONSTRAINT cask_code UNIQUE,
                litres INT DEFAULT (1 + 2) CONSTRAINT "some litres" CHECK (litres > 0 AND litres <> 'a,b)'),
                gallons GENERATED ALWAYS AS (litres / 4) STORED,
                owner INT REFERENCES grower (id) DEFERRABLE INITIALLY DEFERRED,
                press INT CONSTRAINT of_press REFERENCES press NOT DEFERRABLE INITIALLY DEFERRED CHECK (press <> 7),
                /* CHECK (nothing) */
                CONSTRAINT pair UNIQUE (litres, "code x"),
                UNIQUE (gallons COLLATE NOCASE DESC),
                CONSTRAINT of_site FOREIGN KEY (owner, press) REFERENCES site (a, b) ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED,
                CHECK (litres < 900)
            ) STRICT
            """);

    @Test
    void checksAreThereInOrderWithTheirNames() {
        assertThat(CASK.checks()).containsExactly(
                new TableText.NamedCheck("some litres", "litres > 0 AND litres <> 'a,b)'"),
                new TableText.NamedCheck("", "press <> 7"),
                new TableText.NamedCheck("", "litres < 900"));
    }

    @Test
    void keysHaveTheirNames() {
        assertThat(CASK.primaryKeyName()).isEqualTo("cask_key");
        assertThat(CASK.isAutoincrement()).isTrue();
        assertThat(CASK.uniqueName(List.of("code X"))).isEqualTo("cask_code");
        assertThat(CASK.uniqueName(List.of("LITRES", "code x"))).isEqualTo("pair");
        assertThat(CASK.uniqueName(List.of("gallons"))).isEmpty();
        assertThat(CASK.uniqueName(List.of("litres"))).isEmpty();
    }

    @Test
    void columnsHaveTheirCollationAndExpression() {
        assertThat(CASK.collation("CODE X")).contains("NOCASE");
        assertThat(CASK.collation("litres")).isEmpty();
        assertThat(CASK.generated("Gallons")).contains("litres / 4");
        assertThat(CASK.generated("litres")).isEmpty();
    }

    @Test
    void referencesHaveTheirNameAndWhenTheyAreChecked() {
        assertThat(CASK.reference(List.of("owner"))).isEqualTo(new TableText.Reference("", true));
        assertThat(CASK.reference(List.of("press"))).isEqualTo(new TableText.Reference("of_press", false));
        assertThat(CASK.reference(List.of("owner", "press"))).isEqualTo(new TableText.Reference("of_site", true));
        assertThat(CASK.reference(List.of("id"))).isEqualTo(new TableText.Reference("", false));
    }

    @Test
    void keyOfTheTableMayCountToo() {
        TableText text = TableText.of("CREATE TABLE t (id INTEGER, CONSTRAINT named PRIMARY KEY (id AUTOINCREMENT))");

        assertThat(text.primaryKeyName()).isEqualTo("named");
        assertThat(text.isAutoincrement()).isTrue();
        assertThat(TableText.of("CREATE TABLE t (id INTEGER PRIMARY KEY)").isAutoincrement()).isFalse();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "CREATE TABLE", "CREATE TABLE t", "CREATE TABLE t (", "CREATE TABLE t (a",
            "CREATE TABLE t (a CHECK",
        "CREATE TABLE t (a CHECK (", "CREATE TABLE t (CONSTRAINT", "CREATE TABLE t (UNIQUE (a",
        "CREATE TABLE t AS SELECT 1", "no table)))((("})
    void whatIsNotWholeIsPassedOver(String text) {
        assertThat(TableText.of(text).primaryKeyName()).isEmpty();
    }
}
