package dev.vinekit.engine;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileAttribute;
import java.nio.file.attribute.PosixFilePermissions;

/** What is kept from one run to the next, for one user alone: programs that are unpacked once, for instance. */
public final class UserCache {
    private UserCache() {
    }

    /**
     * A folder that other users can neither write to nor read: in {@code XDG_CACHE_HOME} if that is set (XDG Base
     * Directory Specification), else in {@code .cache} in the user's home. Users without a home, such as those of
     * services, have one in the folder for temporary files.
     *
     * @throws IOException if none of these can be used
     */
    public static Path folder(String name) throws IOException {
        String cache = System.getenv("XDG_CACHE_HOME");
        if (cache != null && !cache.isEmpty()) {
            return ours(ours(Path.of(cache).resolve("vinekit")).resolve(name));
        }
        String home = System.getenv("HOME");
        Path temporary = Path.of(System.getProperty("java.io.tmpdir"), "vinekit-" + System.getProperty("user.name"));
        IOException refusal = new IOException("no cache folder can be used");
        for (Path base : new Path[] {Path.of(System.getProperty("user.home"), ".cache", "vinekit"),
            home == null || home.isEmpty() ? temporary : Path.of(home, ".cache", "vinekit"), temporary}) {
            try {
                return ours(ours(base).resolve(name));
            } catch (IOException e) {
                refusal.addSuppressed(e);
            }
        }
        throw refusal;
    }

    private static Path ours(Path folder) throws IOException {
        boolean posix = Path.of("").getFileSystem().supportedFileAttributeViews().contains("posix");
        FileAttribute<?>[] onlyOurs = posix
                ? new FileAttribute<?>[] {PosixFilePermissions.asFileAttribute(
                        PosixFilePermissions.fromString("rwx------"))}
                : new FileAttribute<?>[0];
        Files.createDirectories(folder, onlyOurs);
        if (posix && !Files.getOwner(folder).getName().equals(System.getProperty("user.name"))) {
            throw new IOException(folder + " belongs to another user");
        }
        if (posix) {
            Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
        }
        return folder;
    }
}
