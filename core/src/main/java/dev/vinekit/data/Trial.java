package dev.vinekit.data;

import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.Relation;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A request that shows whether the service keeps a rule: most break it, and no other. */
public sealed interface Trial {
    /** The new row has no value in a field that must have one. */
    record Omitted(Field field) implements Trial { }

    /** A stored row loses its value in a field that must have one. */
    record Cleared(Field field) implements Trial { }

    /**
     * Values that the rule does not allow: text, numbers as {@link java.math.BigDecimal}, or {@link LongText}.
     *
     * @param how what is wrong with them, as part of a sentence: {@code below its least}
     */
    record Values(Map<Field, Object> values, String how) implements Trial { }

    /**
     * Values that only the database refuses, on account of a check: text, numbers, truth values, documents, or nothing.
     */
    record Unchecked(Map<Field, Optional<Object>> values) implements Trial { }

    /** Two fields have each other's values. */
    record Exchanged(Field left, Field right) implements Trial { }

    /** One field has the value of another. */
    record Repeated(Field from, Field to) implements Trial { }

    /**
     * A new row has the values of a stored one in these fields.
     *
     * @param named whether the answer can tell which fields they are
     */
    record Duplicated(List<Field> fields, boolean named) implements Trial { }

    /** A new row refers to one that is not there, by the last of its fields. */
    record Dangling(Relation relation, Object value) implements Trial { }

    /** A client sends a value that only the database gives. */
    record Given(Field field) implements Trial { }

    /** The row that others refer to is to be deleted. */
    record Abandoned(Relation relation) implements Trial { }

    /**
     * The row that others refer to is deleted, and they go with it, or lose the reference.
     *
     * @param gone whether they go
     */
    record Released(Relation relation, boolean gone) implements Trial { }

    /**
     * A new row says nothing of a field with a default.
     *
     * @param constant the value that it then has, as text, if that is known
     * @param tied whether a key, a reference or a check may refuse that value because of other columns or rows
     */
    record LeftOut(Field field, Optional<String> constant, boolean tied) implements Trial { }

    /** Text of one character so many times. */
    record LongText(char unit, int length) {
        String text() {
            return String.valueOf(unit).repeat(length);
        }
    }
}
