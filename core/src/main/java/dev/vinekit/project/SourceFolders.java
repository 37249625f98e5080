package dev.vinekit.project;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

/**
 * Where a project keeps its sources and resources, relative to its directory, with forward slashes.
 *
 * @param main the sources of the program
 * @param test the sources of its tests
 * @param mainResources what goes to the class path of the program as it is
 * @param testResources what goes to that of the tests
 */
public record SourceFolders(String main, String test, String mainResources, String testResources) {
    /** Maven's own (Maven, "Introduction to the Standard Directory Layout"). */
    static final SourceFolders USUAL =
            new SourceFolders("src/main/java", "src/test/java", "src/main/resources", "src/test/resources");

    /** Those of a project: Maven's own, unless its {@code pom.xml} names others. */
    public static SourceFolders of(Path directory) {
        return HostProject.isIn(directory) ? HostProject.folders(directory) : USUAL;
    }

    /** Where the scripts are that make the tables and the seed rows. */
    public Path scripts(Path directory) {
        return ProjectPaths.of(directory).resolve(mainResources + "/db");
    }

    /** Those that are there, of the program's sources, in whatever language. */
    List<Path> ofProgram(Path directory) {
        return List.of(main, "src/main/kotlin").stream().map(ProjectPaths.of(directory)::resolve)
                .filter(Files::isDirectory).toList();
    }

    /** Where a file goes that goes to a path of Maven's own folders. */
    String place(String path) {
        return Map.of(USUAL.main, main, USUAL.test, test, USUAL.mainResources, mainResources,
                        USUAL.testResources, testResources).entrySet().stream()
                .filter(folder -> path.startsWith(folder.getKey() + "/"))
                .map(folder -> folder.getValue() + path.substring(folder.getKey().length())).findFirst().orElse(path);
    }
}
