package dev.vinekit.project;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Tag("fast")
class MergeTest {
    /** Lines are letters, one side's change at a time. */
    @ParameterizedTest
    @CsvSource({
        "abcde, abcde, abcde, abcde, false",
        "abcde, aXcde, abcde, aXcde, false",
        "abcde, abcde, abcdY, abcdY, false",
        "abcde, aXcde, abcdY, aXcdY, false",
        "abcde, aXcde, aXcde, aXcde, false",
        "abcde, acde, abcde, acde, false",
        "abcde, abcde, acde, acde, false",
        "abcde, Xabcde, abcdeY, XabcdeY, false",
        "abcde, aXcde, aYcde, a<X=Y>cde, true",
        "abcde, acde, aYcde, a<=Y>cde, true",
        "abcde, aXcde, acde, a<X=>cde, true",
        "'', a, b, <a=b>, true"})
    void bothSidesAreKept(String base, String edited, String generated, String merged, boolean conflict) {
        Merge merge = Merge.of(lines(base), lines(edited), lines(generated));

        assertThat(merge.text().lines().map(line -> line.substring(0, 1)).collect(Collectors.joining()))
                .isEqualTo(merged);
        assertThat(merge.conflict()).isEqualTo(conflict);
    }

    @Test
    void theSidesOfAConflictAreNamed() {
        assertThat(Merge.of("a\n", "b\n", "c\n").text())
                .isEqualTo("<<<<<<< edited\nb\n=======\nc\n>>>>>>> generated now\n");
    }

    @Test
    void anImportThatAPersonsLinesUseStays() {
        String base = "package a;\n\nimport java.util.List;\n\nclass A {\n    List<String> b;\n\n    int c;\n}\n";
        String edited =
                base.replace("int c;", "int c;\n\n    int d(List<String> e) {\n        return e.size();\n    }");
        String generated = "package a;\n\nclass A {\n    String b;\n\n    int c;\n}\n";

        Merge merge = Merge.of(base, edited, generated);

        assertThat(merge.conflict()).isFalse();
        assertThat(merge.text()).contains("import java.util.List;", "String b;", "int d(List<String> e)");
    }

    @Test
    void anImportThatNothingUsesGoes() {
        String base = "package a;\n\nimport java.util.List;\n\nclass A {\n    List<String> b;\n}\n";

        assertThat(Merge.of(base, base + "// seen\n", "package a;\n\nclass A {\n    String b;\n}\n").text())
                .doesNotContain("import").contains("// seen");
    }

    private static String lines(String letters) {
        return Stream.of(letters.split("")).filter(letter -> !letter.isEmpty()).map(letter -> letter + "\n")
                .collect(Collectors.joining());
    }
}
