package dev.vinekit.examples;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.cellar.Cellar;
import dev.vinekit.project.FileChange;
import dev.vinekit.source.SourceFile;
import dev.vinekit.source.SourceTree;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The generated service that is checked in beside this module. */
class CellarServiceTest {
    private static final Path CHECKED_IN = Path.of("../cellar-service");

    @Test
    void generatingItAfreshGivesTheSameBytes() throws IOException {
        SourceTree fresh = fresh();

        for (SourceFile file : fresh.files()) {
            assertThat(Files.readAllBytes(CHECKED_IN.resolve(file.path())))
                    .as(file.path()).isEqualTo(file.text().getBytes(StandardCharsets.UTF_8));
        }
        assertThat(VineKit.plan(fresh, CHECKED_IN).changes()).extracting(FileChange::kind)
                .containsOnly(FileChange.Kind.SAME);
    }

    @Tag("thorough")
    @Test
    void standsOnItsOwnElsewhere(@TempDir Path elsewhere) throws Exception {
        for (SourceFile file : fresh().files()) {
            Path copy = elsewhere.resolve(file.path());
            Files.createDirectories(copy.getParent());
            Files.copy(CHECKED_IN.resolve(file.path()), copy);
        }
        Path log = elsewhere.resolve("mvn.log");

        int exit = new ProcessBuilder("mvn", "-B", "-Dstyle.color=never", "verify")
                .directory(elsewhere.toFile()).redirectErrorStream(true).redirectOutput(log.toFile())
                .start().waitFor();

        List<String> lines = Files.readAllLines(log);
        assertThat(exit).as(String.join("\n", lines)).isZero();
        assertThat(lines).anyMatch(line -> line.matches(
                ".*Tests run: [5-9]\\d\\d, Failures: 0, Errors: 0, Skipped: 0.*"));
        assertThat(lines).noneMatch(line -> line.contains("[WARNING]") && line.contains(".java"));
        assertThat(elsewhere.resolve("target/app/lib")).isDirectoryContaining("glob:**/lit-html-*.jar");
        assertThat(started(elsewhere.resolve("target/app"))).contains("DB_URL is not set");
    }

    /** What the packaged service says when it is started without settings. */
    private static String started(Path app) throws Exception {
        Path log = app.resolve("start.log");
        int exit = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-jar", "cellar-service.jar")
                .directory(app.toFile()).redirectErrorStream(true).redirectOutput(log.toFile())
                .start().waitFor();
        assertThat(exit).isEqualTo(1);
        return Files.readString(log);
    }

    private static SourceTree fresh() {
        try (Cellar cellar = Cellar.open()) {
            return VineKit.generate(VineKit.map(VineKit.read(cellar.database(), Scope.all()), "com.example.cellar"),
                    Cellar.seed());
        }
    }
}
