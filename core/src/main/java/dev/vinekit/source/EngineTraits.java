package dev.vinekit.source;

import java.util.List;

/**
 * What generated text must know of an engine.
 *
 * @param title the engine's name as its makers write it
 * @param exampleUrl a JDBC URL of the engine's form
 * @param libraries what the service and its tests need of it
 * @param replicates whether its databases can have replicas, of which a template {@code support/Replication} knows
 * @param pooled whether poolers are usual that lend a connection for a transaction only
 * @param templates a class beside whose folder {@code templates} the engine's own templates lie; then come those beside
 *     the classes that it extends, and ours at last
 */
public record EngineTraits(
        String title,
        String exampleUrl,
        List<Library> libraries,
        boolean replicates,
        boolean pooled,
        Class<?> templates) {
    /**
     * A library of the generated project.
     *
     * @param version the version, or its name in our list of versions
     * @param scope a scope of Maven's
     */
    public record Library(String group, String artifact, String version, String scope) {
    }
}
