package dev.vinekit.project;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Tag("fast")
class UnifiedDiffTest {
    @Test
    void aChangeShowsItsSurroundings() {
        assertThat(UnifiedDiff.of("a/Vessel.java", Optional.of("1\n2\n3\n4\n5\n6\n7\n8\n"), Optional.of("1\n2\n3\n4\nfive\n6\n7\n8\n"))).isEqualTo("""
                diff --git a/a/Vessel.java b/a/Vessel.java
                --- a/a/Vessel.java
                +++ b/a/Vessel.java
                @@ -2,7 +2,7 @@
                 2
                 3
                 4
                -5
                +five
                 6
                 7
                 8
                """);
    }

    @Test
    void filesThatComeAndGoAreSaidToBeSo() {
        assertThat(UnifiedDiff.of("v", Optional.empty(), Optional.of("x\n")))
                .isEqualTo("diff --git a/v b/v\nnew file mode 100644\n--- /dev/null\n+++ b/v\n@@ -0,0 +1 @@\n+x\n");
        assertThat(UnifiedDiff.of("v", Optional.of("x\n"), Optional.empty()))
                .isEqualTo("diff --git a/v b/v\ndeleted file mode 100644\n--- a/v\n+++ /dev/null\n@@ -1 +0,0 @@\n-x\n");
        assertThat(UnifiedDiff.of("v", Optional.empty(), Optional.of("")))
                .isEqualTo("diff --git a/v b/v\nnew file mode 100644\n");
    }

    @Test
    void aMissingLastLineEndIsTold() {
        assertThat(UnifiedDiff.of("v", Optional.of("x"), Optional.of("x\n")))
                .endsWith("-x\n\\ No newline at end of file\n+x\n");
    }

    @Test
    void whatIsTheSameHasNoDifference() {
        assertThat(UnifiedDiff.of("v", Optional.of("x\n"), Optional.of("x\n"))).isEmpty();
        assertThat(UnifiedDiff.of("v", Optional.empty(), Optional.empty())).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', value = {
        "gr\u00fcn.txt | ^\"a/gr\\303\\274n.txt\"^",
        "a\"b          | ^\"a/a\\\"b\"^",
        "a b           | a/a b"})
    void pathsAreQuotedAsGitDoes(String path, String quoted) {
        assertThat(UnifiedDiff.of(path, Optional.of("x\n"), Optional.of("y\n")))
                .startsWith("diff --git " + quoted + " ");
    }
}
