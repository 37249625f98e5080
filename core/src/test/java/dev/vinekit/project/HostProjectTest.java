package dev.vinekit.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.fault.Fault;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class HostProjectTest {
    @TempDir
    private Path folder;

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "<groupId>a</groupId><artifactId>b</artifactId>   | c:d",
        "<artifactId>d</artifactId><groupId> c </groupId> | a:b",
        "<groupId>a</groupId><artifactId>d</artifactId>   | a:b c:d",
        "<artifactId>b</artifactId>                       | a:b c:d"})
    void theBuildFileSaysWhichLibrariesThereAre(String dependency, String missing) throws IOException {
        pom("<project><dependencies><dependency>" + dependency + "</dependency></dependencies></project>");

        assertThat(HostProject.isIn(folder)).isTrue();
        assertThat(HostProject.missing(folder, List.of("a:b", "c:d"))).containsExactly(missing.split(" "));
    }

    @Test
    void withoutABuildFileNoLibraryIsThere() {
        assertThat(HostProject.isIn(folder)).isFalse();
        assertThat(HostProject.missing(folder, List.of("a:b"))).containsExactly("a:b");
    }

    @ParameterizedTest
    @ValueSource(strings = {"<project>", "", "no xml",
            "<!DOCTYPE project [<!ENTITY x SYSTEM 'file:///etc/hostname'>]><project>&x;</project>"})
    void aBuildFileThatCannotBeReadIsNamed(String text) throws IOException {
        pom(text);

        assertThatThrownBy(() -> HostProject.missing(folder, List.of("a:b"))).isInstanceOf(Fault.class)
                .hasMessageContaining("pom.xml cannot be read as XML");
    }

    private void pom(String text) throws IOException {
        Files.writeString(folder.resolve("pom.xml"), text);
    }
}
