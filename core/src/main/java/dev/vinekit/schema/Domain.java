package dev.vinekit.schema;

import java.util.List;
import java.util.Optional;

/**
 * A type with rules of its own that columns share.
 *
 * @param name as the engine spells it in a definition
 * @param base the type beneath
 * @param nullable whether NULL is one of its values
 * @param defaultValue the default as the engine writes it
 * @param checks conditions on {@code VALUE}
 * @param collation the order of its texts, where it is not the usual one
 */
public record Domain(
        String name, SqlType base, boolean nullable, Optional<String> defaultValue, List<Check> checks,
        Optional<String> collation) {
    /** A domain in the usual order. */
    public Domain(String name, SqlType base, boolean nullable, Optional<String> defaultValue, List<Check> checks) {
        this(name, base, nullable, defaultValue, checks, Optional.empty());
    }

    public Domain {
        checks = List.copyOf(checks);
    }
}
