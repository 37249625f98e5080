package dev.vinekit.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vinekit.Scope;
import dev.vinekit.TestDatabases;
import dev.vinekit.VineKit;
import dev.vinekit.fault.Fault;
import dev.vinekit.source.SourceFile;
import dev.vinekit.source.SourceTree;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PendingWriteTest {
    @TempDir
    private Path directory;

    @Test
    void putsAndRemovesTakeEffectTogether() throws IOException {
        Files.writeString(directory.resolve("old.txt"), "old");
        PendingWrite write = PendingWrite.of(directory);
        write.put("deep/er/new.txt", "new".getBytes(StandardCharsets.UTF_8));
        write.remove("old.txt");

        assertThat(files()).containsOnlyKeys("old.txt", ".vinekit/pending/files/deep/er/new.txt");

        write.commit();

        assertThat(files()).containsExactlyEntriesOf(Map.of("deep/er/new.txt", "new"));
    }

    @Test
    void nothingIsLeftBehindWhenThereWasNothingToFinish() throws IOException {
        PendingWrite.of(directory).finishOrForget();

        assertThat(directory).isEmptyDirectory();
    }

    @Test
    void killedWhileItMovedFilesItIsFinished() throws IOException {
        PendingWrite write = PendingWrite.of(directory);
        write.put("moved.txt", "1".getBytes(StandardCharsets.UTF_8));
        write.put("waiting.txt", "2".getBytes(StandardCharsets.UTF_8));
        write.remove("gone.txt");
        Files.writeString(directory.resolve("gone.txt"), "old");
        write.seal();
        Files.move(directory.resolve(".vinekit/pending/files/moved.txt"), directory.resolve("moved.txt"));

        PendingWrite.of(directory).finishOrForget();

        assertThat(files()).containsExactlyInAnyOrderEntriesOf(Map.of("moved.txt", "1", "waiting.txt", "2"));
    }

    @Test
    void killedWhileItClearedAwayItIsFinished() throws IOException {
        PendingWrite write = PendingWrite.of(directory);
        write.put("done.txt", "1".getBytes(StandardCharsets.UTF_8));
        write.seal();
        Files.delete(directory.resolve(".vinekit/pending/files/done.txt"));

        PendingWrite.of(directory).finishOrForget();

        assertThat(directory).isEmptyDirectory();
    }

    /** Every file of a first generation may be the last that reached the disk. */
    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 10, 50, 100})
    void killedAtAnyFileTheNextRunCompletes(int survived) throws Exception {
        SourceTree sources = sources();
        Path whole = directory.resolve("whole");
        VineKit.write(VineKit.plan(sources, whole));
        Path half = directory.resolve("half");
        PendingWrite killed = PendingWrite.of(half);
        for (int i = 0; i < Math.min(survived, sources.files().size()); i++) {
            SourceFile file = sources.files().get(i);
            killed.put(file.path(), file.text().getBytes(StandardCharsets.UTF_8));
        }

        VineKit.write(VineKit.plan(sources, half));

        assertThat(tree(half)).isEqualTo(tree(whole));
    }

    @Test
    void directoryThatCannotBeMadeIsNamedAndNothingIsWritten() throws Exception {
        SourceTree sources = sources();
        Files.writeString(directory.resolve("file"), "mine");
        Path inside = directory.resolve("file/project");

        assertThatThrownBy(() -> VineKit.write(VineKit.plan(sources, inside)))
                .isInstanceOfSatisfying(Fault.class, fault -> {
            assertThat(fault.kind()).isEqualTo(Fault.Kind.WORLD);
            assertThat(fault).hasMessageContaining("Nothing was changed");
            assertThat(fault.fix()).contains("may be written");
        });
        assertThat(files()).containsOnlyKeys("file");
    }

    private static SourceTree sources() throws Exception {
        try (TestDatabases database = TestDatabases.h2("CREATE TABLE barrel (id INT PRIMARY KEY, code VARCHAR(9))")) {
            return VineKit.generate(VineKit.map(VineKit.read(database.database(), Scope.all()), "com.example.made"));
        }
    }

    private Map<String, String> files() throws IOException {
        return tree(directory);
    }

    private static Map<String, String> tree(Path root) throws IOException {
        Map<String, String> texts = new TreeMap<>();
        try (Stream<Path> files = Files.walk(root)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                texts.put(root.relativize(file).toString(), Files.readString(file, StandardCharsets.ISO_8859_1));
            }
        }
        return texts;
    }
}
