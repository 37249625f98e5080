package dev.vinekit.engine;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.stream.Stream;

/**
 * The data directory with which servers of scratch databases begin. It is made once for each version of a server, kept
 * in the user's cache, and copied for each server.
 */
public final class ServerTemplate {
    /** How many versions of one server are kept. */
    private static final int KEPT = 3;

    private final String server;
    private final String name;

    /**
     * The template of a version of a server; nothing is made yet.
     *
     * @param server the name of its engine
     * @param version whatever distinguishes the programs and the options with which the directory is made
     */
    public ServerTemplate(String server, String version) {
        this.server = server;
        try {
            byte[] hash = MessageDigest.getInstance("SHA-256").digest(version.getBytes(StandardCharsets.UTF_8));
            this.name = server + "-" + HexFormat.of().formatHex(hash, 0, 8);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }

    /** Fills a new directory. */
    @FunctionalInterface
    public interface Maker {
        void fill(Path directory) throws IOException;
    }

    /**
     * Copies the template, which is made before if it is not there. Other processes wait until it is complete.
     *
     * @param to is not there yet
     */
    public void copy(Path to, Maker maker) throws IOException {
        Path templates = UserCache.folder("templates");
        try (FileChannel channel = FileChannel.open(templates.resolve(server + ".lock"), StandardOpenOption.CREATE,
                StandardOpenOption.WRITE); FileLock alone = channel.lock()) {
            assert alone.isValid();
            Path template = templates.resolve(name);
            if (!Files.exists(template)) {
                Path unfinished = templates.resolve(server + ".unfinished");
                removeIfThere(unfinished);
                maker.fill(Files.createDirectory(unfinished));
                Files.move(unfinished, template, StandardCopyOption.ATOMIC_MOVE);
                removeOld(templates);
            }
            try (Stream<Path> files = Files.walk(template)) {
                for (Path file : files.toList()) {
                    Files.copy(file, to.resolve(template.relativize(file).toString()),
                            StandardCopyOption.COPY_ATTRIBUTES);
                }
            }
        }
    }

    /** Removes the template, so that the next copy makes it again. */
    public void discard() throws IOException {
        removeIfThere(UserCache.folder("templates").resolve(name));
    }

    private void removeOld(Path templates) throws IOException {
        List<Path> all;
        try (Stream<Path> files = Files.list(templates)) {
            all = files.filter(file -> file.getFileName().toString().matches(server + "-[0-9a-f]{16}"))
                    .sorted(Comparator.comparing((Path file) -> file.toFile().lastModified()).reversed()).toList();
        }
        for (Path old : all.subList(Math.min(KEPT, all.size()), all.size())) {
            ScratchFolder.remove(old);
        }
    }

    private static void removeIfThere(Path folder) throws IOException {
        if (Files.exists(folder)) {
            ScratchFolder.remove(folder);
        }
    }
}
