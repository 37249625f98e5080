package dev.vinekit.source;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Lines that names made too long are broken where a person would break them. */
@Tag("fast")
class LineBreakerTest {
    private static final String LONG = "aNameThatGoesOnAndOnAndOnUntilItIsFortyLetters";

    @ParameterizedTest
    @ValueSource(strings = {
        "    private final Map<String, String> a" + LONG + " = new HashMap<>(" + LONG + ", " + LONG + ");",
        "    public static void method(Connection " + LONG + ", Connection other" + LONG + ") throws SQLException {",
        "        return " + LONG + "(first).second(" + LONG + ").third(" + LONG + ").fourth();",
        "        String text = condition ? " + LONG + " + \"a, text (with) signs\" : " + LONG + " + " + LONG + ";",
        "        call(" + LONG + ", () -> " + LONG + ", " + LONG + ");"})
    void brokenLinesFitAndSayTheSame(String line) {
        String broken = LineBreaker.apply(line);

        assertThat(line.length()).isGreaterThan(LineBreaker.WIDTH);
        assertThat(broken.lines()).hasSizeGreaterThan(1).allMatch(part -> part.length() <= LineBreaker.WIDTH)
                .noneMatch(part -> part.endsWith(" "));
        assertThat(broken.replaceAll("\\s+", "")).isEqualTo(line.replaceAll("\\s+", ""));
    }

    @Test
    void stringsAreNeverBroken() {
        String line = "        String text = \"" + "word, ".repeat(30) + "\";";

        assertThat(LineBreaker.apply(line)).contains("\"" + "word, ".repeat(30) + "\";");
    }

    @Test
    void commentsAreBrokenBetweenWords() {
        String one = "    /** " + "a word of many ".repeat(12) + ". */";
        String more = "     * " + "a word of many ".repeat(12);
        String beside = "        // " + "a word of many ".repeat(12);

        assertThat(LineBreaker.apply(one)).startsWith("    /**\n     * a word").endsWith(".\n     */\n");
        assertThat(LineBreaker.apply(more).lines()).hasSize(2)
                .allMatch(line -> line.startsWith("     * ") && line.length() <= LineBreaker.WIDTH);
        assertThat(LineBreaker.apply(beside).lines()).hasSize(2)
                .allMatch(line -> line.startsWith("        // ") && line.length() <= LineBreaker.WIDTH);
    }

    @Test
    void theRestOfAParagraphFlowsOn() {
        String broken = LineBreaker.apply("     * " + "abcd ".repeat(24).strip()
                + "\n     * the rest.\n     * @param name"
                + " of a word".repeat(12) + "\n     *     and of others\n     * @throws Nothing\n");

        assertThat(broken).isEqualTo("     * " + "abcd ".repeat(22).strip()
                + "\n     * abcd abcd the rest.\n     * @param name"
                + " of a word".repeat(10) + "\n     *     of a word of a word and of others\n     * @throws Nothing\n");
    }

    @Test
    void shortLinesAndThoseWithoutAPlaceStayAsTheyAre() {
        assertThat(LineBreaker.apply("int n;\n\n    int m;\n")).isEqualTo("int n;\n\n    int m;\n");
        assertThat(LineBreaker.apply("x".repeat(200))).isEqualTo("x".repeat(200) + "\n");
    }
}
