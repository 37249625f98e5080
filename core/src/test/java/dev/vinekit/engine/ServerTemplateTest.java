package dev.vinekit.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

@Tag("fast")
class ServerTemplateTest {
    @TempDir
    private Path directory;

    private final String server = "made" + UUID.randomUUID();
    private final AtomicInteger made = new AtomicInteger();

    private List<Path> templates() throws IOException {
        try (Stream<Path> files = Files.list(UserCache.folder("templates"))) {
            return files.filter(file -> file.getFileName().toString().startsWith(server)).toList();
        }
    }

    @AfterEach
    void remove() throws IOException {
        for (Path file : templates()) {
            ScratchFolder.remove(file);
        }
    }

    private void fill(Path template) throws IOException {
        Files.writeString(Files.createDirectory(template.resolve("rows")).resolve("file"), "made " + made.incrementAndGet());
    }

    private String copied(String name, String version) throws IOException {
        new ServerTemplate(server, version).copy(directory.resolve(name), this::fill);
        return Files.readString(directory.resolve(name).resolve("rows/file"));
    }

    @Test
    void templateIsMadeOnceForAVersionAndCopied() throws IOException {
        assertThat(copied("a", "1")).isEqualTo("made 1");
        Files.writeString(directory.resolve("a/rows/file"), "changed by a server");

        assertThat(copied("b", "1")).isEqualTo("made 1");
        assertThat(copied("c", "2")).isEqualTo("made 2");
    }

    @Test
    void whatWasLeftHalfMadeIsNotUsed() throws IOException {
        assertThatThrownBy(() -> new ServerTemplate(server, "1").copy(directory.resolve("a"), template -> {
            Files.writeString(template.resolve("half"), "");
            throw new IOException("the disk is full");
        })).hasMessage("the disk is full");
        assertThat(directory.resolve("a")).doesNotExist();

        assertThat(copied("b", "1")).isEqualTo("made 1");
        assertThat(directory.resolve("b/half")).doesNotExist();
    }

    @Test
    void discardedTemplateIsMadeAgain() throws IOException {
        copied("a", "1");

        new ServerTemplate(server, "1").discard();

        assertThat(copied("b", "1")).isEqualTo("made 2");
    }

    @Test
    void oldVersionsGo() throws IOException {
        for (int version = 1; version <= 6; version++) {
            copied("version " + version, "version " + version);
        }

        assertThat(templates()).filteredOn(Files::isDirectory).hasSize(3);
        assertThat(copied("again", "version 6")).isEqualTo("made 6");
    }
}
