package dev.vinekit.schema;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A reference from columns of one table to a key of another.
 *
 * @param name the constraint's name in the catalog
 * @param columns the referring columns, in the order of the key
 * @param target the table that is referred to
 * @param targetColumns the columns referred to, one for each of {@code columns}
 * @param definition the whole of it as the engine writes it, where it is more than the rest tells
 * @param lacking {@code table} or {@code key} if that is not there; SQLite allows it, and then refuses every statement
 *     that would check the reference (sqlite.org, "SQLite Foreign Key Support", 3)
 */
public record ForeignKey(
        String name,
        List<String> columns,
        TableName target,
        List<String> targetColumns,
        Action onDelete,
        Action onUpdate,
        Deferral deferral,
        Optional<String> definition,
        Optional<String> lacking) implements TablePart {

    /** What happens to the referring rows (ISO/IEC 9075-2, referential actions). */
    public enum Action {
        NO_ACTION, RESTRICT, CASCADE, SET_NULL, SET_DEFAULT;

        /** The action of this SQL spelling. */
        public static Action of(String sql) {
            return valueOf(sql.replace(' ', '_'));
        }

        /** The SQL spelling. */
        public String sql() {
            return name().replace('_', ' ');
        }

        /** Whether the row that is referred to cannot go while it is referred to. */
        public boolean refuses() {
            return this == NO_ACTION || this == RESTRICT;
        }
    }

    /** A reference that is checked at once. */
    public ForeignKey(String name, List<String> columns, TableName target, List<String> targetColumns,
            Action onDelete, Action onUpdate) {
        this(name, columns, target, targetColumns, onDelete, onUpdate, Deferral.NONE);
    }

    /** A reference that nothing more is to be said of. */
    public ForeignKey(String name, List<String> columns, TableName target, List<String> targetColumns,
            Action onDelete, Action onUpdate, Deferral deferral) {
        this(name, columns, target, targetColumns, onDelete, onUpdate, deferral, Optional.empty());
    }

    /** A reference to a key that is there. */
    public ForeignKey(String name, List<String> columns, TableName target, List<String> targetColumns,
            Action onDelete, Action onUpdate, Deferral deferral, Optional<String> definition) {
        this(name, columns, target, targetColumns, onDelete, onUpdate, deferral, definition, Optional.empty());
    }

    public ForeignKey {
        columns = List.copyOf(columns);
        targetColumns = List.copyOf(targetColumns);
        if (columns.size() != targetColumns.size()) {
            throw new IllegalArgumentException("foreign key " + name + " pairs " + columns + " with " + targetColumns);
        }
    }

    /** This key with the columns of the rest of it, for a catalog that gives one row for each column. */
    public ForeignKey and(ForeignKey rest) {
        return new ForeignKey(name, Stream.concat(columns.stream(), rest.columns.stream()).toList(), target,
                Stream.concat(targetColumns.stream(), rest.targetColumns.stream()).toList(), onDelete, onUpdate,
                deferral, definition, lacking);
    }

    /** This reference, whose target is not there; see {@link #lacking}. */
    public ForeignKey without(String part) {
        return new ForeignKey(name, columns, target, targetColumns, onDelete, onUpdate, deferral, definition,
                Optional.of(part));
    }

    /** Whether its target is not there. */
    public boolean isBroken() {
        return lacking.isPresent();
    }
}
