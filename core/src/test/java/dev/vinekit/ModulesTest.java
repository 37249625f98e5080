package dev.vinekit;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.io.IOException;
import java.lang.module.ModuleDescriptor;
import java.lang.module.ModuleFinder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Vine Kit as a module, to a program that reads, maps, generates and writes, and has nothing else on its path. */
class ModulesTest {
    private static final int MOST_EXPORTS = 11;

    @Test
    void exportsAreFewAndEveryEngineIsProvided() throws IOException {
        ModuleDescriptor core = ModuleFinder.of(Path.of("target/classes")).find("dev.vinekit.core").orElseThrow()
                .descriptor();

        assertThat(core.exports()).hasSizeLessThanOrEqualTo(MOST_EXPORTS)
                .noneMatch(ModuleDescriptor.Exports::isQualified);
        assertThat(core.provides()).singleElement().satisfies(provided -> assertThat(provided.providers())
                .isEqualTo(Files.readAllLines(Path.of("src/main/resources/META-INF/services", provided.service()))));
    }

    @Test
    void whoReadsAndWritesGetsNoServerAndNoTestFramework() throws IOException {
        assertThat(libraries()).extracting(path -> path.getFileName().toString())
                .noneMatch(name -> name.matches("(undertow|resteasy|junit|mockito|HikariCP|assertj|hibernate).*"))
                .anyMatch(name -> name.startsWith("freemarker"));
    }

    @Test
    void aModuleReadsMapsGeneratesAndWrites(@TempDir Path directory) throws Exception {
        Path source = Files.createDirectories(directory.resolve("source/reader"));
        Files.writeString(directory.resolve("source/module-info.java"),
                "module reader { requires dev.vinekit.core; }");
        Files.writeString(source.resolve("Reader.java"), """
                package reader;
                import dev.vinekit.*;
                public class Reader {
                    public static void main(String[] directory) throws Exception {
                        String engine = directory[1];
                        try (var cellar = dev.vinekit.cellar.Cellar.open(engine)) {
                            var schema = VineKit.read(cellar.database(), Scope.all());
                            var mapping = VineKit.map(schema, "com.example.cellar");
                            var tree = VineKit.generate(mapping, dev.vinekit.cellar.Cellar.seed(engine));
                            var project = VineKit.write(VineKit.plan(tree, java.nio.file.Path.of(directory[0])));
                            System.out.println(project.service().tables().size() + " tables");
                            System.out.print(VineKit.snapshot(schema).isEmpty());
                        }
                    }
                }
                """);
        StringBuilder path = new StringBuilder(Path.of("target/classes").toAbsolutePath().toString());
        libraries().forEach(library -> path.append(File.pathSeparator).append(library));
        Path classes = directory.resolve("classes");

        assertThat(run(directory, "javac", "-p", path.toString(), "-d", classes.toString(),
                directory.resolve("source/module-info.java").toString(), source.resolve("Reader.java").toString()))
                .isEmpty();
        for (String engine : List.of("h2", "sqlite")) {
            assertThat(run(directory, "java", "-p", path + File.pathSeparator + classes, "-m", "reader/reader.Reader",
                    directory.resolve(engine).toString(), engine)).contains("15 tables", "false");
            assertThat(directory.resolve(engine + "/src/main/java/com/example/cellar/entity/Vessel.java")).exists();
        }
    }

    private static List<Path> libraries() throws IOException {
        return List.of(Files.readString(Path.of("target/classpath")).strip().split(File.pathSeparator)).stream()
                .map(Path::of).toList();
    }

    private static String run(Path directory, String program, String... arguments) throws Exception {
        Path told = Files.createTempFile(directory, "told", ".txt");
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", program).toString()));
        command.addAll(List.of(arguments));
        Process process = new ProcessBuilder(command).directory(directory.toFile()).redirectErrorStream(true)
                .redirectOutput(told.toFile()).start();
        assertThat(process.waitFor(2, TimeUnit.MINUTES)).isTrue();
        String text = Files.readString(told);
        assertThat(process.exitValue()).as(text).isZero();
        return text;
    }
}
