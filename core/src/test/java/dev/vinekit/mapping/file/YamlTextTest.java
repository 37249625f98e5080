package dev.vinekit.mapping.file;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.yaml.snakeyaml.LoaderOptions;
import org.yaml.snakeyaml.Yaml;
import org.yaml.snakeyaml.constructor.SafeConstructor;

@Tag("fast")
class YamlTextTest {
    @ParameterizedTest
    @ValueSource(strings = {
        "vessel", "wine vessel", "true", "NO", "null", "~", "12", "1.5", "0x1F", "2024-01-01", "a: b", "a:", "- a",
                "# a", "a #b", "\"", "'", "\\", "{a}",
        "[a]", "*a", "&a", "!a", "%a", "@a", "`a`", "?", "|", ">",
        "<<", "=", "", " ", "a\nb", "a\tb", "\u0000", "\u0007", "\u202e", "gr\u00fcn", "\ud83c\udf47", "\u2028",
        "a,b", "jdbc:h2:mem:a;MODE=x", "$x", "a%b", "a~b", "a+b", "y", "off", "-1", ".5", "1e3", "1_000", "0o7",
        "12:30:45"})
    void anyTextIsReadAsItself(String text) {
        Yaml yaml = new Yaml(new SafeConstructor(new LoaderOptions()));

        assertThat(yaml.<Object>load("key: " + YamlText.of(text))).isEqualTo(Map.of("key", text));
        assertThat(yaml.<Object>load(YamlText.of(text) + ": 1")).isEqualTo(Map.of(text, 1));
    }

    @ParameterizedTest
    @CsvSource({"vessel, vessel", "jdbc:h2:./cellar, jdbc:h2:./cellar", "Vessel_2, Vessel_2", "yes, '\"yes\"'",
            "a b, '\"a b\"'"})
    void quotesStandOnlyWhereTheyAreNeeded(String text, String written) {
        assertThat(YamlText.of(text)).isEqualTo(written);
    }

    @ParameterizedTest
    @ValueSource(strings = {"short", "a\nb: c", "\u0085x: y", "\u2028x: y", "a\r\n- b"})
    void commentsStayComments(String text) {
        List<String> lines = YamlText.comment(text + " word".repeat(60), "  ");

        assertThat(lines).allMatch(line -> line.startsWith("  # ") && line.length() <= 100).hasSizeGreaterThan(2);
        assertThat(new Yaml(new SafeConstructor(new LoaderOptions())).<Object>load(String.join("\n", lines))).isNull();
    }
}
