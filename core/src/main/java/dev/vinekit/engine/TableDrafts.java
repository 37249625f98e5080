package dev.vinekit.engine;

import dev.vinekit.schema.Access;
import dev.vinekit.schema.Check;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.schema.ViewQuery;
import dev.vinekit.sql.SqlText;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.UnaryOperator;

/**
 * Tables while their parts come in, one catalog query after the other. Parts of tables that are not there are dropped.
 */
public final class TableDrafts {
    private final Map<TableName, Draft> drafts = new TreeMap<>();
    private final UnaryOperator<String> fold;

    /**
     * For an engine.
     *
     * @param fold what the engine does with an identifier that is not quoted
     */
    public TableDrafts(UnaryOperator<String> fold) {
        this.fold = fold;
    }

    /**
     * A table or view.
     *
     * @param query the query of a view
     * @param options what the engine writes behind the definition; empty if nothing
     */
    public void table(
            TableName name, Table.Kind kind, Optional<String> query, String options, String comment, Access access) {
        table(name, kind, query, options, comment, access, List.of());
    }

    /** The same of a table that has the columns of others too. */
    public void table(TableName name, Table.Kind kind, Optional<String> query, String options, String comment,
            Access access,
            List<TableName> parents) {
        drafts.put(name, new Draft(kind, query, options, comment, access, parents));
    }

    public void column(TableName table, Column column) {
        draft(table).ifPresent(draft -> draft.columns.add(column));
    }

    public void primaryKey(TableName table, UniqueKey key) {
        draft(table).ifPresent(draft -> draft.primaryKey = Optional.of(key));
    }

    public void uniqueKey(TableName table, UniqueKey key) {
        draft(table).ifPresent(draft -> draft.uniqueKeys.add(key));
    }

    public void foreignKey(TableName table, ForeignKey key) {
        draft(table).ifPresent(draft -> draft.foreignKeys.add(key));
    }

    public void check(TableName table, Check check) {
        draft(table).ifPresent(draft -> draft.checks.add(check));
    }

    public void index(TableName table, Index index) {
        draft(table).ifPresent(draft -> draft.indexes.add(index));
    }

    /** The tables as they now stand. */
    public List<Table> tables() {
        return drafts.entrySet().stream().map(entry -> entry.getValue().table(entry.getKey(), drafts.keySet(), fold))
                .toList();
    }

    private Optional<Draft> draft(TableName table) {
        return Optional.ofNullable(drafts.get(table));
    }

    private static final class Draft {
        final Table.Kind kind;
        final Optional<String> query;
        final String options;
        final String comment;
        final Access access;
        final List<TableName> parents;
        final List<Column> columns = new ArrayList<>();
        final List<UniqueKey> uniqueKeys = new ArrayList<>();
        final List<ForeignKey> foreignKeys = new ArrayList<>();
        final List<Check> checks = new ArrayList<>();
        final List<Index> indexes = new ArrayList<>();
        Optional<UniqueKey> primaryKey = Optional.empty();

        Draft(Table.Kind kind, Optional<String> query, String options, String comment, Access access,
                List<TableName> parents) {
            this.parents = parents;
            this.kind = kind;
            this.query = query;
            this.options = options;
            this.comment = comment;
            this.access = access;
        }

        Table table(TableName name, Set<TableName> known, UnaryOperator<String> fold) {
            Optional<ViewQuery> view = query.map(sql -> {
                Set<String> mentioned = SqlText.identifiers(sql, fold);
                return new ViewQuery(sql, known.stream()
                        .filter(other -> !other.equals(name) && mentioned.contains(other.name())).toList());
            });
            checks.sort(Comparator.comparing(Check::name));
            return new Table(name, kind, columns, primaryKey, uniqueKeys, foreignKeys, checks, indexes, view,
                    options, comment, access, parents.stream().filter(known::contains).toList());
        }
    }
}
