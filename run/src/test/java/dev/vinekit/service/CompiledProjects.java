package dev.vinekit.service;

import dev.vinekit.VineKit;
import dev.vinekit.project.Project;
import dev.vinekit.run.Runner;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.URISyntaxException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.stream.Stream;

/**
 * Generated and compiled projects, each made once for all processes that run tests, for as long as the classes of Vine
 * Kit are the same. Who asks gets a copy.
 */
final class CompiledProjects {
    static final CompiledProjects SHARED = new CompiledProjects(Path.of("target"));

    /** What the classes of Vine Kit are: a project is made again when they are others. */
    private static final String CLASSES = classes();

    private final Path target;

    private CompiledProjects(Path target) {
        this.target = target;
    }

    /** Makes a project in a directory that is not there yet. */
    interface Maker {
        Project make(Path directory) throws Exception;
    }

    /** A copy of the project that is made from these words. */
    synchronized Project get(List<String> key, Maker maker) {
        try {
            Path kept = Files.createDirectories(target.resolve("compiled-projects")).resolve(name(key));
            try (FileChannel channel = FileChannel.open(Path.of(kept + ".lock"), StandardOpenOption.CREATE,
                    StandardOpenOption.WRITE); FileLock lock = channel.lock()) {
                assert lock.isValid();
                if (!Files.exists(kept)) {
                    Path made = Files.createTempDirectory(kept.getParent(), "made").resolve("service");
                    maker.make(made);
                    Files.move(made, kept, StandardCopyOption.ATOMIC_MOVE);
                }
            }
            return Project.existing(copy(kept, Files.createTempDirectory("served").resolve("service")));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (RuntimeException e) {
            throw e;
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    private static String name(List<String> key) throws NoSuchAlgorithmException {
        MessageDigest digest = MessageDigest.getInstance("SHA-256");
        digest.update(CLASSES.getBytes(StandardCharsets.UTF_8));
        key.forEach(word -> digest.update((word.length() + " " + word).getBytes(StandardCharsets.UTF_8)));
        return HexFormat.of().formatHex(digest.digest(), 0, 12);
    }

    private static String classes() {
        try {
            return hash();
        } catch (IOException | NoSuchAlgorithmException | URISyntaxException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String hash() throws IOException, NoSuchAlgorithmException, URISyntaxException {
        MessageDigest digest = MessageDigest.getInstance("SHA-256");
        for (Class<?> type : List.of(VineKit.class, Runner.class)) {
            Path code = Path.of(type.getProtectionDomain().getCodeSource().getLocation().toURI());
            try (Stream<Path> classes = Files.walk(code)) {
                for (Path file : classes.filter(Files::isRegularFile).sorted().toList()) {
                    digest.update(file.toString().getBytes(StandardCharsets.UTF_8));
                    try (DigestInputStream read = new DigestInputStream(Files.newInputStream(file), digest)) {
                        read.transferTo(OutputStream.nullOutputStream());
                    }
                }
            }
        }
        return HexFormat.of().formatHex(digest.digest());
    }

    private static Path copy(Path from, Path to) throws IOException {
        try (Stream<Path> files = Files.walk(from)) {
            for (Path file : files.toList()) {
                Files.copy(file, to.resolve(from.relativize(file)), StandardCopyOption.COPY_ATTRIBUTES);
            }
        }
        return to;
    }
}
