package dev.vinekit.source;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.mapping.JavaName;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** {@code ~} stands for the mark of a domain's own names. */
@Tag("fast")
class ImportsTest {
    private static final Imports IMPORTS = new Imports(
            Map.of("Page", "cellar.support.Page", "List", "cellar.support.List"),
            Map.of("Vessel", "cellar.entity.Vessel", "Function", "cellar.entity.Function", "Object",
                    "cellar.entity.Object", "Size", "cellar.entity.Size"));

    private static final String DECLARED = """
            import static asserts.Assertions.assertThat;

            import java.util.List;
            import java.util.function.Function;
            import validation.NotNull;
            import validation.Size;

            """;

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "List<~Vessel> all;                  | cellar.entity.Vessel java.util.List       | List<Vessel> all;",
        "~Vessel vessel;                     | cellar.entity.Vessel                      | Vessel vessel;",
        "Vessel vessel;                      | cellar.entity.Vessel                      | Vessel vessel;",
        "String text = \"List of Page\";     |                                           | String text = \"List of Page\";",
        "int a; // List of Page              |                                           | int a; // List of Page",
        "/* List */ int a;                   |                                           | /* List */ int a;",
        "/** {@link List} of Page */ int a;  | java.util.List                            | /** {@link List} of Page */ int a;",
        "char c = '\"'; List l;              | java.util.List                            | char c = '\"'; List l;",
        "x.List y;                           |                                           | x.List y;",
        "a.assertThat(1);                    |                                           | a.assertThat(1);",
        "Function<String> f;                 | java.util.function.Function               | Function<String> f;",
        "~Function f;                        | cellar.entity.Function                    | Function f;",
        "~Function f; Function<String> g;    | cellar.entity.Function                    | Function f; java.util.function.Function<String> g;",
        "Object o;                           |                                           | Object o;",
        "~Object o;                          | cellar.entity.Object                      | Object o;",
        "~Object o; Object p;                | cellar.entity.Object                      | Object o; java.lang.Object p;",
        "@Size ~Vessel v;                    | cellar.entity.Vessel validation.Size      | @Size Vessel v;",
        "~Size s;                            | cellar.entity.Size                        | Size s;",
        "~house:Litres l; ~house:Litres m;   | house.Litres                              | Litres l; Litres m;",
        "~house:Vessel v; ~Vessel w;         | cellar.entity.Vessel                      | house.Vessel v; Vessel w;",
        "~house:List l; List<String> m;      | house.List                                | List l; java.util.List<String> m;",
        "~house:Litres l; ~other:Litres m;   | house.Litres                              | Litres l; other.Litres m;",
        "~Size s; @Size int t;               | cellar.entity.Size                        | Size s; @validation.Size int t;",
        "List<@NotNull Vessel> all;          | cellar.entity.Vessel java.util.List validation.NotNull | List<@NotNull Vessel> all;",
        "List<@NotNull Function> all; ~Function f; | cellar.entity.Function java.util.List validation.NotNull"
            + " | List<java.util.function.@NotNull Function> all; Function f;"})
    void aFileImportsWhatItUsesAndTheDomainKeepsItsNames(String java, String imports, String body) {
        Imports.Resolved resolved = IMPORTS.of(DECLARED + marked(java), "cellar.service");

        assertThat(resolved.statements().lines().map(line -> line.replaceAll("^import |;$", "")))
                .containsExactly(imports == null ? new String[0] : imports.split(" "));
        assertThat(resolved.body()).isEqualTo(body);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "cellar.entity  | ~Vessel v; Object o;  | import java.lang.Object;",
        "cellar.entity  | ~Vessel v;            | ''",
        "cellar.support | Page p;               | ''",
        "cellar.service | assertThat(List.of()) | import static asserts.Assertions.assertThat;,import java.util.List;"})
    void whatThePackageHasNeedsNoImport(String ownPackage, String java, String imports) {
        assertThat(IMPORTS.of(DECLARED + marked(java), ownPackage).statements().lines()
                .filter(line -> !line.isEmpty()))
                .containsExactly(imports.isEmpty() ? new String[0] : imports.split(","));
    }

    private static String marked(String java) {
        return Pattern.compile("~((\\w+:)?\\w+)").matcher(java).replaceAll(found ->
                JavaName.of(found.group(1).replace(':', '.')).inCode().toString());
    }
}
