package dev.vinekit.mapping;

import com.fasterxml.jackson.annotation.JsonAlias;
import java.util.List;

/**
 * The ways of a house that hold for all of its code.
 *
 * @param interfaces whether repositories and services are split into interface and implementation
 * @param fileHeader the text of a comment at the head of every Java file; empty for none
 * @param indentation one step of it: spaces or a tab
 * @param basePath what every path begins with: a slash in front and none behind
 * @param server whether the service has a server of its own; otherwise an application of somebody's runs it
 * @param features what it has beyond its tables
 */
public record Conventions(
        Layout layout, boolean interfaces, JsonNames jsonNames, String fileHeader, String indentation, String basePath,
        boolean server, List<Feature> features) {
    public Conventions {
        features = List.copyOf(features);
    }

    /** How classes are put into packages. */
    public enum Layout {
        @JsonAlias("by-layer")
        BY_LAYER,
        @JsonAlias("by-table")
        BY_TABLE
    }

    /** How JSON properties are spelled. */
    public enum JsonNames {
        @JsonAlias("camel-case")
        CAMEL_CASE,
        @JsonAlias("as-in-database")
        AS_IN_DATABASE
    }

    static Conventions of(Decisions decisions) {
        Decisions.Project project = decisions.project();
        return new Conventions(
                project.layout().orElse(Layout.BY_LAYER),
                project.interfaces().orElse(false),
                project.jsonNames().orElse(JsonNames.CAMEL_CASE),
                project.fileHeader().orElse("").strip(),
                switch (project.indentation().orElse("4")) {
                    case "2" -> "  ";
                    case "tab" -> "\t";
                    default -> "    ";
                },
                decisions.http().basePath().orElse("/api"),
                decisions.http().server().orElse(true),
                Feature.of(decisions));
    }

    /** Whether the service has a feature. */
    public boolean has(Feature feature) {
        return features.contains(feature);
    }
}
