package dev.vinekit.cli;

import dev.vinekit.mapping.file.MappingFile;
import dev.vinekit.project.PackageChoice;
import java.util.Optional;
import picocli.CommandLine.Option;

/** Which project, and in which package its code lies. */
final class MappedProjectOptions extends ProjectOptions {
    @Option(names = "--package", paramLabel = "NAME",
            description = "Java package of the service (default: as before, or one that fits the project that is there).")
    private String basePackage;

    /** The package: of the option, the file, the last run, or one that fits. */
    MappingFile inPackage(MappingFile file) {
        return basePackage != null ? file.withPackage(basePackage)
                : file.decisions().project().basePackage().isPresent() ? file : file.inPackage(defaultPackage());
    }

    /** Why a package was taken that nobody has named; empty where somebody has. */
    Optional<String> choice(MappingFile file) {
        if (basePackage != null || file.decisions().project().basePackage().isPresent()) {
            return Optional.empty();
        }
        PackageChoice choice = PackageChoice.of(directory());
        return choice.reason().map(reason -> "Package " + choice.name() + ", because " + reason
                + "; --package names another.");
    }
}
