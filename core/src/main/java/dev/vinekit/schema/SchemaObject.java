package dev.vinekit.schema;

import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;

/**
 * What a schema has beside tables, domains and sequences, and the engine tells as a statement.
 *
 * @param name unique among those of its kind: of a function with the types of its arguments, of a trigger with its
 *     table
 * @param on the table that it is about
 * @param definition the statements that make it, each but the last with a line end and a semicolon behind it
 * @param needs tables and views that must be there before it
 */
public record SchemaObject(
        Kind kind, TableName name, Optional<TableName> on, String definition, List<TableName> needs) {

    /** Sorts of objects, in the order in which a database can be made of them. */
    public enum Kind {
        EXTENSION, COLLATION, TYPE, FUNCTION, OPERATOR, CAST, AGGREGATE, SETTING, STATISTICS, RULE, POLICY, TRIGGER,
                COMMENT;

        /** The word for it, in lower case. */
        public String words() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** Whether tables may need it, so that it comes before them unless it needs one itself. */
        public boolean comesFirst() {
            return ordinal() < SETTING.ordinal();
        }
    }

    public SchemaObject {
        Objects.requireNonNull(kind, "kind");
        Objects.requireNonNull(name, "name");
        Objects.requireNonNull(definition, "definition");
        needs = List.copyOf(needs);
    }
}
