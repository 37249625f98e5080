package dev.vinekit;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.vinekit.project.Project;
import dev.vinekit.run.Compilation;
import dev.vinekit.run.Runner;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * Compiles projects for tests. The classes of the package {@code support}, which are the same in most projects, are
 * compiled once for each text of their sources, and put where the compiler has left them.
 */
public final class QuickCompiler {
    private static final String STATE = "target/vinekit/compiled.json";
    private static final ObjectMapper JSON = new ObjectMapper();

    private QuickCompiler() {
    }

    /** Compiles a project and its tests. */
    public static Compilation compile(Project project) {
        return compile(project, Runner::compile);
    }

    /** Compiles a project without its tests. */
    public static Compilation compileService(Project project) {
        return compile(project, Runner::compileService);
    }

    private static Compilation compile(Project project, Function<Project, Compilation> compiler) {
        try {
            Path kept = kept(project);
            prepare(project, kept);
            Compilation compilation = compiler.apply(project);
            keep(project, kept);
            return compilation;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Path kept(Project project) throws IOException {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            for (Path source : ofSupport(project.directory().resolve("src/main/java"), ".java")) {
                digest.update(source.getFileName().toString().getBytes(StandardCharsets.UTF_8));
                digest.update(Files.readAllBytes(source));
            }
            return Files.createDirectories(Path.of("target/compiled-support")).resolve(
                    HexFormat.of().formatHex(digest.digest(), 0, 12));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private static List<Path> ofSupport(Path folder, String ending) throws IOException {
        try (Stream<Path> files = Files.walk(folder)) {
            return files.filter(file -> file.toString().endsWith(ending) && file.getParent().endsWith("support"))
                    .sorted().toList();
        }
    }

    private static void prepare(Project project, Path kept) throws IOException {
        Path state = project.directory().resolve(STATE);
        if (!Files.exists(kept) || Files.exists(state)) {
            return;
        }
        copy(ofSupport(kept, ".class"), kept.resolve("classes"), project.directory().resolve("target/classes"));
        Files.createDirectories(state.getParent());
        Files.copy(kept.resolve("compiled.json"), state);
    }

    private static synchronized void keep(Project project, Path kept) throws IOException {
        try (FileChannel channel = FileChannel.open(kept.resolveSibling("lock"), StandardOpenOption.CREATE,
                StandardOpenOption.WRITE); FileLock alone = channel.lock()) {
            assert alone.isValid();
            if (!Files.exists(kept)) {
                keepAlone(project, kept);
            }
        }
    }

    private static void keepAlone(Project project, Path kept) throws IOException {
        Path made = Files.createTempDirectory(kept.getParent(), "made");
        Path classes = project.directory().resolve("target/classes");
        copy(ofSupport(classes, ".class"), classes, made.resolve("classes"));
        ObjectNode state = (ObjectNode) JSON.readTree(project.directory().resolve(STATE).toFile());
        state.putObject("tests");
        ObjectNode main = state.putObject("main");
        JsonNode before = JSON.readTree(project.directory().resolve(STATE).toFile()).path("main");
        before.properties().stream().filter(source -> source.getKey().contains("/support/"))
                .forEach(source -> main.set(source.getKey(), source.getValue()));
        JSON.writeValue(made.resolve("compiled.json").toFile(), state);
        Files.move(made, kept, StandardCopyOption.ATOMIC_MOVE);
    }

    private static void copy(List<Path> files, Path from, Path to) throws IOException {
        for (Path file : files) {
            Path copy = to.resolve(from.relativize(file).toString());
            Files.createDirectories(copy.getParent());
            Files.copy(file, copy, StandardCopyOption.REPLACE_EXISTING);
        }
    }
}
