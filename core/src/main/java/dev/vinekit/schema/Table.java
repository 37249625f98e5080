package dev.vinekit.schema;

import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A table or view.
 *
 * @param kind what sort of table
 * @param columns in order
 * @param uniqueKeys unique constraints other than the primary key
 * @param viewQuery the query of a view
 * @param options what the engine writes behind a table's definition; empty if nothing
 * @param comment the comment in the catalog; empty if there is none
 * @param access whose it is
 * @param parents the tables whose columns it has too, and in which its rows are found
 */
public record Table(
        TableName name,
        Kind kind,
        List<Column> columns,
        Optional<UniqueKey> primaryKey,
        List<UniqueKey> uniqueKeys,
        List<ForeignKey> foreignKeys,
        List<Check> checks,
        List<Index> indexes,
        Optional<ViewQuery> viewQuery,
        String options,
        String comment,
        Access access,
        List<TableName> parents) {

    /** Sorts of tables. */
    public enum Kind {
        TABLE, PARTITIONED_TABLE, FOREIGN_TABLE, VIEW, MATERIALIZED_VIEW;

        /** The words for it, in lower case. */
        public String words() {
            return name().toLowerCase(Locale.ROOT).replace('_', ' ');
        }
    }

    /** Whether another table is kept in the same way, whatever is in it. */
    public boolean isStoredLike(Table other) {
        return kind == other.kind && options.equals(other.options) && parents.equals(other.parents);
    }

    /** A table that has no others above it. */
    public Table(TableName name, Kind kind, List<Column> columns, Optional<UniqueKey> primaryKey,
            List<UniqueKey> uniqueKeys,
            List<ForeignKey> foreignKeys, List<Check> checks, List<Index> indexes, Optional<ViewQuery> viewQuery,
            String options,
            String comment, Access access) {
        this(name, kind, columns, primaryKey, uniqueKeys, foreignKeys, checks, indexes, viewQuery, options, comment,
                access, List.of());
    }

    public Table {
        Objects.requireNonNull(name, "name");
        Objects.requireNonNull(kind, "kind");
        Objects.requireNonNull(options, "options");
        Objects.requireNonNull(comment, "comment");
        Objects.requireNonNull(access, "access");
        columns = List.copyOf(columns);
        uniqueKeys = List.copyOf(uniqueKeys);
        foreignKeys = List.copyOf(foreignKeys);
        checks = List.copyOf(checks);
        indexes = List.copyOf(indexes);
        parents = List.copyOf(parents);
    }

    /** Whatever no two rows may have alike: the primary key, unique constraints, and unique indexes over columns. */
    public List<UniqueKey> keys() {
        Stream<UniqueKey> overColumns = indexes.stream().filter(index -> index.unique() && index.definition().isEmpty())
                .map(index -> new UniqueKey(index.name(), index.columns()));
        return Stream.of(primaryKey.stream(), uniqueKeys.stream(), overColumns).flatMap(keys -> keys).toList();
    }

    public boolean isView() {
        return viewQuery.isPresent();
    }

    /** The tables that must be there before this one can be: those it refers to, or those that the view reads. */
    public List<TableName> needs() {
        Stream<TableName> references = foreignKeys.stream().map(ForeignKey::target);
        Stream<TableName> reads = viewQuery.stream().flatMap(query -> query.reads().stream());
        return Stream.of(references, reads, parents.stream()).flatMap(names -> names).distinct().toList();
    }

    /** The tables that every row of this one refers to, or that the view reads. */
    public List<TableName> requires() {
        Set<TableName> optional = foreignKeys.stream()
                .filter(key -> key.columns().stream().anyMatch(name -> column(name).nullable()))
                .map(ForeignKey::target).collect(Collectors.toSet());
        foreignKeys.stream().filter(key -> key.columns().stream().noneMatch(name -> column(name).nullable()))
                .map(ForeignKey::target).forEach(optional::remove);
        return needs().stream().filter(name -> !optional.contains(name)).toList();
    }

    /** This table, in which these columns have a value in every row. */
    public Table withNotNull(Collection<String> columnNames) {
        List<Column> others = columns.stream()
                .map(column -> columnNames.contains(column.name()) ? column.withNotNull() : column).toList();
        return withColumns(others);
    }

    /** This table, whoever owns it and whatever the login may do. */
    public Table withoutAccess() {
        return new Table(name, kind, columns, primaryKey, uniqueKeys, foreignKeys, checks, indexes, viewQuery, options,
                comment, Access.UNLIMITED, parents);
    }

    /** This table with other columns. */
    public Table withColumns(List<Column> others) {
        return new Table(name, kind, others, primaryKey, uniqueKeys, foreignKeys, checks, indexes, viewQuery, options,
                comment, access, parents);
    }

    /** This table under another name. */
    public Table named(TableName other) {
        return new Table(other, kind, columns, primaryKey, uniqueKeys, foreignKeys, checks, indexes, viewQuery, options,
                comment, access, parents);
    }

    /** This table with other foreign keys. */
    public Table withForeignKeys(List<ForeignKey> others) {
        return new Table(name, kind, columns, primaryKey, uniqueKeys, others, checks, indexes, viewQuery, options,
                comment, access, parents);
    }

    /**
     * The column of this name.
     *
     * @throws IllegalArgumentException if there is none
     */
    public Column column(String columnName) {
        return columns.stream()
                .filter(column -> column.name().equals(columnName))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no column " + columnName + " in " + name));
    }
}
