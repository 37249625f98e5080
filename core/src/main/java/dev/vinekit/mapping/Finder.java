package dev.vinekit.mapping;

import com.fasterxml.jackson.annotation.JsonAlias;
import java.util.List;

/**
 * A query with a method of its own.
 *
 * @param name of the method
 * @param fields that are compared; all but the last for equality
 * @param match how the last one is compared
 */
public record Finder(JavaName name, List<Field> fields, Match match) {
    /** How a value is compared. */
    public enum Match {
        EQUAL("Is"),
        CONTAINS("Contains"),
        @JsonAlias("starts-with")
        STARTS_WITH("BeginsWith"),
        BETWEEN("IsBetween"),
        IN("IsOneOf"),
        LESS("IsLess"),
        GREATER("IsGreater");

        private final String suffix;

        Match(String suffix) {
            this.suffix = suffix;
        }

        /** What the name of a method ends with. */
        String suffix() {
            return suffix;
        }
    }

    public Finder {
        fields = List.copyOf(fields);
    }

    /** The field that is compared by {@link #match}. */
    public Field last() {
        return fields.get(fields.size() - 1);
    }

    /** The fields that are compared for equality, whatever the match. */
    public List<Field> equal() {
        return fields.subList(0, fields.size() - 1);
    }
}
