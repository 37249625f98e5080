package dev.vinekit.cli;

import dev.vinekit.mapping.file.MappingFile;
import picocli.CommandLine.Option;

/** Which project, and in which package its code lies. */
final class MappedProjectOptions extends ProjectOptions {
    @Option(names = "--package", paramLabel = "NAME",
            description = "Java package of the service (default: as before, or com.example and the directory's name).")
    private String basePackage;

    /** The package: of the option, the file, the last run, or the directory's name. */
    MappingFile inPackage(MappingFile file) {
        return basePackage == null ? file.inPackage(defaultPackage()) : file.withPackage(basePackage);
    }
}
