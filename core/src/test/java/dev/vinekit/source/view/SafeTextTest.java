package dev.vinekit.source.view;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.mapping.JavaName;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SafeTextTest {
    @ParameterizedTest
    @ValueSource(strings = {
        "plain", "quote \" inside", "back\\slash", "\\u0022 escape", "tab\tline\nreturn\r", "\u202e override", "\u0000",
        "emoji \ud83c\udf47", "\u00a0 no-break", "three \"\"\" quotes", "trailing \\"})
    void literalsStandForTheirText(String text) throws Exception {
        assertThat(JavaEvaluator.evaluate(JavaString.of(text).toString())).isEqualTo(text);
    }

    @ParameterizedTest
    @ValueSource(strings = {
        "plain", "\"quoted\"", "\"\"\"", "a\"\"b", "back\\slash", "\\u0022", "line\nbreak", "\ttab", "ends with \"",
        "\ud83c\udf47"})
    void blocksStandForTheirText(String text) throws Exception {
        String block = "\"\"\"\n    x" + JavaString.of(text).block(4) + "\n    \"\"\"";

        assertThat(JavaEvaluator.evaluate(block)).isEqualTo("x" + text + "\n");
    }

    @Test
    void longListsBreakBetweenValuesOnly() {
        List<String> values = List.of("a".repeat(50), "b".repeat(50), "c\nd");

        assertThat(JavaString.list(values).block(4))
                .isEqualTo("a".repeat(50) + ",\n    " + "b".repeat(50) + ", c\\nd");
    }

    @Test
    void hiddenCharactersAreShown() {
        assertThat(JavaString.of("\u202e\u200b\u0007").toString()).isEqualTo("\"\\u202e\\u200b\\u0007\"");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "ends */ here      | ends &#42;/ here",
        "<b>bold</b>       | &lt;b&gt;bold&lt;/b&gt;",
        "{@link Object}    | &#123;&#64;link Object&#125;",
        "\\u002a/          | &#92;u002a/"})
    void commentsCannotEndOrMeanAnythingElse(String text, String safe) {
        assertThat(DocText.of(text).toString()).isEqualTo(safe);
    }

    @ParameterizedTest
    @ValueSource(strings = {
        "plain * text", "line\n+ \"b\"", "line\r+ \"b\"", "\\u000a+ \"b\"", "\\\\u000a+ \"b\"", "\\\\\\u000a+ \"b\"",
        "\\uuu000a+ \"b\"", "\\u", "\\"})
    void commentsToTheEndOfTheLineEndThere(String text) throws Exception {
        assertThat(JavaEvaluator.evaluate("(\"a\" // " + CommentText.of(text) + "\n)")).isEqualTo("a");
    }

    @Test
    void commentsToTheEndOfTheLineAreReadAsTheyAre() {
        assertThat(CommentText.of("a <b> & c*\n \\d+").toString()).isEqualTo("a <b> & c* \\d+");
    }

    @Test
    void commentsAreOneParagraphBrokenIntoLines() {
        assertThat(DocText.of(" one\n two\r\n\tthree ").toString()).isEqualTo("one two three");
        assertThat(DocText.of("one two three").lines(7)).containsExactly("one two", "three");
    }

    @Test
    void codeTagIsUsedOnlyWhereItShowsTheTextAsItIs() {
        assertThat(DocText.of("WINE_LOT").getCode()).isEqualTo("{@code WINE_LOT}");
        assertThat(DocText.of("a<b").getCode()).isEqualTo("<code>a&lt;b</code>");
    }

    @Test
    void codeTakesNoBareText() {
        assertThat(JavaCode.of("%s.of(%s, %s)", JavaName.of("Lot"), JavaString.of("x"), 5).toString())
                .isEqualTo("Lot.of(\"x\", 5)");
        assertThatThrownBy(() -> JavaCode.of("%s", "System.exit(1)")).isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest
    @ValueSource(strings = {"class", "a b", "1a", "a-b", "", "a\u200bb", "record.class"})
    void namesAreIdentifiers(String name) {
        assertThatThrownBy(() -> JavaName.of(name)).isInstanceOf(IllegalArgumentException.class);
    }
}
