package dev.vinekit.mapping;

import com.fasterxml.jackson.annotation.JsonAlias;
import java.util.List;
import java.util.stream.Stream;

/**
 * A query with a method of its own.
 *
 * @param name of the method
 * @param fields that are compared; all but the last for equality
 * @param match how the last one is compared
 * @param roles that may list rows that are found by these fields, if they may not list all; {@code *} for everybody
 *     with a token
 */
public record Finder(JavaName name, List<Field> fields, Match match, List<String> roles) {
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
        roles = List.copyOf(roles);
    }

    /** The field that is compared by {@link #match}. */
    public Field last() {
        return fields.get(fields.size() - 1);
    }

    /** The fields that are compared for equality, whatever the match. */
    public List<Field> equal() {
        return fields.subList(0, fields.size() - 1);
    }

    /** All that a request names to find the rows, as parameters of a list. */
    public List<String> parameters() {
        String last = last().jsonName();
        Stream<String> compared = switch (match) {
            case EQUAL -> Stream.of(last + "[is]");
            case CONTAINS -> Stream.of(last + "[contains]");
            case STARTS_WITH -> Stream.of(last + "[startsWith]");
            case BETWEEN -> Stream.of(last + "[atLeast]", last + "[atMost]");
            case IN -> Stream.of(last + "[in]");
            case LESS -> Stream.of(last + "[less]");
            case GREATER -> Stream.of(last + "[greater]");
        };
        return Stream.concat(equal().stream().map(field -> field.jsonName() + "[is]"), compared).toList();
    }
}
