package dev.vinekit.source.view;

import dev.vinekit.mapping.JavaName;
import java.util.List;

/**
 * A sample row.
 *
 * @param numbered whether a value depends on the number {@code n}
 * @param parents the rows that are inserted first
 * @param arguments a value for each field of the input
 */
public record SampleView(boolean numbered, List<ParentView> parents, List<JavaCode> arguments) {
    /** A row that the sample refers to, and the method of its samples that gives one. */
    public record ParentView(JavaName type, JavaName name, JavaName method) {
    }
}
