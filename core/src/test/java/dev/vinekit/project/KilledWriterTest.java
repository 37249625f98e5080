package dev.vinekit.project;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A process that writes again and again is killed at random moments. */
class KilledWriterTest {
    private static final int FILES = 120;

    @TempDir
    private Path directory;

    /** The process: takes the project from one of two states to the other and back, until it is killed. */
    public static final class Writer {
        private Writer() {
        }

        public static void main(String[] arguments) throws IOException {
            Path project = Path.of(arguments[0]);
            PendingWrite.of(project).finishOrForget();
            System.out.println("writing");
            for (int turn = 0; ; turn++) {
                PendingWrite write = PendingWrite.of(project);
                for (Map.Entry<String, String> file : state(turn % 2).entrySet()) {
                    write.put(file.getKey(), file.getValue().getBytes(StandardCharsets.UTF_8));
                }
                state(1 - turn % 2).keySet().stream()
                        .filter(path -> !state(1).containsKey(path) || !state(0).containsKey(path))
                        .forEach(write::remove);
                write.commit();
            }
        }
    }

    /** Files that are in both states with other content, and some that are in one alone. */
    private static Map<String, String> state(int which) {
        Map<String, String> files = new HashMap<>();
        for (int i = 0; i < FILES; i++) {
            boolean inBoth = i % 4 != 0;
            String path = "src/package" + i % 7 + "/File" + i + (inBoth ? "" : "Of" + which) + ".java";
            files.put(path, ("state " + which + " of file " + i + "\n").repeat(20 + i));
        }
        return files;
    }

    @Test
    void projectIsAsBeforeOrAsAfter() throws Exception {
        kill(8, new Random(7));
    }

    @Tag("thorough")
    @Test
    void projectIsAsBeforeOrAsAfterFiftyTimes() throws Exception {
        kill(50, new Random(8));
    }

    private void kill(int times, Random random) throws Exception {
        for (int kill = 0; kill < times; kill++) {
            Process writer = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                    "-XX:TieredStopAtLevel=1", "-cp", System.getProperty("java.class.path"), Writer.class.getName(),
                    directory.toString()).redirectErrorStream(true).start();
            assertThat(writer.getInputStream().read()).isEqualTo('w');
            TimeUnit.MICROSECONDS.sleep(random.nextInt(150_000));
            writer.destroyForcibly().waitFor();
            assertEveryFileIsWhole();

            PendingWrite.of(directory).finishOrForget();

            assertThat(files()).as("kill %d", kill).isIn(List.of(Map.of(), state(0), state(1)));
        }
    }

    private void assertEveryFileIsWhole() throws IOException {
        files().forEach((path, text) -> assertThat(text).as(path)
                .isIn(Stream.of(state(0).get(path), state(1).get(path)).filter(other -> other != null).toList()));
    }

    private Map<String, String> files() throws IOException {
        Map<String, String> files = new HashMap<>();
        try (Stream<Path> all = Files.walk(directory)) {
            for (Path file : all.filter(Files::isRegularFile).filter(file -> !file.toString().contains(".vinekit"))
                    .toList()) {
                files.put(directory.relativize(file).toString(), Files.readString(file, StandardCharsets.ISO_8859_1));
            }
        }
        return files;
    }
}
