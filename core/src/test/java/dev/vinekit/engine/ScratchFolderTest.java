package dev.vinekit.engine;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class ScratchFolderTest {
    private static final Path TEMPORARY = Path.of(System.getProperty("java.io.tmpdir"));

    private final String kind = "vinekit-made-" + UUID.randomUUID() + "-";

    private List<Path> folders() throws IOException {
        try (Stream<Path> files = Files.list(TEMPORARY)) {
            return files.filter(file -> file.getFileName().toString().startsWith(kind)).toList();
        }
    }

    @AfterEach
    void removeAll() throws IOException {
        for (Path folder : folders()) {
            ScratchFolder.remove(folder);
        }
    }

    @Test
    void folderGoesWithAllThatIsInItWhenItIsClosed() throws IOException {
        ScratchFolder folder = ScratchFolder.ofServer(kind);
        Files.writeString(Files.createDirectories(folder.path().resolve("data/more")).resolve("file"), "rows");
        ScratchFolder another = ScratchFolder.ofServer(kind);

        folder.close();

        assertThat(folders()).containsExactly(another.path());
        another.close();
        assertThat(folders()).isEmpty();
    }

    @Test
    void folderOfAKilledProcessGoesWithTheNextAndItsServerIsStopped() throws Exception {
        Path left = Files.createDirectory(TEMPORARY.resolve(kind + "left"));
        Files.writeString(left.resolve("lock"), "");
        Process server = new ProcessBuilder("sh", "-c", "while true; do sleep 1; done; echo " + left).start();

        ScratchFolder next = ScratchFolder.ofServer(kind);

        assertThat(folders()).containsExactly(next.path());
        assertThat(server.waitFor(5, TimeUnit.SECONDS)).as("the server was stopped").isTrue();
        next.close();
    }

    @Test
    void processThatHasNothingToDoWithTheFolderIsLeftAlone() throws Exception {
        Path left = Files.createDirectory(TEMPORARY.resolve(kind + "left"));
        Files.writeString(left.resolve("lock"), "");
        Process stranger = new ProcessBuilder("sleep", "30").start();

        ScratchFolder.ofServer(kind).close();

        assertThat(stranger.isAlive()).isTrue();
        assertThat(folders()).isEmpty();
        stranger.destroyForcibly().waitFor();
    }

    @Test
    void folderThatAnotherProcessHoldsStays() throws Exception {
        Path script = Files.writeString(Files.createTempFile("Holder", ".java"), """
                public class Holder {
                    public static void main(String[] arguments) throws Exception {
                        System.out.println(dev.vinekit.engine.ScratchFolder.ofServer(arguments[0]).path());
                        System.in.read();
                    }
                }
                """);
        Process holder = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-cp", "target/classes", script.toString(), kind).start();
        try {
            Path held = Path.of(holder.inputReader().readLine());

            ScratchFolder.ofServer(kind).close();

            assertThat(folders()).containsExactly(held);
            holder.destroyForcibly().waitFor();
            ScratchFolder.ofServer(kind).close();
            assertThat(folders()).isEmpty();
        } finally {
            holder.destroyForcibly();
            Files.delete(script);
        }
    }

    @Test
    void manyAreMadeAtTheSameTime() {
        List<ScratchFolder> made = IntStream.range(0, 64).parallel().mapToObj(i -> {
            try {
                return ScratchFolder.ofFiles(kind);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }).toList();

        assertThat(made).extracting(ScratchFolder::path).allMatch(Files::isDirectory).doesNotHaveDuplicates();
    }

    @Test
    void folderWithoutALockIsSomebodyElses() throws IOException {
        Path young = Files.createDirectory(TEMPORARY.resolve(kind + "young"));

        ScratchFolder.ofServer(kind).close();

        assertThat(young).exists();
    }
}
