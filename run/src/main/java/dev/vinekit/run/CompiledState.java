package dev.vinekit.run;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.json.JsonMapper;
import dev.vinekit.project.ProjectPaths;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;

/**
 * What a project was compiled from last, kept beside its classes.
 *
 * @param classPath the libraries
 * @param main a hash for each source of the service
 * @param tests a hash for each source of the tests
 */
record CompiledState(String classPath, Map<String, String> main, Map<String, String> tests) {
    private static final String FILE = "target/vinekit/compiled.json";
    private static final JsonMapper MAPPER = new JsonMapper();

    CompiledState {
        main = Map.copyOf(main);
        tests = Map.copyOf(tests);
    }

    /**
     * The state of the last time; of a file that is not ours, or of none, that of a project that was never compiled.
     */
    static CompiledState read(Path project) throws IOException {
        Path file = ProjectPaths.of(project).resolve(FILE);
        if (!Files.isRegularFile(file)) {
            return new CompiledState("", Map.of(), Map.of());
        }
        try {
            return MAPPER.readValue(Files.readString(file), CompiledState.class);
        } catch (JsonProcessingException e) {
            return new CompiledState("", Map.of(), Map.of());
        }
    }

    void write(Path project) throws IOException {
        Path file = ProjectPaths.of(project).resolve(FILE);
        Files.createDirectories(file.getParent());
        Files.writeString(file, MAPPER.writeValueAsString(this));
    }
}
