package dev.vinekit.project;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.Scope;
import dev.vinekit.VineKit;
import dev.vinekit.engine.ScriptDatabase;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.run.Compilation;
import dev.vinekit.run.Runner;
import dev.vinekit.run.TestReport;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Generated layers within applications that were there before, with servers and containers of their own. */
@Tag("thorough")
class HostApplicationsTest {
    @TempDir
    private Path directory;

    @ParameterizedTest
    @CsvSource({"on-grizzly, com.example.press.tables, TodayTest", "in-tomcat, com.example.shop.stock, SignTest"})
    void generatedTestsProveTheEndpointsWhereTheyRun(String example, String basePackage, String ownTest)
            throws Exception {
        copy(Path.of("../examples").resolve(example));
        Mapping mapping;
        try (ScriptDatabase database = VineKit.load("h2", directory.resolve("schema.sql"))) {
            mapping = VineKit.map(VineKit.read(database.database(), Scope.all()), mappingFile(), Set.of());
        }
        assertThat(mapping.basePackage().value()).isEqualTo(basePackage);

        ChangeSet changes = VineKit.plan(VineKit.generate(mapping), directory);
        assertThat(changes.missingLibraries()).isEmpty();
        Project project = VineKit.write(changes);
        Compilation compilation = Runner.compile(project);
        TestReport report = Runner.test(project, compilation);

        assertThat(compilation.warnings()).isEmpty();
        assertThat(report.failures()).isEmpty();
        assertThat(report.outcomes()).hasSizeGreaterThan(100).extracting("testClass").contains(ownTest);
        assertThat(directory.resolve("src/main/java").resolve(basePackage.replace('.', '/') + "/support/Server.java"))
                .doesNotExist();
    }

    /** The press house again, with folders that Maven does not usually have. */
    @Test
    void filesGoWhereTheProjectKeepsItsOwn() throws Exception {
        copy(Path.of("../examples/on-grizzly"));
        Path pom = directory.resolve("pom.xml");
        Files.writeString(pom, Files.readString(pom).replace("<build>", """
                <build>
                    <sourceDirectory>code</sourceDirectory>
                    <testSourceDirectory>tests</testSourceDirectory>
                    <resources><resource><directory>conf</directory></resource></resources>
                    <testResources><testResource><directory>testconf</directory></testResource></testResources>
                """));
        for (String[] move : new String[][] {
            {"main/java", "code"}, {"test/java", "tests"}, {"test/resources", "testconf"}}) {
            Files.move(directory.resolve("src").resolve(move[0]), directory.resolve(move[1]));
        }
        Project project;
        try (ScriptDatabase database = VineKit.load("h2", directory.resolve("schema.sql"))) {
            project = VineKit.write(VineKit.plan(VineKit.generate(VineKit.map(
                    VineKit.read(database.database(), Scope.all()), mappingFile(), Set.of())), directory));
        }

        TestReport report = Runner.test(project, Runner.compile(project));

        assertThat(report.failures()).isEmpty();
        assertThat(report.outcomes()).hasSizeGreaterThan(100);
        assertThat(directory.resolve("conf/db/schema.sql")).exists();
        assertThat(directory.resolve("code/com/example/press/tables/entity/Grower.java")).exists();
        assertThat(directory.resolve("src/main/java")).doesNotExist();
        assertThat(directory.resolve("src/main/resources")).doesNotExist();
    }

    private MappingFile mappingFile() {
        return MappingFile.read(directory.resolve("vinekit.yaml"), Map.of(), true)
                .inPackage(PackageChoice.of(directory).name());
    }

    private void copy(Path example) throws IOException {
        try (Stream<Path> files = Files.walk(example)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                Path copy = directory.resolve(example.relativize(file).toString());
                Files.createDirectories(copy.getParent());
                Files.copy(file, copy);
            }
        }
    }
}
