package dev.vinekit.source;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

@Tag("fast")
class JavaLayoutTest {
    private static final String BODY = """
            class Vessel {

                int litres() {
                    return 225;

                }



                int no;

            }
            """;

    @Test
    void emptyLinesStandBetweenThingsOnly() {
        assertThat(new JavaLayout("", "    ").of("cellar", "", BODY)).isEqualTo("""
                package cellar;

                class Vessel {
                    int litres() {
                        return 225;
                    }

                    int no;
                }
                """);
    }

    @Test
    void importsStandBelowThePackage() {
        assertThat(new JavaLayout("", "    ").of("cellar", "import java.util.List;\n", "class Vessel {\n}\n"))
                .isEqualTo("package cellar;\n\nimport java.util.List;\n\nclass Vessel {\n}\n");
    }

    @Test
    void indentationIsTheHouses() {
        assertThat(new JavaLayout("", "\t").of("cellar", "", BODY))
                .contains("\n\tint litres() {\n\t\treturn 225;\n\t}\n")
                .doesNotContain("    ");
        assertThat(new JavaLayout("", "  ").of("cellar", "", BODY))
                .contains("\n  int litres() {\n    return 225;\n  }\n");
    }

    @Test
    void aHeaderCannotEndItsCommentNorBeRunAsCode() {
        String java = new JavaLayout("Cellar hands.\n\n */ class Evil {} /*\n \\u002a\\u002f class Worse {}", "    ")
                .of("cellar", "", "class Vessel {\n}\n");

        assertThat(java)
                .startsWith(
                        "/*\n * Cellar hands.\n *\n *  * / class Evil {} /*\n *  \\ u002a\\ u002f class Worse {}\n */\npackage cellar;\n");
    }
}
