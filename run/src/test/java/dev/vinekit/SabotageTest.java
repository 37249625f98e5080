package dev.vinekit;

import dev.vinekit.cellar.Cellar;
import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.Project;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Tag;

/** Changes to the generated service of the cellar. */
@Tag("thorough")
class SabotageTest extends Sabotage {
    SabotageTest() {
        super("sabotage.txt", 140, 80);
    }

    @Override
    Project generated(Path directory) throws Exception {
        Path file = Files.writeString(directory.resolve("vinekit.yaml"), """
                http:
                  other-tables: ["*"]
                entities:
                  label:
                    access: {read: [cellar-hand, winemaker], create: [winemaker], replace: [winemaker], delete: [winemaker]}
                """);
        try (Cellar cellar = TestDatabases.cellar("h2")) {
            return VineKit.write(VineKit.plan(VineKit.generate(
                    VineKit.map(VineKit.read(cellar.database(), Scope.all()),
                    MappingFile.read(file, Map.of(), false).inPackage("com.example.cellar"), Set.of()),
                            Cellar.seed("h2")),
                    directory.resolve("project")));
        }
    }
}
