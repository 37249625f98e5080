package dev.vinekit.engine;

import dev.vinekit.fault.Fault;
import java.io.IOException;
import java.math.BigInteger;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/** The scripts that a path stands for: a file alone, or those of a folder, each after those that it builds on. */
final class ScriptFiles {
    private static final String POINT = ".";

    /** By their letters, and numbers among these by their values: 9 before 10, 1 before 1.2, and 1.2 before 1.10. */
    private static final Comparator<Path> IN_ORDER = Comparator.comparing(
            script -> parts(script.getFileName().toString()),
            (one, other) -> Arrays.compare(one, other, ScriptFiles::compare));

    private ScriptFiles() {
    }

    /**
     * Those of a path, in their order.
     *
     * @throws Fault if it is a folder that cannot be read, or has none
     */
    static List<Path> at(Path path) {
        if (!Files.isDirectory(path)) {
            return List.of(path);
        }
        try (Stream<Path> files = Files.list(path)) {
            List<Path> scripts = files.filter(Files::isRegularFile)
                    .filter(file -> file.getFileName().toString().toLowerCase(Locale.ROOT).endsWith(".sql"))
                    .sorted(IN_ORDER).toList();
            if (scripts.isEmpty()) {
                throw Fault.inCall("The folder " + path + " has no file whose name ends with .sql.", "Check the path.");
            }
            return scripts;
        } catch (IOException e) {
            throw Fault.inWorld("Reading " + path + " failed: " + e + ".", "Check that the directory may be read.", e);
        }
    }

    private static String[] parts(String name) {
        return name.split("(?<=\\d)(?=\\D)|(?<=\\D)(?=\\d)");
    }

    private static int compare(String one, String other) {
        boolean numbers = Character.isDigit(one.charAt(0)) && Character.isDigit(other.charAt(0));
        boolean further = one.equals(POINT) != other.equals(POINT);
        return numbers ? new BigInteger(one).compareTo(new BigInteger(other))
                : further ? Boolean.compare(one.equals(POINT), other.equals(POINT)) : one.compareTo(other);
    }
}
