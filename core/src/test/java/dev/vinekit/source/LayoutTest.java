package dev.vinekit.source;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.Test;

class LayoutTest {
    private static final Imports IMPORTS = new Imports(Map.of(
            "List", "java.util.List", "Path", "jakarta.ws.rs.Path", "@GET", "@jakarta.ws.rs.GET",
            "assertThat", "static org.assertj.core.api.Assertions.assertThat", "Lot", "com.example.entity.Lot"));

    @Test
    void importsWhatIsUsed() {
        assertThat(IMPORTS.of("class A { List<Lot> lots; }", "com.example.dto"))
                .isEqualTo("import com.example.entity.Lot;\nimport java.util.List;\n");
    }

    @Test
    void importsNothingOfItsOwnPackage() {
        assertThat(IMPORTS.of("class A { Lot lot; }", "com.example.entity")).isEmpty();
    }

    @Test
    void putsStaticImportsFirst() {
        assertThat(IMPORTS.of("assertThat(List.of())", "a"))
                .isEqualTo("import static org.assertj.core.api.Assertions.assertThat;\n\nimport java.util.List;\n");
    }

    @Test
    void passesOverCommentsStringsAndQualifiedNames() {
        assertThat(IMPORTS.of("""
                /** List */ // Path
                class A { String s = "List \\" Path"; char c = '"'; String t = \"""
                    List "Path" \\\"""
                    \"""; Object o = other.List; }
                """, "a")).isEmpty();
    }

    @Test
    void importsWhatADocumentationCommentLinksTo() {
        assertThat(IMPORTS.of("/** See {@link Lot}. */ class A { }", "a")).isEqualTo("import com.example.entity.Lot;\n");
    }

    @Test
    void importsAnAnnotationOnlyWhereItAnnotates() {
        assertThat(IMPORTS.of("class A { String GET = \"\"; }", "a")).isEmpty();
        assertThat(IMPORTS.of("class A { @GET void get() { } }", "a")).isEqualTo("import jakarta.ws.rs.GET;\n");
    }

    @Test
    void shortLinesStayAsTheyAre() {
        assertThat(LineBreaker.apply("class A {\n}\n")).isEqualTo("class A {\n}\n");
    }

    @Test
    void breaksAtTheOutermostPlace() {
        String call = "        return first(" + "a".repeat(40) + ", second(" + "b".repeat(30) + ", " + "c".repeat(40) + "));";

        assertThat(LineBreaker.apply(call)).isEqualTo("        return first(" + "a".repeat(40) + ",\n"
                + "                second(" + "b".repeat(30) + ", " + "c".repeat(40) + "));\n");
    }

    @Test
    void breaksBeforeThrows() {
        String method = "    private static void " + "a".repeat(70) + "(String b, String c) throws SQLException {";

        assertThat(LineBreaker.apply(method)).contains("c)\n            throws SQLException {");
    }

    @Test
    void neverBreaksInsideAString() {
        String line = "        String text = \"" + "a, ".repeat(50) + "\";";

        assertThat(LineBreaker.apply(line).lines()).anyMatch(part -> part.contains("\"" + "a, ".repeat(50) + "\""));
    }

    @Test
    void longCommentsBecomeSeveralLines() {
        String comment = "    /** " + "word ".repeat(30).strip() + ". */";

        assertThat(LineBreaker.apply(comment).lines()).hasSizeGreaterThan(3)
                .allMatch(line -> line.length() <= LineBreaker.WIDTH)
                .startsWith("    /**").endsWith("     */");
    }
}
