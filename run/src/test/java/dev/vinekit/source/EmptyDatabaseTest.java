package dev.vinekit.source;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.QuickCompiler;
import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.project.Project;
import java.io.File;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.platform.engine.discovery.DiscoverySelectors;
import org.junit.platform.launcher.core.LauncherDiscoveryRequestBuilder;
import org.junit.platform.launcher.core.LauncherFactory;
import org.junit.platform.launcher.listeners.SummaryGeneratingListener;

/** A generated project tests itself where we are not: on a database of its own, in which its scripts reach no file. */
@Tag("thorough")
class EmptyDatabaseTest {
    private static final String SCRIPT = """
            CREATE TABLE press (id INTEGER PRIMARY KEY, name VARCHAR(20) NOT NULL UNIQUE);
            CREATE TABLE pressing (id INTEGER PRIMARY KEY, press_id INTEGER NOT NULL REFERENCES press (id), litres INTEGER);
            """;

    @TempDir
    private Path directory;

    @ParameterizedTest(name = "{0}")
    @CsvSource(delimiter = '|', value = {
        "h2 | CALL CSVWRITE('{out}', 'SELECT 1')",
        "postgresql | COPY (SELECT 1) TO '{out}'",
        "mariadb | SELECT 1 INTO OUTFILE '{out}'",
        "sqlite | ATTACH '{out}' AS elsewhere",
    })
    void generatedTestsRunOnADatabaseOfTheirOwn(String engine, String attack) throws Exception {
        Path out = directory.resolve("out");
        Project project;
        try (TestDatabases presses = TestDatabases.on(engine, SCRIPT)) {
            project = VineKit.write(VineKit.plan(VineKit.generate(
                    VineKit.map(VineKit.read(presses.database(), Scope.all()), "com.example.made")),
                            directory.resolve("presses")));
        }
        QuickCompiler.compile(project);
        Path classes = project.directory().resolve("target/classes");

        Path anothers = Path.of(System.getProperty("java.io.tmpdir"), "#sql-temptable-of-" + directory.getFileName());
        Files.createFile(anothers);
        assertThat(tested(project)).as("with its own scripts").isEqualTo("found 8, failed 0\n");
        assertThat(Files.deleteIfExists(anothers)).as("another server's temporary tables are left alone").isTrue();

        Path script = classes.resolve("db/schema.sql");
        Files.writeString(script, ";\n" + attack.replace("{out}", out.toString()) + ";\n", StandardOpenOption.APPEND);
        assertThat(tested(project)).as("with a script that writes a file")
                .contains("The test database could not be made.");
        assertThat(out).doesNotExist();
    }

    /** What a process says that runs the tests of a table. */
    private String tested(Project project) throws Exception {
        Path told = directory.resolve("told");
        Path target = project.directory().resolve("target");
        Process process = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1", "-cp",
                String.join(File.pathSeparator, target.resolve("test-classes").toString(),
                target.resolve("classes").toString(), System.getProperty("java.class.path")),
                        EmptyDatabaseTest.class.getName(),
                "com.example.made.repository.PressRepositoryTest",
                "com.example.made.repository.PressingRepositoryTest")
                .directory(project.directory().toFile()).redirectErrorStream(true).redirectOutput(told.toFile())
                .start();
        assertThat(process.waitFor(2, TimeUnit.MINUTES)).isTrue();
        return Files.readString(told);
    }

    /** Runs these classes of tests. */
    public static void main(String[] names) {
        SummaryGeneratingListener summary = new SummaryGeneratingListener();
        LauncherFactory.create().execute(LauncherDiscoveryRequestBuilder.request()
                .selectors(Stream.of(names).map(DiscoverySelectors::selectClass).toList()).build(), summary);
        System.out.println("found " + summary.getSummary().getTestsFoundCount() + ", failed "
                + summary.getSummary().getTotalFailureCount());
        summary.getSummary().printFailuresTo(new PrintWriter(System.out, true, StandardCharsets.UTF_8));
    }
}
