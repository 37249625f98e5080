package dev.vinekit.run;

import java.util.Set;

/**
 * What compiling did.
 *
 * @param sources the sources that there are
 * @param compiled how many of them were compiled: those that have changed, and what depends on them
 * @param changed the types in sources that have changed or gone, by their simple names
 * @param testClasses the classes of tests that were compiled, with their packages; they depend on what has changed
 * @param nearTests those of them that use it themselves, or by sample rows
 */
public record Compilation(int sources, int compiled, Set<String> changed, Set<String> testClasses, Set<String> nearTests) {
    public Compilation {
        changed = Set.copyOf(changed);
        testClasses = Set.copyOf(testClasses);
        nearTests = Set.copyOf(nearTests);
    }
}
