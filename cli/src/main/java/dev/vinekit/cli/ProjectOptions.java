package dev.vinekit.cli;

import java.nio.file.Path;
import picocli.CommandLine.Option;

/** Which generated project. */
final class ProjectOptions {
    @Option(names = "--dir", paramLabel = "DIR", defaultValue = ".",
            description = "The generated project (default: the current directory).")
    private Path directory;

    Path directory() {
        return directory.normalize().toString().isEmpty() ? Path.of(".") : directory;
    }
}
