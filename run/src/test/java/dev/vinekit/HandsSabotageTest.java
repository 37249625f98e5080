package dev.vinekit;

import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.Project;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Tag;

/** Changes to the generated service of the cellar's hands: to whose rows, which fields, what is filled in and what stays. */
@Tag("thorough")
class HandsSabotageTest extends Sabotage {
    private static final Path EXAMPLE = Path.of("../examples/cellar-hands");

    HandsSabotageTest() {
        super("sabotage-hands.txt", 40, 40);
    }

    @Override
    Project generated(Path directory) throws Exception {
        Path file = Files.writeString(directory.resolve("vinekit.yaml"), Files.readString(EXAMPLE.resolve("vinekit.yaml"))
                .replace("com.example.hands", "com.example.cellar"));
        try (TestDatabases database = TestDatabases.h2(Files.readString(EXAMPLE.resolve("schema.sql")))) {
            return VineKit.write(VineKit.plan(VineKit.generate(
                    VineKit.map(VineKit.read(database.database(), Scope.all()),
                    MappingFile.read(file, Map.of(), false).inPackage("com.example.cellar"), Set.of()), ""),
                    directory.resolve("project")));
        }
    }
}
