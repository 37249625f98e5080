package dev.vinekit.mapping;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/**
 * A part that a service has only where it is wanted: without it the project has no class, setting, library or line
 * about it.
 */
public enum Feature {
    /** A page for people, with rows, forms and requests. */
    PAGE(true, true),
    /** It measures what it does. */
    METRICS(true, false),
    /** It reads from databases that follow the one that it writes to. */
    REPLICAS(false, true),
    /** It goes to another database when the one that it writes to is lost. */
    FAILOVER(false, true),
    /** Pages of other origins may use it. */
    CORS(false, true),
    /** It starts with its classes written down. */
    CLASS_ARCHIVE(false, true),
    /** A file of which an image for containers is made. */
    CONTAINER(false, true),
    /** A unit for systemd. */
    SYSTEMD(false, true);

    private final boolean usual;
    private final boolean ofServer;

    Feature(boolean usual, boolean ofServer) {
        this.usual = usual;
        this.ofServer = ofServer;
    }

    /** Its key in the mapping file, such as {@code class-archive}. */
    public String key() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Whether a service has it if nothing is decided. */
    public boolean isUsual() {
        return usual;
    }

    /** Whether only a service with a server of its own can have it. */
    public boolean isOfServer() {
        return ofServer;
    }

    /** Those that a service has. */
    static List<Feature> of(Decisions decisions) {
        boolean server = decisions.http().server().orElse(true);
        return Arrays.stream(values()).filter(feature -> server || !feature.ofServer)
                .filter(feature -> decisions.features().getOrDefault(feature.key(), feature.usual)).toList();
    }
}
