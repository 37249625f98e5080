package dev.vinekit.schema;

import java.util.Objects;
import java.util.Optional;

/**
 * A column of a table or view.
 *
 * @param name as the catalog spells it
 * @param nullable whether NULL may be stored
 * @param identity whether the database numbers the rows itself
 * @param computed how the database works the value out, for a generated column
 * @param collation the order of its texts, where it is not the usual one
 * @param comment the comment in the catalog; empty if there is none
 */
public record Column(
        String name,
        SqlType type,
        boolean nullable,
        Optional<DefaultValue> defaultValue,
        Identity identity,
        Optional<Computed> computed,
        Optional<String> collation,
        String comment) {

    /** How a column takes numbers by itself. */
    public enum Identity {
        NONE,
        /** A standard identity column that also takes a given value. */
        BY_DEFAULT,
        /** A standard identity column that takes no given value. */
        ALWAYS,
        /** The engine's own way of counting up: a serial type, AUTO_INCREMENT, a row id. */
        AUTO_INCREMENT
    }

    /**
     * How the value of a generated column comes about.
     *
     * @param expression empty if the engine does not tell
     * @param stored whether the value is kept with the row, and not worked out when it is read
     */
    public record Computed(String expression, boolean stored) {
    }

    public Column {
        Objects.requireNonNull(name, "name");
        Objects.requireNonNull(type, "type");
        Objects.requireNonNull(identity, "identity");
        Objects.requireNonNull(comment, "comment");
    }

    /** This column, with a value in every row. */
    public Column withNotNull() {
        return new Column(name, type, false, defaultValue, identity, computed, collation, comment);
    }

    /** This column, in which rows may have no value. */
    public Column withNullable() {
        return new Column(name, type, true, defaultValue, identity, computed, collation, comment);
    }

    /** This column, with another type. */
    public Column withType(SqlType other) {
        return new Column(name, other, nullable, defaultValue, identity, computed, collation, comment);
    }

    public boolean isIdentity() {
        return identity != Identity.NONE;
    }

    public boolean isComputed() {
        return computed.isPresent();
    }

    /** Whether an INSERT may leave the column out and still store something other than NULL. */
    public boolean isFilledByDatabase() {
        return isIdentity() || isComputed() || defaultValue.filter(DefaultValue::isValue).isPresent();
    }
}
