package dev.vinekit.mapping;

import dev.vinekit.schema.Column;
import dev.vinekit.schema.SqlType;
import dev.vinekit.schema.Table;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** Finds the column that numbers the states of a row. */
final class Versions {
    private static final Set<String> NAMES = Set.of("version", "row_version", "lock_version");

    private final DecisionLookup.OfTable decided;

    Versions(DecisionLookup.OfTable decided) {
        this.decided = decided;
    }

    /**
     * The column that a person chose. A name alone is no reason: a version may be that of a protocol, or of what the
     * row describes.
     */
    Optional<String> of(Table table, List<String> keyColumns) {
        Optional<String> wanted = decided.decided().version();
        if (wanted.isEmpty()) {
            return Optional.empty();
        }
        if (wanted.get().isEmpty()) {
            return Optional.empty();
        }
        Optional<Column> column = decided.column(wanted.get(), "version");
        if (column.isPresent() && !fits(table, column.get(), keyColumns)) {
            decided.mistake("The column " + column.get().name()
                    + " cannot number the states of a row: that takes a column of "
                    + "whole numbers in a table, NOT NULL, with a default, and not part of the key.", "version");
            return Optional.empty();
        }
        return column.map(Column::name);
    }

    /** What a person may want to choose, if nothing is decided: a column that has a usual name and fits. */
    Optional<Remark> offer(Table table, List<String> keyColumns) {
        return decided.decided().version().isPresent() ? Optional.empty() : table.columns().stream()
                .filter(column -> NAMES.contains(column.name().toLowerCase(Locale.ROOT))
                        && fits(table, column, keyColumns)).findFirst()
                .map(column -> new Remark(table.name(), Remark.Topic.OFFER, "The column " + column.name()
                        + " may number the states of a row. If so, say it: the service "
                        + "then counts it up with each change, gives it as ETag, and does not take it from clients.",
                        List.of("version"), column.name(), true));
    }

    private static boolean fits(Table table, Column column, List<String> keyColumns) {
        SqlType.Kind kind = column.type().kind();
        boolean whole = kind == SqlType.Kind.SMALLINT || kind == SqlType.Kind.INTEGER || kind == SqlType.Kind.BIGINT;
        return whole && !table.isView() && !column.nullable() && column.isFilledByDatabase() && !column.isComputed()
                && !column.isIdentity() && !keyColumns.contains(column.name())
                && table.foreignKeys().stream().noneMatch(key -> key.columns().contains(column.name()));
    }
}
