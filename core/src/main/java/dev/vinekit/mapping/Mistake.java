package dev.vinekit.mapping;

import dev.vinekit.fault.Nearest;
import java.util.Collection;
import java.util.List;

/**
 * Something in a person's decisions that cannot be.
 *
 * @param path where: the keys that lead there, positions in lists as numbers from 0
 * @param text what is wrong, and what would be right
 */
public record Mistake(List<String> path, String text) {
    public Mistake {
        path = List.copyOf(path);
    }

    /** A name that is not among those that there are. */
    public static Mistake unknown(List<String> path, String what, String name, Collection<String> known) {
        return new Mistake(path, "There is no " + what + " \"" + name + "\"" + Nearest.of(name, known)
                .map(nearest -> "; the nearest is \"" + nearest + "\".").orElse("."));
    }
}
