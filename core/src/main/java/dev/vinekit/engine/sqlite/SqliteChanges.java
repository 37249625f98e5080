package dev.vinekit.engine.sqlite;

import dev.vinekit.engine.StandardChanges;
import dev.vinekit.engine.StandardDefinition;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.SchemaChange;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.TablePart;
import dev.vinekit.sql.Dialect;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Changes as SQLite wants them: a table of which more than its columns' number or names changes is made anew, and its
 * rows are copied (SQLite, "ALTER TABLE", section 7).
 */
final class SqliteChanges extends StandardChanges {
    private final Set<TableName> anew = new HashSet<>();

    SqliteChanges(Dialect dialect, SchemaDifference difference, StandardDefinition definition) {
        super(dialect, difference, definition);
        for (SchemaChange change : difference.changes()) {
            boolean inside = change instanceof SchemaChange.PartChanged part && !(part.part() instanceof Index)
                    || change instanceof SchemaChange.ColumnChanged
                    || change instanceof SchemaChange.ColumnAdded added && !canBeAdded(added.now())
                    || change instanceof SchemaChange.DescriptionChanged described && !described.now().isView();
            if (inside) {
                anew.add(change.table());
            }
        }
    }

    private static boolean canBeAdded(Column column) {
        boolean constant = column.defaultValue().map(value -> !value.text().startsWith("(")
                && !value.text().toUpperCase(Locale.ROOT).startsWith("CURRENT_")).orElse(column.nullable());
        return constant && !column.computed().filter(Column.Computed::stored).isPresent();
    }

    @Override
    protected boolean isMadeAnew(TableName table) {
        return anew.contains(table);
    }

    /** The new table keeps columns that are gone, until somebody drops them. */
    @Override
    protected List<String> madeAnew(Table now) {
        List<Column> gone = new ArrayList<>();
        each(SchemaChange.ColumnRemoved.class, change -> {
            if (change.table().equals(now.name()) && !change.was().isComputed()) {
                gone.add(new Column(change.was().name(), change.was().type(), true, Optional.empty(),
                        Column.Identity.NONE, Optional.empty(), change.was().collation(), ""));
            }
        });
        Set<String> added = new HashSet<>();
        each(SchemaChange.ColumnAdded.class, change -> {
            if (change.table().equals(now.name())) {
                added.add(change.now().name());
            }
        });
        Table with = now.withColumns(Stream.concat(now.columns().stream(), gone.stream()).toList());
        Table fresh = with.named(new TableName(now.name().schema(), now.name().name() + "_anew"));
        String columns = with.columns().stream()
                .filter(column -> !column.isComputed() && !added.contains(column.name()))
                .map(column -> dialect.identifier(column.name())).collect(Collectors.joining(", "));
        List<String> statements = new ArrayList<>();
        statements.add("PRAGMA foreign_keys = OFF");
        statements.add(tableStatement(fresh));
        statements.add("INSERT INTO " + name(fresh) + " (" + columns + ")\nSELECT " + columns + " FROM " + name(now));
        statements.add("DROP TABLE " + name(now));
        statements.add("ALTER TABLE " + name(fresh) + " RENAME TO " + dialect.identifier(now.name().name()));
        now.indexes().forEach(index -> statements.add(addition(now, index)));
        statements.add("PRAGMA foreign_keys = ON");
        return statements;
    }

    @Override
    protected List<String> drop(TableName table, boolean primary, TablePart part) {
        return part instanceof Index && !anew.contains(table) ? super.drop(table, primary, part) : List.of();
    }

    @Override
    protected List<String> comment(TableName table, Optional<Column> was, Column now) {
        return List.of();
    }
}
