package dev.vinekit.cli;

import dev.vinekit.project.Project;
import dev.vinekit.project.ServiceDescription;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
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

    /** The package of the last run, or one made of the directory's name. */
    String defaultPackage() {
        Optional<ServiceDescription> before = Project.serviceBefore(directory());
        if (before.isPresent()) {
            return before.get().basePackage();
        }
        Path last = directory().toAbsolutePath().normalize().getFileName();
        String letters = (last == null ? "" : last.toString()).toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]", "").replaceFirst("^[0-9]+", "");
        return "com.example." + (letters.isEmpty() ? "service" : letters);
    }
}
