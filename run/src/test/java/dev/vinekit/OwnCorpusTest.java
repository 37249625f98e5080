package dev.vinekit;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vinekit.engine.ScriptDatabase;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import dev.vinekit.schema.Schema;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Schemas of whole trades, as their programmers would write them, with defaults and with every option on. */
@Tag("thorough")
class OwnCorpusTest {
    @TempDir
    private Path directory;

    /** {@code ENGINE/NAME.sql}; the options are in a mapping file of the same name. */
    static Stream<Path> scripts() throws IOException {
        try (Stream<Path> files = Files.walk(Path.of("../bench/corpus/own"))) {
            return files.filter(file -> file.toString().endsWith(".sql")).sorted().toList().stream();
        }
    }

    @ParameterizedTest
    @MethodSource("scripts")
    void everyTestPassesWithDefaults(Path script) throws Exception {
        passes(script, "{project: {package: com.example.made}}");
    }

    @ParameterizedTest
    @MethodSource("scripts")
    void everyTestPassesWithEveryOption(Path script) throws Exception {
        passes(script, Files.readString(Path.of(script.toString().replace(".sql", ".yaml"))));
    }

    private void passes(Path script, String mappingFile) throws Exception {
        String engine = script.getParent().getFileName().toString();
        TestDatabases.require(engine);
        try (ScriptDatabase loaded = VineKit.load(engine, script)) {
            Schema schema = VineKit.asRowsTell(loaded.database(), VineKit.read(loaded.database(), Scope.all()));
            Mapping mapping = VineKit.map(schema, MappingFile.parse("options", mappingFile, Map.of(), false), Set.of());
            Project project = VineKit.write(VineKit.plan(VineKit.generate(mapping, ""), directory));
            QuickCompiler.compile(project);

            assertThat(Runner.test(project).failures()).isEmpty();
        }
    }
}
