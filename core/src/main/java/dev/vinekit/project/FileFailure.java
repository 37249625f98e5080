package dev.vinekit.project;

import dev.vinekit.fault.Fault;
import java.io.IOException;
import java.nio.charset.CharacterCodingException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;

/** What the file system refused, in words. */
final class FileFailure {
    private FileFailure() {
    }

    /** The kind of refusal; messages of file system exceptions are mostly the path alone. */
    static String reason(IOException e) {
        if (e instanceof CharacterCodingException) {
            return "not UTF-8 text";
        }
        String kind = e.getClass().getSimpleName().replace("Exception", "").replaceAll("(?<=[a-z])(?=[A-Z])", " ");
        return kind.toLowerCase(Locale.ROOT) + (e.getMessage() == null ? "" : " (" + e.getMessage() + ")");
    }

    /** The place of a file or folder with all links followed; where it does not exist, its absolute path. */
    static Path real(Path path) {
        try {
            return path.toRealPath();
        } catch (IOException e) {
            return path.toAbsolutePath().normalize();
        }
    }

    static Optional<String> readIfThere(Path file) {
        return readIfThere(file, Files::readString);
    }

    static Optional<byte[]> bytesIfThere(Path file) {
        return readIfThere(file, Files::readAllBytes);
    }

    private interface Reading<T> {
        T of(Path file) throws IOException;
    }

    private static <T> Optional<T> readIfThere(Path file, Reading<T> reading) {
        if (!Files.isRegularFile(file)) {
            return Optional.empty();
        }
        try {
            return Optional.of(reading.of(file));
        } catch (IOException e) {
            throw Fault.inWorld("Reading " + file + " failed: " + reason(e) + ".",
                    "Check that the file may be read and is UTF-8 text.", e);
        }
    }
}
