package dev.vinekit.source;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.mapping.JavaName;
import java.util.Map;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Tag("fast")
class LayoutTest {
    private static final Imports IMPORTS = new Imports(Map.of(
            "List", "java.util.List", "Path", "jakarta.ws.rs.Path",
            "assertThat", "static org.assertj.core.api.Assertions.assertThat", "Lot", "com.example.entity.Lot"),
                    Map.of());

    private static String imports(String java, String ownPackage) {
        return IMPORTS.of(java, ownPackage).statements();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "a.entity     | ~Path find(Path a)            | Path find(jakarta.ws.rs.Path a)                 | ''",
        "a.controller | ~Path find(Path a)            | Path find(jakarta.ws.rs.Path a)                 | import a.entity.Path;",
        "a.controller | Path other                    | Path other                                      | import jakarta.ws.rs.Path;",
        "a.entity     | Path other                    | Path other                                      | import jakarta.ws.rs.Path;",
        "a.controller | ~String name(String a)        | String name(java.lang.String a)                 | import a.entity.String;",
        "a.entity     | record Oak(String name)       | record Oak(String name)                         | import java.lang.String;",
        "a.controller | record Oak(String name)       | record Oak(String name)                         | ''",
        "a.dto        | ~String of(List<@Size String> a) | String of(List<java.lang.@Size String> a)    | import a.entity.String;import java.util.List;",
        "a.controller | ~PathInput of(~Path a)        | PathInput of(Path a)                            | import a.dto.PathInput;import a.entity.Path;",
        "a.controller | /** {@link ~Path} */ ~Path a  | /** {@link Path} */ Path a                      | import a.entity.Path;"})
    void domainsClassKeepsItsNameAndOthersGiveWay(String ownPackage, String java, String written, String statements) {
        Imports imports = new Imports(Map.of("Path", "jakarta.ws.rs.Path", "List", "java.util.List"),
                Map.of("Path", "a.entity.Path", "String", "a.entity.String", "PathInput", "a.dto.PathInput"));

        Imports.Resolved resolved = imports.of(java.replace('~', JavaName.MARK), ownPackage);

        assertThat(resolved.body()).isEqualTo(written);
        assertThat(resolved.statements().replace("\n", "")).isEqualTo(statements);
    }

    @Test
    void importsWhatIsUsed() {
        assertThat(imports("class A { List<Lot> lots; }", "com.example.dto"))
                .isEqualTo("import com.example.entity.Lot;\nimport java.util.List;\n");
    }

    @Test
    void importsNothingOfItsOwnPackage() {
        assertThat(imports("class A { Lot lot; }", "com.example.entity")).isEmpty();
    }

    @Test
    void putsStaticImportsFirst() {
        assertThat(imports("assertThat(List.of())", "a"))
                .isEqualTo("import static org.assertj.core.api.Assertions.assertThat;\n\nimport java.util.List;\n");
    }

    @Test
    void passesOverCommentsStringsAndQualifiedNames() {
        assertThat(imports("""
                /** List */ // Path
                class A { String s = "List \\" Path"; char c = '"'; String t = \"""
                    List "Path" \\\"""
                    \"""; Object o = other.List; }
                """, "a")).isEmpty();
    }

    @Test
    void importsWhatADocumentationCommentLinksTo() {
        assertThat(imports("/** See {@link Lot}. */ class A { }", "a")).isEqualTo("import com.example.entity.Lot;\n");
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
