package dev.vinekit.engine;

import dev.vinekit.schema.Check;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.DefaultValue;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.SchemaChange;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.UniqueKey;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * Finds the rows of the present database that a change would refuse or damage. The queries run before the first
 * statement of the change: on tables by their old names, seen with the columns that they are going to have.
 */
final class RowChecks {
    private final StandardChanges changes;
    private final Map<TableName, Table> before = new HashMap<>();
    private final Map<TableName, Map<String, String>> lastNames = new HashMap<>();
    private final Map<TableName, Map<String, Column>> added = new HashMap<>();
    private final Set<TableName> addedTables = new HashSet<>();
    private final List<RowCheck> checks = new ArrayList<>();

    RowChecks(StandardChanges changes, SchemaDifference difference) {
        this.changes = changes;
        Map<TableName, TableName> renamed = difference.renamedTables();
        difference.after().tables().forEach(table ->
                difference.before().table(renamed.getOrDefault(table.name(), table.name()))
                        .ifPresent(was -> before.put(table.name(), was)));
        for (SchemaChange change : difference.changes()) {
            if (change instanceof SchemaChange.ColumnRenamed column) {
                lastNames.computeIfAbsent(column.table(), key -> new HashMap<>())
                        .put(column.now().name(), column.was().name());
            } else if (change instanceof SchemaChange.ColumnAdded column) {
                added.computeIfAbsent(column.table(), key -> new HashMap<>()).put(column.now().name(), column.now());
            } else if (change instanceof SchemaChange.TableAdded table) {
                addedTables.add(table.table());
            }
        }
    }

    /** The checks for all changes. */
    List<RowCheck> of(SchemaDifference difference) {
        applied(difference);
        for (SchemaChange change : difference.changes()) {
            if (change instanceof SchemaChange.ColumnChanged column) {
                changed(column);
            } else if (change instanceof SchemaChange.ColumnAdded column) {
                added(column);
            } else if (change instanceof SchemaChange.PartChanged part) {
                part.now().ifPresent(now -> {
                    if (now instanceof UniqueKey key) {
                        unique(part.table(), key.columns(), key.lengths());
                    } else if (now instanceof Index index && index.unique() && index.definition().isEmpty()) {
                        unique(part.table(), index.columns(), List.of());
                    } else if (now instanceof ForeignKey key) {
                        reference(part.table(), key);
                    } else if (now instanceof Check check) {
                        rows(part.table(), "breaks the check " + check.expression(),
                                "NOT (" + check.expression() + ")");
                    }
                    if (part.primary() && now instanceof UniqueKey key) {
                        key.columns().forEach(column -> required(part.table(), column));
                    }
                });
            }
        }
        return checks.stream().distinct().toList();
    }

    /** That the script was not applied before: what it creates is not there. */
    private void applied(SchemaDifference difference) {
        Map<TableName, Set<String>> created = new TreeMap<>();
        added.forEach((table, columns) -> created.computeIfAbsent(before.get(table).name(), key -> new TreeSet<>())
                .addAll(columns.keySet()));
        lastNames.forEach((table, columns) -> created.computeIfAbsent(before.get(table).name(), key -> new TreeSet<>())
                .addAll(columns.keySet()));
        created.forEach((table, columns) -> changes.presentColumns(table, columns).ifPresent(query -> checks.add(
                new RowCheck(table.name() + " has new columns already, the script was applied before", query))));
        for (SchemaChange change : difference.changes()) {
            boolean creates = change instanceof SchemaChange.TableAdded table && !table.now().isView()
                    || change instanceof SchemaChange.TableRenamed;
            if (creates) {
                changes.presentColumns(change.table(), Set.of()).ifPresent(query -> checks.add(new RowCheck(
                        change.table().name() + " exists already, the script was applied before", query)));
            }
        }
    }

    private void changed(SchemaChange.ColumnChanged change) {
        if (change.was().nullable() && !change.now().nullable() && !change.now().isComputed()) {
            required(change.table(), change.now().name());
        }
        if (!change.was().isComputed() && !change.now().isComputed()) {
            changes.lostValues(change.was(), change.now()).filter(condition -> !condition.isEmpty())
                    .ifPresent(condition -> rows(change.table(), change.now().name() + " has a value that does not fit "
                            + change.now().type().declared(), condition));
        }
    }

    private void added(SchemaChange.ColumnAdded change) {
        if (changes.needsValue(change.now()) && changes.firstValue(change.now()).isEmpty()) {
            rows(change.table(), "the new column " + change.now().name()
                    + " needs a value, and none fits its type", "1 = 1");
        }
    }

    private void required(TableName table, String column) {
        if (!added.getOrDefault(table, Map.of()).containsKey(column)) {
            rows(table, column + " has no value", changes.dialect.identifier(column) + " IS NULL");
        }
    }

