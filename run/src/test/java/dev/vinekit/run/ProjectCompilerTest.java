package dev.vinekit.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowable;

import dev.vinekit.fault.Fault;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ProjectCompilerTest {
    @TempDir
    private Path project;

    @BeforeEach
    void writeSources() throws IOException {
        write("main", "Cask", "record Cask(int litres) { static int most() { return 900; } }");
        write("main", "Cellar", "class Cellar { Cask cask = new Cask(7); }");
        write("main", "Press", "class Press { class Screw { } }");
        write("main", "package-info", "");
        write("test", "CaskTest", "class CaskTest { int most = Cask.most(); }");
        write("test", "PressTest", "class PressTest { Press press = new Press(); }");
    }

    private void write(String side, String name, String text) throws IOException {
        Path folder = Files.createDirectories(project.resolve("src/" + side + "/java/made"));
        Files.writeString(folder.resolve(name + ".java"), "package made;\n" + text + "\n");
    }

    private Compilation compile() {
        return new ProjectCompiler(project).compile();
    }

    private Path classFile(String side, String name) {
        return project.resolve("target/" + side + "/made/" + name + ".class");
    }

    @Test
    void everythingIsCompiledOnceAndThenNothing() {
        assertThat(compile().compiled()).isEqualTo(6);
        assertThat(compile().compiled()).isZero();
        assertThat(classFile("classes", "Press$Screw")).exists();
    }

    @Test
    void whatDependsOnAChangeIsCompiledWithIt() throws IOException {
        compile();
        write("main", "Cask", "record Cask(int litres) { static int most() { return 800; } }");

        Compilation again = compile();

        assertThat(again.compiled()).as("Cask, Cellar, CaskTest").isEqualTo(3);
        assertThat(again.testClasses()).containsExactly("made.CaskTest");
        assertThat(again.changed()).containsExactly("Cask");
    }

    @Test
    void testsThatUseAChangeByOthersOnlyAreNotNear() throws IOException {
        write("test", "CellarTest", "class CellarTest { Cellar cellar = new Cellar(); }");
        compile();
        write("main", "Cask", "record Cask(int litres) { static int most() { return 700; } }");

        Compilation again = compile();

        assertThat(again.testClasses()).containsExactlyInAnyOrder("made.CaskTest", "made.CellarTest");
        assertThat(again.nearTests()).containsExactly("made.CaskTest");
    }

    @Test
    void classesOfSourcesThatAreGoneGo() throws IOException {
        compile();
        Files.delete(project.resolve("src/main/java/made/Press.java"));
        Files.delete(project.resolve("src/test/java/made/PressTest.java"));

        compile();

        assertThat(classFile("classes", "Press")).doesNotExist();
        assertThat(classFile("classes", "Press$Screw")).doesNotExist();
        assertThat(classFile("test-classes", "PressTest")).doesNotExist();
        assertThat(classFile("classes", "Cask")).exists();
    }

    @Test
    void whatNoLongerFitsIsNamedWithItsLine() throws IOException {
        compile();
        write("main", "Cask", "record Cask(int litres) { }");

        assertThatThrownBy(this::compile).isInstanceOf(Fault.class)
                .hasMessageContaining("src/test/java/made/CaskTest.java:2").hasMessageContaining("most");
        assertThatThrownBy(this::compile).as("also the second time").isInstanceOf(Fault.class);

        writeSources();
        compile();
        assertThat(classFile("test-classes", "CaskTest")).as("compiled again as it was").exists();
        assertThat(classFile("classes", "Cellar")).exists();
    }

    @Test
    void warningsAreToldWithTheirLines() throws IOException {
        write("main", "Press", "class Press { java.util.List bars; class Screw { } }");

        assertThat(compile().warnings()).singleElement().asString()
                .startsWith("src/main/java/made/Press.java:2: ").contains("raw type");
    }

    @Test
    void interruptedCompilationSpoilsNoLaterOne() throws IOException {
        write("main", "Read", "class Read { com.fasterxml.jackson.databind.JsonNode node; }");
        compile();
        write("main", "Written", "class Written { com.fasterxml.jackson.databind.ObjectMapper mapper; }");
        Thread.currentThread().interrupt();

        Throwable interrupted = catchThrowable(this::compile);
        Thread.interrupted();
        compile();

        assertThat(interrupted).isInstanceOf(Fault.class);
        assertThat(classFile("classes", "Written")).exists();
    }

    @Test
    void scriptsAreCopiedWithoutCompiling() throws IOException {
        compile();
        Path script = Files.createDirectories(project.resolve("src/main/resources/db")).resolve("seed.sql");
        Files.writeString(script, "-- rows");

        assertThat(compile().compiled()).isZero();

        assertThat(project.resolve("target/classes/db/seed.sql")).hasContent("-- rows");
        Files.delete(script);
        compile();
        assertThat(project.resolve("target/classes/db/seed.sql")).doesNotExist();
    }

    @Test
    void librariesThatOnlyMavenKnowsAreAskedForOnce() throws IOException {
        Files.writeString(project.resolve("pom.xml"), """
                <project xmlns="http://maven.apache.org/POM/4.0.0">
                  <modelVersion>4.0.0</modelVersion>
                  <groupId>made</groupId><artifactId>made</artifactId><version>1</version>
                  <dependencies>
                    <dependency>
                      <groupId>com.google.jimfs</groupId><artifactId>jimfs</artifactId><version>1.3.1</version>
                    </dependency>
                  </dependencies>
                </project>
                """);

        compile();

        assertThat(project.resolve("target/vinekit")).isDirectoryContaining("glob:**/libraries-*.txt");
    }
}
