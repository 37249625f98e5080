package dev.vinekit.sql;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.regex.Pattern;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

@Tag("fast")
class LikePatternTest {
    @ParameterizedTest
    @CsvSource(delimiter = ';', quoteCharacter = '^', value = {
        "a%       ; a        ; yes",
        "a%       ; abc      ; yes",
        "a%       ; ba       ; no",
        "%a       ; ba       ; yes",
        "%a       ; ab       ; no",
        "%a%      ; bab      ; yes",
        "%a%b%    ; xaxbx    ; yes",
        "%a%b%    ; xbxax    ; no",
        "a_c      ; abc      ; yes",
        "a_c      ; ac       ; no",
        "a_c      ; abbc     ; no",
        "%        ; anything ; yes",
        "_%       ; x        ; yes",
        "a.c      ; abc      ; no",
        "a.c      ; a.c      ; yes",
        "a*       ; aaa      ; no",
        "(a|b)    ; a        ; no",
        "(a|b)    ; (a|b)    ; yes",
        "[ab]     ; a        ; no",
        "q%q      ; qaq      ; yes",
        "a+$      ; a+$      ; yes",
        "{1}?     ; {1}?     ; yes",
        "100\\%   ; 100%     ; yes",
        "100\\%   ; 1000     ; no",
        "a\\_b    ; a_b      ; yes",
        "a\\_b    ; axb      ; no",
        "a\\\\%   ; a\\b     ; yes"})
    void regularExpressionsMatchWhatLikeDoes(String like, String text, String matches) {
        Pattern regex = Pattern.compile(LikePattern.regex(like, '\\'), Pattern.DOTALL);

        assertThat(regex.matcher(text).matches() ? "yes" : "no").as("%s: %s", like, regex).isEqualTo(matches);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "plain", "a.b", "\\d", "\\Q..\\E", "[x]{2}", "(?i)a", "a|b", "^$", "*+?", "é\n\t"})
    void literalsMatchThemselvesAndNothingElse(String text) {
        assertThat(text).matches(Pattern.compile(LikePattern.literal(text), Pattern.DOTALL));
        assertThat(text + "x").doesNotMatch(Pattern.compile(LikePattern.literal(text), Pattern.DOTALL));
    }
}