    private void rows(TableName table, String problem, String condition) {
        if (before.containsKey(table)) {
            checks.add(new RowCheck(table.name() + ": " + problem,
                    "SELECT " + key(table) + " AS row_key FROM " + image(table) + " WHERE " + condition));
        }
    }

    private void unique(TableName table, List<String> columns, List<Integer> lengths) {
        Map<String, Column> fresh = added.getOrDefault(table, Map.of());
        boolean decided = columns.stream().filter(fresh::containsKey).map(fresh::get)
                .allMatch(column -> !column.isComputed() && !column.isIdentity() && value(column).isPresent());
        if (!before.containsKey(table) || !decided || columns.isEmpty()) {
            return;
        }
        List<String> values = new ArrayList<>();
        for (int i = 0; i < columns.size(); i++) {
            String name = changes.dialect.identifier(columns.get(i));
            values.add(i < lengths.size() && lengths.get(i) > 0 ? "LEFT(" + name + ", " + lengths.get(i) + ")" : name);
        }
        String present = values.stream().map(value -> value + " IS NOT NULL").collect(Collectors.joining(" AND "));
        checks.add(new RowCheck(table.name() + ": not unique by " + String.join(", ", columns),
                "SELECT " + changes.describe(columns, values) + " AS row_key FROM " + image(table) + " WHERE "
                        + present + " GROUP BY " + String.join(", ", values) + " HAVING COUNT(*) > 1"));
    }

    private void reference(TableName table, ForeignKey key) {
        List<String> here = key.columns().stream().map(changes.dialect::identifier).toList();
        String present = here.stream().map(column -> column + " IS NOT NULL").collect(Collectors.joining(" AND "));
        if (addedTables.contains(key.target())) {
            rows(table, "refers to rows of the new table " + key.target().name(), present);
            return;
        }
        List<String> pairs = new ArrayList<>();
        for (int i = 0; i < here.size(); i++) {
            pairs.add("target." + changes.dialect.identifier(key.targetColumns().get(i)) + " = source." + here.get(i));
        }
        if (before.containsKey(table)) {
            checks.add(new RowCheck(table.name() + ": " + String.join(", ", key.columns()) + " refers to no row of "
                    + key.target().name(),
                    "SELECT " + key(table) + " AS row_key FROM " + image(table, "source") + " WHERE " + present
                            + " AND NOT EXISTS (SELECT 1 FROM " + image(key.target(), "target") + " WHERE "
                            + String.join(" AND ", pairs) + ")"));
        }
    }

    /** The columns that identify a row, and their values, as one text. */
    private String key(TableName table) {
        Table was = before.get(table);
        Map<String, String> renamed = lastNames.getOrDefault(table, Map.of()).entrySet().stream()
                .collect(Collectors.toMap(Map.Entry::getValue, Map.Entry::getKey));
        List<String> present = changes.table(table).columns().stream().map(Column::name).toList();
        List<String> columns = was.primaryKey().map(UniqueKey::columns).orElse(List.of()).stream()
                .map(name -> renamed.getOrDefault(name, name)).toList();
        if (columns.isEmpty() || !present.containsAll(columns)) {
            Set<String> fresh = added.getOrDefault(table, Map.of()).keySet();
            columns = present.stream().filter(name -> !fresh.contains(name)).limit(3).toList();
        }
        return changes.describe(columns, columns.stream().map(changes.dialect::identifier).toList());
    }

    private String image(TableName table) {
        return image(table, "");
    }

    /** The table as it is now, under the names that its columns are going to have, with the values of new ones. */
    private String image(TableName table, String alias) {
        Table was = before.get(table);
        Map<String, String> renamed = lastNames.getOrDefault(table, Map.of());
        Map<String, Column> fresh = added.getOrDefault(table, Map.of());
        String source = changes.name(was.name());
        if (renamed.isEmpty() && fresh.isEmpty()) {
            return source + (alias.isEmpty() ? "" : " " + alias);
        }
        String columns = changes.table(table).columns().stream().map(column -> {
            String name = changes.dialect.identifier(column.name());
            return fresh.containsKey(column.name()) ? value(column).orElseGet(() -> changes.noValue(column)) + " AS " + name
                    : renamed.containsKey(column.name())
                            ? changes.dialect.identifier(renamed.get(column.name())) + " AS " + name : name;
        }).collect(Collectors.joining(", "));
        return "(SELECT " + columns + " FROM " + source + ") " + (alias.isEmpty() ? "changed_table" : alias);
    }

    /** The value that present rows get in a new column; empty for NULL, and where only the database knows. */
    private Optional<String> value(Column column) {
        return column.isComputed() || column.isIdentity() ? Optional.empty()
                : column.defaultValue().filter(value -> value.meaning() == DefaultValue.Meaning.CONSTANT
                                || value.meaning() == DefaultValue.Meaning.NOW)
                        .flatMap(DefaultValue::onInsert)
                        .or(() -> changes.needsValue(column) ? changes.firstValue(column) : Optional.empty());
    }
}
