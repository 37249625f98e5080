package dev.vinekit.mapping;

import dev.vinekit.schema.Column;
import dev.vinekit.schema.SqlType;
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
 * @param jsonName the property in JSON, and the name of its filter
 * @param converter what makes another type of the stored value, which is then of {@code type}
 * @param overridden whether {@code type} is not the rule's for the column
 * @param numberedExample a text with a {@code #} for a number, for a type that has no other values that are easily made
 * @param told whether clients read it
 * @param filling what the service puts into it by itself
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
        List<String> examples,
        Optional<String> numberedExample,
        String jsonName,
        Optional<Converter> converter,
        boolean overridden,
        boolean told,
        Filling filling) {
    static final int UUID_BYTES = 16;

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

    /** Two fields are equal if they are the same thing made of equal columns; comparing all would take long. */
    @Override
    public boolean equals(Object other) {
        return this == other || other instanceof Field field && column.equals(field.column) && name.equals(field.name)
                && type == field.type && input == field.input && told == field.told && inKey == field.inKey
                && filling == field.filling && rules.equals(field.rules)
                && enumeration.equals(field.enumeration) && converter.equals(field.converter);
    }

    @Override
    public int hashCode() {
        return name.value().hashCode();
    }

    /** Whether a UUID is kept as its 16 bytes. */
    public boolean isUuidInBytes() {
        return type == JavaType.UUID && column.type().kind() == SqlType.Kind.BINARY;
    }

    /** The type of the values in a list. */
    public Optional<JavaType> member() {
        return type == JavaType.LIST ? JavaType.ofMember(column.type()) : Optional.empty();
    }

    /** The rules that the values in a list must keep; none for other fields. */
    public List<FieldRule> memberRules() {
        return type == JavaType.LIST ? column.type().members().map(TypeRules::of).orElse(List.of()) : List.of();
    }

    /** Whether a created row needs a value from the client. */
    public boolean requiredOnCreate() {
        return input == Input.WRITABLE && !column.nullable() && !column.isFilledByDatabase()
                && filling == Filling.NONE;
    }

    /** Whether the database numbers the rows in it, and no client does. */
    public boolean isNumbered() {
        return input == Input.ASSIGNED || input == Input.READ_ONLY && column.isIdentity();
    }

    /** Whether a new row has no value unless the service gives it one. */
    public boolean isFilledByService() {
        return input == Input.READ_ONLY && filling != Filling.NONE && !column.nullable() && !column.isFilledByDatabase();
    }

    /** Whether a replaced row needs a value from the client; what clients are not told is kept without one. */
    public boolean requiredOnReplace() {
        return told && !inKey && (requiredOnCreate() || requiredOnReplaceOnly());
    }

    /** Whether a replaced row needs a value from the client, though a created one does not. */
    public boolean requiredOnReplaceOnly() {
        return input == Input.WRITABLE && told && !inKey && !column.nullable() && column.isFilledByDatabase()
                && filling != Filling.OWNER;
    }

    /** Whether an UPDATE sets it. */
    public boolean updatable() {
        return input == Input.WRITABLE && !inKey;
    }

    /** Whether rows can be picked out by comparing its value with one that a client gives. */
    public boolean isFilterable() {
        return column.type().isScalar() && converter.isEmpty();
    }

    /** The greatest length in characters; 0 where there is no limit. */
    public int maxLength() {
        return rules.stream().filter(FieldRule.Length.class::isInstance)
                .mapToInt(rule -> ((FieldRule.Length) rule).most())
                .filter(most -> most < Integer.MAX_VALUE).min().orElse(0);
    }
}
