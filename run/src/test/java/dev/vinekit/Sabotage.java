package dev.vinekit;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import javax.tools.JavaCompiler;
import javax.tools.StandardJavaFileManager;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Generated tests must be able to fail: each change to a generated service is one that they notice. The changes, one
 * on a line with its file, the text that goes and the text that comes, are in a file.
 */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
abstract class Sabotage {
    private final String file;
    private final int least;
    private final int seconds;
    private Project project;
    private Path classes;

    /**
     * @param file of the changes
     * @param least how many there are at least
     * @param seconds within which some of them are tried
     */
    Sabotage(String file, int least, int seconds) {
        this.file = file;
        this.least = least;
        this.seconds = seconds;
    }

    /** The service, in a package {@code com.example.cellar}. */
    abstract Project generated(Path directory) throws Exception;

    @BeforeAll
    void generate(@TempDir Path directory) throws Exception {
        project = generated(directory);
        classes = project.directory().resolve("target/classes");
        QuickCompiler.compile(project);
    }

    @Test
    void thereAreManyChangesAndTheUntouchedServiceIsGreen() throws Exception {
        assertThat(all()).hasSizeGreaterThanOrEqualTo(least);
        assertThat(Runner.test(project).failures()).isEmpty();
    }

    Stream<Change> changes() throws Exception {
        return Timebox.of(all(), "sabotage", seconds);
    }

    private List<Change> all() throws IOException {
        return Files.readAllLines(Path.of("src/test/resources/dev/vinekit/" + file)).stream()
                .filter(line -> !line.isBlank() && !line.startsWith("#")).map(Change::of).toList();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("changes")
    void changeIsNoticed(Change change) throws Exception {
        Path source = project.directory().resolve("src/main/java/com/example/cellar/" + change.file() + ".java");
        String original = Files.readString(source);
        Map<Path, byte[]> untouched = classesOf(change.file());
        assertThat(original).as(change.what()).contains(change.from());
        try {
            Files.writeString(source, original.replace(change.from(), change.to()));
            compile(source);

            assertThat(Runner.test(project, new Scope(List.of(), change.tables())).failures()).as(change.what())
                    .isNotEmpty();
        } finally {
            Files.writeString(source, original);
            for (Map.Entry<Path, byte[]> file : untouched.entrySet()) {
                Files.write(file.getKey(), file.getValue());
            }
        }
    }

    private Map<Path, byte[]> classesOf(String source) throws IOException {
        Path folder = classes.resolve("com/example/cellar/" + source).getParent();
        String name = source.substring(source.lastIndexOf('/') + 1);
        Map<Path, byte[]> found = new HashMap<>();
        try (DirectoryStream<Path> files = Files.newDirectoryStream(folder, name + "{.class,$*.class}")) {
            for (Path file : files) {
                found.put(file, Files.readAllBytes(file));
            }
        }
        return found;
    }

    private void compile(Path source) throws Exception {
        JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
        try (StandardJavaFileManager files = compiler.getStandardFileManager(null, null, StandardCharsets.UTF_8)) {
            boolean compiled = compiler.getTask(null, files, null, List.of("-proc:none", "--release", "17", "-nowarn",
                    "-d", classes.toString(), "-cp", classes + File.pathSeparator
                    + System.getProperty("java.class.path")),
                    null, files.getJavaFileObjects(source)).call();
            assertThat(compiled).as(source.toString()).isTrue();
        }
    }

    /**
     * A change to a source file.
     *
     * @param tables whose tests are to notice; all, and the service as a whole, if there are none
     */
    record Change(String what, List<String> tables, String file, String from, String to) {
        static Change of(String line) {
            String[] parts = line.split(" \\|(?: |$)", -1);
            return new Change(parts[0].strip(), parts[1].strip().equals("*") ? List.of()
                    : List.of(parts[1].strip().split(" ")), parts[2].strip(),
                    lines(parts[3]), parts.length < 5 ? "" : lines(parts[4]));
        }

        private static String lines(String text) {
            return text.strip().replace("\\n", "\n");
        }

        @Override
        public String toString() {
            return what;
        }
    }
}
