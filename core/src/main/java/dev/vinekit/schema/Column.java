package dev.vinekit.schema;

import java.util.Objects;
import java.util.Optional;

/**
 * A column of a table or view.
 *
 * @param name as the catalog spells it
 * @param nullable whether NULL may be stored
 * @param defaultValue the default as the engine writes it
 * @param identity whether the database numbers the rows itself
 * @param computedAs the expression of a generated column
 * @param comment the comment in the catalog; empty if there is none
 */
public record Column(
        String name,
        SqlType type,
        boolean nullable,
        Optional<String> defaultValue,
        Identity identity,
        Optional<String> computedAs,
        String comment) {

    /** How an identity column takes its values. */
    public enum Identity { NONE, BY_DEFAULT, ALWAYS }

    public Column {
        Objects.requireNonNull(name, "name");
        Objects.requireNonNull(type, "type");
        Objects.requireNonNull(identity, "identity");
        Objects.requireNonNull(comment, "comment");
    }

    public boolean isIdentity() {
        return identity != Identity.NONE;
    }

    public boolean isComputed() {
        return computedAs.isPresent();
    }

    /** Whether an INSERT may leave the column out and still store something other than NULL. */
    public boolean isFilledByDatabase() {
        return isIdentity() || isComputed() || defaultValue.isPresent();
    }
}
