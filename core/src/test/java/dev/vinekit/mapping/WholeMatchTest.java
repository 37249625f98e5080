package dev.vinekit.mapping;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

@Tag("fast")
class WholeMatchTest {
    private static final List<String> TEXTS =
            List.of("", "a", "ab", "a@b", "a\n", "a@b\n", "\na@b", "b|a", "x.y", "a.b", "a\nb", "$", "c$", "ba");

    @ParameterizedTest
    @CsvSource(quoteCharacter = '%', value = {
        "^[^@]+@[^@]+$, ^[^@]+@[^@]+$",
        "^a,            ^a.*",
        "b$,            .*b$",
        "a,             .*a.*",
        "^a|b$,         .*(?:^a|b\\z).*",
        "(a|b),         .*(a|b).*",
        "c\\$,           .*c\\$.*",
        "[|],           .*[|].*"})
    void expressionIsWrittenAsAPersonWould(String regex, String whole) {
        assertThat(WholeMatch.of(regex, true)).isEqualTo(whole);
    }

    @ParameterizedTest
    @ValueSource(strings = {"^[^@]+@[^@]+$", "^a", "b$", "a", "^a|b$", "(a|b)", "c\\$", "[|]", "a.b", "^.*$", "[]a]",
            "\\.y$", "^(?:a|b)+$"})
    void wholeTextsMatchThatHaveAMatchInThem(String regex) {
        for (String text : TEXTS) {
            assertThat(matches(WholeMatch.of(regex, false), text)).as("%s as Java finds it in %s", regex, text)
                    .isEqualTo(Pattern.compile(regex).matcher(text).find());
            assertThat(matches(WholeMatch.of(regex, true), text)).as("%s where $ is the very end, in %s", regex, text)
                    .isEqualTo(Pattern.compile(regex.replaceAll("(?<!\\\\)[$]", "\\\\z"), Pattern.DOTALL).matcher(text)
                            .find());
        }
    }

    private static boolean matches(String regex, String text) {
        return Pattern.compile(regex, new FieldRule.Pattern(regex).hasPoint() ? Pattern.DOTALL : 0).matcher(text)
                .matches();
    }
}
