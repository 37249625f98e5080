package dev.vinekit.mapping;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * An enum for a column that takes only certain texts.
 *
 * @param constants the constants in order, with the text that the database stores
 */
public record Enumeration(JavaName name, Map<JavaName, String> constants) {
    public Enumeration {
        constants = Collections.unmodifiableMap(new LinkedHashMap<>(constants));
    }
}
