package dev.vinekit.run;

import java.util.Set;

/**
 * What was compiled.
 *
 * @param sources source files of the project
 * @param compiled those of them that had changed, or depend on some that had
 * @param testClasses the names, with their packages, of the classes under {@code src/test/java} among those
 */
public record Compilation(int sources, int compiled, Set<String> testClasses) {
    public Compilation {
        testClasses = Set.copyOf(testClasses);
    }
}
