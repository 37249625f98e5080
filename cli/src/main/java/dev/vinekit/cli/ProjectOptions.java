package dev.vinekit.cli;

import dev.vinekit.project.PackageChoice;
import java.nio.file.Path;
import picocli.CommandLine.Option;

/** Which generated project. */
class ProjectOptions {
    @Option(names = "--dir", paramLabel = "DIR", defaultValue = ".",
            description = "The generated project (default: the current directory).")
    private Path directory;

    Path directory() {
        return directory.normalize().toString().isEmpty() ? Path.of(".") : directory;
    }

    /** The option as a next command needs it. */
    String option() {
        return directory().equals(Path.of(".")) ? "" : " --dir " + directory();
    }

    /** The package of the last run, or one that fits the project that is there. */
    String defaultPackage() {
        return PackageChoice.of(directory()).name();
    }
}
