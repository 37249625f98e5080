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
        return basePackage == null ? file.inPackage(defaultPackage()) : file.withPackage(basePackage);
    }

    /** Why a package was taken that nobody has named; empty where somebody has. */
    Optional<String> choice(MappingFile file) {
        PackageChoice choice = PackageChoice.of(directory());
        return basePackage != null || file.decisions().project().basePackage().isPresent() ? Optional.empty()
                : choice.reason().map(reason -> "Package " + choice.name() + ", for " + reason
                        + "; --package names another.");
    }
}
