package dev.vinekit.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Tag("fast")
class StyleTest {
    private static final Style TERMINAL = new Style(true, true, 20);
    private static final Style FILE = new Style(false, false, 20, true);

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "vessel           | 10 | vessel     | vessel",
        "vessel_of_the_cellar | 10 | vessel_of\u2026 | vessel_of_the_cellar",
        "a\u001b[31mb     | 10 | a [31mb    | a [31mb",
        "a\u202eb         | 10 | a b        | a b",
        "\ud83c\udf47\ud83c\udf47\ud83c\udf47 | 2 | \ud83c\udf47\u2026 | \ud83c\udf47\ud83c\udf47\ud83c\udf47"})
    void textOfADatabaseCannotSteerATerminalAndIsCutOnlyThere(String text, int width, String onTerminal,
            String inFile) {
        assertThat(TERMINAL.cell(text, width)).isEqualTo(onTerminal);
        assertThat(FILE.cell(text, width)).isEqualTo(inFile);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "vessel                                | vessel",
        "vessel,parcel                         | vessel, parcel",
        "vessel,parcel,lot,blend               | vessel and 3 more",
        "a,b,c,d,e,f,g                         | a, b, c, d, e, f, g",
        "a_very_long_name_of_a_table,b         | a_very_long_name_of_a_table and 1 more"})
    void asManyAsFitAreNamed(String names, String line) {
        assertThat(TERMINAL.some(Arrays.asList(names.split(",")), 0)).isEqualTo(line);
    }

    @Test
    void linesBreakBetweenWordsAndNames() {
        assertThat(TERMINAL.wrapped("Rows can be listed and created only", 2))
                .containsExactly("Rows can be listed", "and created only");
        assertThat(TERMINAL.filled(List.of("vessel", "parcel", "lot", "blend"), 2))
                .containsExactly("vessel, parcel,", "lot, blend");
        assertThat(TERMINAL.wrapped("", 0)).containsExactly("");
    }

    @Test
    void coloursAndMarksAreThoseThatATerminalHas() {
        assertThat(TERMINAL.good("a")).isEqualTo("\u001b[32ma\u001b[0m");
        assertThat(FILE.good("a") + FILE.bad("b") + FILE.warning("c") + FILE.strong("d") + FILE.faint("e"))
                .isEqualTo("abcde");
        assertThat(TERMINAL.pass() + TERMINAL.fail() + TERMINAL.none()).isEqualTo("\u2713\u2717\u2013");
        assertThat(FILE.pass() + FILE.fail() + FILE.none()).isEqualTo("okFAIL-");
    }

    @ParameterizedTest
    @CsvSource({"VESSEL_KIND, vessel_kind", "VesselKind, VesselKind", "vessel, vessel"})
    void capitalsAreAnEngineThatDoesNotCare(String name, String shown) {
        assertThat(FILE.table(name, 40)).isEqualTo(shown);
    }

    @Test
    void theWidestColumnGivesWayOnATerminal() {
        assertThat(table(TERMINAL).lines().toList()).containsExactly(
                "\u001b[1mtable          rows\u001b[0m", "a_vessel_of_\u2026  1,000", "lot            7");
        assertThat(table(FILE).lines().toList()).containsExactly(
                "table                                          rows",
                "a_vessel_of_the_cellar_with_a_name_for_itself  1,000",
                "lot                                            7");
    }

    private static String table(Style style) {
        TextTable table = new TextTable(style, "table", "rows");
        table.add("a_vessel_of_the_cellar_with_a_name_for_itself", "1,000");
        table.add("lot", "7");
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        table.print(new PrintStream(bytes, true, StandardCharsets.UTF_8));
        return bytes.toString(StandardCharsets.UTF_8);
    }
}
