package dev.vinekit.data;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

@Tag("fast")
class PatternTextsTest {
    @ParameterizedTest
    @ValueSource(strings = {"^[A-Z]{2}-[0-9]{3}$", "[a-z]+[0-9]", "(red|white|rosé)-[0-9]{4}", "\\d{3,5}",
            "\\Qa.b\\E|\\Qc\\E",
        "[A-Z][a-z]{1,9}( [A-Z][a-z]+)*", "(?iu:oak-[0-9]+)", "[^a-z]{2}"})
    void textsMatch(String regex) {
        assertThat(PatternTexts.of(regex)).isNotEmpty().isEqualTo(PatternTexts.of(regex))
                .filteredOn(text -> Pattern.compile(regex, Pattern.DOTALL).matcher(text).matches()).isNotEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"[", "(?<=a)b(?!c)\\K", "*", "(unclosed"})
    void patternsThatAreTooMuchGiveNothingRatherThanAFailure(String regex) {
        assertThat(PatternTexts.of(regex)).allMatch(text -> text.length() < 200);
    }

    @Test
    void numbersTakeThePlaceOfDigitsOrLetters() {
        List<Sample> texts = PatternTexts.numbered("AB-123/45");

        assertThat(texts).extracting(text -> text.text(7)).containsExactly("AB-007/45", "AB-123/07", "AH-123/45");
        assertThat(PatternTexts.numbered("abc")).extracting(text -> text.text(700)).containsExactly("bay");
        assertThat(PatternTexts.numbered("A-1")).isEmpty();
    }
}
