package dev.vinekit.project;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.common.jimfs.Configuration;
import com.google.common.jimfs.Jimfs;
import java.io.IOException;
import java.nio.file.FileSystem;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@Tag("fast")
class MovedFilesTest {
    private static final String VESSEL = """
            package cellar;

            import java.util.List;

            class Vessel {
                int litres;
                String code;
                String cooper;
                Vessel copy() {
                    return new Vessel();
                }
            }
            """;

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "src/other/Vessel.java        | class Vessel -> class Vessel          | found",
        "src/Barrel.java              | Vessel -> Barrel                      | found",
        "src/other/Vessel.java        | int litres; -> long litres;           | found",
        "src/Barrel.java              | (?s)int litres.*cooper; -> Text a;    | ''",
        "src/other/Vessel.java        | (?s)int litres.*cooper; -> Text a;    | found",
        "src/other/Vessel.txt         | class Vessel -> class Vessel          | ''",
        "target/gen/Vessel.java       | class Vessel -> class Vessel          | ''",
        ".git/Vessel.java             | class Vessel -> class Vessel          | ''",
        "src/known/Vessel.java        | class Vessel -> class Vessel          | ''",
        "src/other/Vessel.java        | (?s).* -> class Vessel { }            | ''"})
    void aFileIsKnownAgainByWhatIsLeftOfIt(String path, String change, String found) throws IOException {
        try (FileSystem files = Jimfs.newFileSystem(Configuration.unix())) {
            Path file = Files.createDirectory(files.getPath("/project")).resolve(path);
            Files.createDirectories(file.getParent());
            Files.writeString(file, VESSEL.replaceFirst(change.split(" -> ")[0], change.split(" -> ")[1])
                    .replaceAll("Vessel",
                    path.endsWith("Barrel.java") ? "Barrel" : "Vessel"));
            MovedFiles moved = new MovedFiles(files.getPath("/project"), Set.of("src/known/Vessel.java"));

            assertThat(moved.find("src/Vessel.java", VESSEL).orElse("")).isEqualTo(found.isEmpty() ? "" : path);
            assertThat(moved.find("src/Vessel.java", VESSEL)).as("a file is where one other was").isEmpty();
        }
    }
}
