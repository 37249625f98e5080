package dev.vinekit.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.fault.Fault;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

@Tag("fast")
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

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "                                                       | src/main/java src/test/java src/main/resources src/test/resources",
        "<sourceDirectory>code</sourceDirectory>                | code src/test/java src/main/resources src/test/resources",
        "<sourceDirectory>${project.basedir}/code/</sourceDirectory><testSourceDirectory>${basedir}/tests</testSourceDirectory> | code tests src/main/resources src/test/resources",
        "<resources><resource><directory>conf</directory></resource><resource><directory>more</directory></resource></resources> | src/main/java src/test/java conf src/test/resources",
        "<testResources><testResource><directory>data</directory></testResource></testResources> | src/main/java src/test/java src/main/resources data",
        "<sourceDirectory>${other}/code</sourceDirectory>       | src/main/java src/test/java src/main/resources src/test/resources",
        "<sourceDirectory>../code</sourceDirectory>             | src/main/java src/test/java src/main/resources src/test/resources"})
    void theBuildFileSaysWhereSourcesAre(String build, String folders) throws IOException {
        pom("<project><build>" + (build == null ? "" : build) + "</build></project>");

        SourceFolders found = SourceFolders.of(folder);

        assertThat(List.of(found.main(), found.test(), found.mainResources(), found.testResources()))
                .containsExactly(folders.split(" "));
        assertThat(found.place("src/main/java/a/B.java")).isEqualTo(found.main() + "/a/B.java");
        assertThat(found.place("README.md")).isEqualTo("README.md");
    }

    /** Packages of classes that are there, and what is chosen beside them. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "com.acme.press                         | com.acme.press.tables",
        "com.acme.press com.acme.press.machines | com.acme.press.tables",
        "com.acme.press com.acme.shop           | com.acme.tables",
        "com.acme org.acme                      | org.house.scale",
        "press                                  | org.house.scale",
        "                                       | org.house.scale"})
    void packageFitsTheClassesThatAreThere(String packages, String chosen) throws IOException {
        pom("<project><parent><groupId>org.house</groupId></parent><artifactId>Sca-le</artifactId></project>");
        for (String name : packages == null ? new String[0] : packages.split(" ")) {
            Path directory = Files.createDirectories(folder.resolve("src/main/java").resolve(name.replace('.', '/')));
            Files.writeString(directory.resolve("It.java"), "/* a comment */\npackage " + name + ";\nclass It { }");
        }

        assertThat(PackageChoice.of(folder).name()).isEqualTo(chosen);
        assertThat(PackageChoice.of(folder).reason()).isPresent();
    }

    @ParameterizedTest
    @CsvSource({"Cellar-2, com.example.cellar2", "9lives, com.example.lives", "---, com.example.service"})
    void withoutABuildFileThePackageHasTheNameOfTheDirectory(String name, String chosen) throws IOException {
        assertThat(PackageChoice.of(Files.createDirectories(folder.resolve(name))))
                .isEqualTo(new PackageChoice(chosen, Optional.empty()));
    }

    private void pom(String text) throws IOException {
        Files.writeString(folder.resolve("pom.xml"), text);
    }
}
