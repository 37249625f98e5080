package dev.vinekit.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.ObjectMapper;
import dev.vinekit.fault.Fault;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

@Tag("fast")
class LastRunTest {
    private static final String RECORD = ".vinekit/generated.json.xz";
    private static final String BARREL = "CREATE TABLE barrel (id INT PRIMARY KEY, code VARCHAR(10) NOT NULL)";

    @TempDir
    private Path parent;

    @Test
    void recordTakesLittleRoomAndIsTheSameForTheSameFiles() throws Exception {
        GeneratedProject one = new GeneratedProject(parent.resolve("one"));
        GeneratedProject other = new GeneratedProject(parent.resolve("other"));
        one.generate(BARREL);
        other.generate(BARREL);

        long texts = LastRun.of(one.directory()).texts().values().stream().mapToLong(String::length).sum();

        assertThat(one.directory().resolve(RECORD)).hasSameBinaryContentAs(other.directory().resolve(RECORD));
        assertThat(Files.size(one.directory().resolve(RECORD))).isLessThan(texts / 4);
        assertThat(one.directory().resolve(".vinekit")).isDirectoryNotContaining("glob:**/generated");
    }

    /** Second copies of all files, what each is for, and what the service is. */
    @Test
    void recordOfTheFirstFormIsReadAndGivesWay() throws Exception {
        GeneratedProject project = new GeneratedProject(parent.resolve("project"));
        project.generate(BARREL);
        Path directory = project.directory();
        RunRecord record = RunRecord.read(Files.readAllBytes(directory.resolve(RECORD)));
        Map<String, Map<String, String>> files = new LinkedHashMap<>();
        for (Map.Entry<String, RunRecord.Entry> file : record.files().entrySet()) {
            Path copy = directory.resolve(".vinekit/generated/" + file.getKey() + ".txt");
            Files.createDirectories(copy.getParent());
            Files.writeString(copy, file.getValue().text());
            files.put(file.getKey(), Map.of("role", file.getValue().role()));
        }
        new ObjectMapper().writeValue(directory.resolve(".vinekit/files.json").toFile(), files);
        new ObjectMapper().writeValue(directory.resolve(".vinekit/service.json").toFile(), record.service());
        Files.delete(directory.resolve(RECORD));
        project.edit("entity/Barrel", "public record Barrel(", "/** Ours. */\npublic record Barrel(");

        ChangeSet changes = project.generate(BARREL.replace("code", "toast VARCHAR(8), code"));

        assertThat(changes.ofKind(FileChange.Kind.MERGED)).extracting(FileChange::path)
                .containsExactly(GeneratedProject.path("entity/Barrel"));
        assertThat(changes.ofKind(FileChange.Kind.CONFLICT)).isEmpty();
        assertThat(changes.ofKind(FileChange.Kind.LEFT_ALONE)).isEmpty();
        assertThat(project.text("entity/Barrel")).contains("/** Ours. */", "String toast,");
        try (var kept = Files.list(directory.resolve(".vinekit"))) {
            assertThat(kept.map(file -> file.getFileName().toString()))
                    .containsExactlyInAnyOrder(".gitattributes", "generated.json.xz", "schema.json");
        }
    }

    @Test
    void recordThatIsDamagedIsSaidToBeSoAndNothingIsWritten() throws Exception {
        GeneratedProject project = new GeneratedProject(parent.resolve("project"));
        project.generate(BARREL);
        Path record = project.directory().resolve(RECORD);
        byte[] bytes = Files.readAllBytes(record);
        bytes[bytes.length / 2]++;
        Files.write(record, bytes);

        assertThatThrownBy(() -> project.generate(BARREL)).isInstanceOf(Fault.class)
                .hasMessageContaining("generated.json.xz cannot be understood");
        assertThat(record).hasBinaryContent(bytes);
    }
}
