package dev.vinekit.fault;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Tag("fast")
class VisibleTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "plain \u00fc \u6876 \ud83c\udf47 | plain \u00fc \u6876 \ud83c\udf47",
        "a\u001b[31mb          | a\\u001B[31mb",
        "a\u0000b              | a\\u0000b",
        "a\u007fb              | a\\u007Fb",
        "a\u009bb              | a\\u009Bb",
        "a\u202eb              | a\\u202Eb",
        "a\u2066b              | a\\u2066b",
        "a\u200bb              | a\\u200Bb",
        "a\ufeffb              | a\\uFEFFb",
        "a\u2028b              | a\\u2028b",
        "a\udb40\udc41b        | a\\uDB40\\uDC41b"})
    void whatDoesNotShowIsEscaped(String text, String shown) {
        assertThat(Visible.text(text)).isEqualTo(shown);
    }

    @Test
    void linesStay() {
        assertThat(Visible.text("a\tb\r\nc")).isEqualTo("a\tb\r\nc");
    }

    @Test
    void messagesHideNothing() {
        Fault fault = Fault.inCall("There is no table \u001b[2Jvessel.", "Name another one than \u202evessel.");

        assertThat(fault).hasMessage("There is no table \\u001B[2Jvessel.");
        assertThat(fault.fix()).isEqualTo("Name another one than \\u202Evessel.");
    }

    @Test
    void scriptsSayWhereTheyHideSomething() {
        assertThat(Visible.script("SELECT 1;\n")).isEqualTo("SELECT 1;\n");
        assertThat(Visible.script("SELECT 1;\nSELECT '\u202e';\n")).isEqualTo(
                "-- Characters that do not show, and may make a line read otherwise than it is: U+202E in line 3.\n"
                + "SELECT 1;\nSELECT '\u202e';\n");
        assertThat(Visible.script("\u200b\n".repeat(50))).contains("U+200B in line 21, and 30 more.")
                .doesNotContain("line 22");
    }
}
