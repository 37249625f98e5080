package dev.vinekit.data;

import dev.vinekit.mapping.Field;
import java.util.List;

/**
 * Something that the database keeps true of every row of a table.
 *
 * @param name of the constraint; that of the column if it has none of its own
 * @param fields what it is about, in its order
 * @param text what it says, in words and SQL
 */
public record Rule(Kind kind, String name, List<Field> fields, String text) {
    /** Sorts of rules. */
    public enum Kind {
        PRIMARY_KEY, UNIQUE, REFERENCE, CHECK, NOT_NULL, TYPE, GENERATED, DEFAULT;

        /** The words for it, in lower case. */
        public String words() {
            return name().toLowerCase(java.util.Locale.ROOT).replace('_', ' ');
        }
    }

    public Rule {
        fields = List.copyOf(fields);
    }
}
