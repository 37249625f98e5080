package dev.vinekit.project;

import dev.vinekit.fault.Fault;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.HashSet;
import java.util.Set;

/**
 * The only way from a text to a file of a project. The text may come from the project itself (its record, its mapping
 * file, its {@code pom.xml}), and a project may come from anyone: a path that leads out of the project's directory is
 * refused, whether to read, to write or to delete.
 *
 * <p>A path leads out if it is absolute, has a part {@code ..}, or passes through a symbolic link whose target is
 * outside or does not exist. The directory itself may be a link: the user named it.
 */
public final class ProjectPaths {
    private final Path directory;

    /** Folders that have been checked, so that thousands of files do not ask the file system for each parent again. */
    private final Set<Path> checked = new HashSet<>();

    private ProjectPaths(Path directory) {
        this.directory = directory;
    }

    public static ProjectPaths of(Path directory) {
        return new ProjectPaths(directory);
    }

    /**
     * A file or folder below the directory; it need not exist.
     *
     * @param path relative to the directory, with forward slashes
     * @throws Fault if it leads out of the directory, or is not a path
     */
    public Path resolve(String path) {
        Path relative;
        try {
            relative = directory.getFileSystem().getPath(path);
        } catch (InvalidPathException e) {
            throw refused(path, "it is not a valid path");
        }
        if (relative.isAbsolute() || relative.getRoot() != null) {
            throw refused(path, "it is absolute");
        }
        Path place = directory;
        boolean folder = true;
        for (Path part : relative) {
            if (part.toString().equals("..")) {
                throw refused(path, "it has a part ..");
            }
            place = place.resolve(part);
            if (folder && !checked.contains(place)) {
                folder = check(path, place);
            }
        }
        return place;
    }

    /** Returns whether there may be a link below the place: only if it is a folder. */
    private boolean check(String path, Path place) {
        try {
            BasicFileAttributes found =
                    Files.readAttributes(place, BasicFileAttributes.class, LinkOption.NOFOLLOW_LINKS);
            if (!found.isSymbolicLink()) {
                if (found.isDirectory()) {
                    checked.add(place);
                }
                return found.isDirectory();
            }
        } catch (IOException e) {
            // Nothing is there, or this user may not see it: the operation on the path reports that.
            return false;
        }
        try {
            if (place.toRealPath().startsWith(directory.toRealPath())) {
                return true;
            }
        } catch (IOException e) {
            throw refused(path, "the symbolic link " + directory.relativize(place) + " has no target");
        }
        throw refused(path, "the symbolic link " + directory.relativize(place) + " points outside");
    }

    private Fault refused(String path, String reason) {
        return Fault.inCall("The path \"" + path + "\" leads out of the project in " + directory + ": " + reason + ".",
                "Vine Kit reads and writes inside the project only. Correct the mapping file, the pom.xml or the folder "
                        + LastRun.FOLDER + ", whichever has the path; do not run a project that you do not trust.");
    }
}
