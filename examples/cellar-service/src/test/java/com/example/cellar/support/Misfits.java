package com.example.cellar.support;

import java.time.temporal.Temporal;
import java.util.List;
import java.util.UUID;

/** JSON that stands for no value of a type. */
final class Misfits {
    private Misfits() {
    }

    /** Some for each type; none for one that takes all JSON, or is not one of ours. */
    static List<String> of(Class<?> type) {
        if (type == Integer.class || type == Long.class) {
            return List.of("1.5", "\"5\"", "true", "99999999999999999999", "[]");
        } else if (Number.class.isAssignableFrom(type)) {
            return List.of("\"5\"", "true", "{}");
        } else if (type == String.class) {
            return List.of("5", "true", "\"a\\u0000b\"", "\"\\ud800\"");
        } else if (type == Boolean.class) {
            return List.of("1", "\"true\"");
        } else if (Temporal.class.isAssignableFrom(type)) {
            return List.of("\"soon\"", "\"\"", "20240531", "\"+99999999-01-01\"");
        } else if (type == UUID.class || type.isEnum()) {
            return List.of("\"none of these\"", "5");
        }
        return List.of();
    }
}
