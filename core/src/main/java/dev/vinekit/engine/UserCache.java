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
     * Directory Specification), else in {@code .cache} in the user's home.
     */
    public static Path folder(String name) throws IOException {
        String cache = System.getenv("XDG_CACHE_HOME");
        Path base = cache == null || cache.isEmpty() ? Path.of(System.getProperty("user.home"), ".cache")
                : Path.of(cache);
        return ours(ours(base.resolve("vinekit")).resolve(name));
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
