package dev.vinekit.run;

import java.util.List;
import java.util.Set;

/**
 * What compiling did.
 *
 * @param sources the sources that there are
 * @param compiled how many of them were compiled: those that have changed, and what depends on them
 * @param changed the types in sources that have changed or gone, by their simple names
 * @param testClasses the classes of tests that were compiled, with their packages; they depend on what has changed
 * @param nearTests those of them that use it themselves, or by sample rows
 * @param warnings of the compiler, all that it knows, each with its file and line
 */
public record Compilation(
        int sources, int compiled, Set<String> changed, Set<String> testClasses, Set<String> nearTests,
        List<String> warnings) {
    public Compilation {
        changed = Set.copyOf(changed);
        testClasses = Set.copyOf(testClasses);
        nearTests = Set.copyOf(nearTests);
        warnings = List.copyOf(warnings);
    }
}
