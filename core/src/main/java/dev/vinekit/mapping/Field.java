package dev.vinekit.mapping;

import dev.vinekit.schema.Column;
import java.util.List;
import java.util.Optional;

/**
 * A column as the generated code sees it.
 *
 * @param inKey whether it is part of the key that names a row
 * @param input what a client may do with it
 * @param enumeration the enum, if {@code type} is {@link JavaType#ENUM}
 * @param sqlName the column as statements spell it
 * @param selected the column as a SELECT spells it
 * @param parameter the parameter marker for its values
 * @param examples two texts that the column takes, for a type that is written as text; else empty
 * @param same the condition that it has the value of a parameter, or is NULL if that is
 */
public record Field(
        Column column,
        JavaName name,
        JavaType type,
        boolean inKey,
        Input input,
        Optional<Enumeration> enumeration,
        List<FieldRule> rules,
        String sqlName,
        String selected,
        String parameter,
        String same,
        List<String> examples) {

    /** What a client may do with a field. */
    public enum Input {
        /** Send a value. */
        WRITABLE,
        /** Leave it out, or repeat the key of the path: the database numbers the rows. */
        ASSIGNED,
        /** Read it only. */
        READ_ONLY
    }

    public Field {
        rules = List.copyOf(rules);
        examples = List.copyOf(examples);
    }

    /** Whether a created row needs a value from the client. */
    public boolean requiredOnCreate() {
        return input == Input.WRITABLE && !column.nullable() && !column.isFilledByDatabase();
    }

    /** Whether a replaced row needs a value from the client, though a created one does not. */
    public boolean requiredOnReplaceOnly() {
        return input == Input.WRITABLE && !inKey && !column.nullable() && column.isFilledByDatabase();
    }

    /** Whether an UPDATE sets it. */
    public boolean updatable() {
        return input == Input.WRITABLE && !inKey;
    }

    /** The greatest length in characters; 0 where there is no limit. */
    public int maxLength() {
        return rules.stream().filter(FieldRule.Length.class::isInstance)
                .mapToInt(rule -> ((FieldRule.Length) rule).most())
                .filter(most -> most < Integer.MAX_VALUE).min().orElse(0);
    }
}
