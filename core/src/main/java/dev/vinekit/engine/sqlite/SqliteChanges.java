package dev.vinekit.engine.sqlite;

import dev.vinekit.engine.RowCheck;
import dev.vinekit.engine.ScriptStep;
import dev.vinekit.engine.StandardChanges;
import dev.vinekit.engine.StandardDefinition;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.SchemaChange;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.SchemaObject;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.TablePart;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.Dialect;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Changes for SQLite. A table of which more than names or the number of columns changes is replaced by a new one, into
 * which its rows are copied (SQLite, "ALTER TABLE", section 7).
 *
 * <p>Clients of SQLite differ: the program {@code sqlite3} goes on after an error and commits each statement by itself,
 * others open a transaction and stop. The script is therefore one savepoint, which works inside and outside a
 * transaction. Its statements write what they have verified into temporary tables, and the last one rolls everything
 * back if something is missing there. Some errors, such as a full disk, end the transaction by themselves, after which
 * the rest of the script runs without one: a temporary view with the name of the old table, which exists only outside
 * of the transaction, then makes DROP TABLE fail. The old table is renamed before the new one is created, with
 * {@code legacy_alter_table}, so that references, views and triggers go on naming the new one.
 */
final class SqliteChanges extends StandardChanges {
    private static final String BEFORE = "_before";
    private static final String UNDECIDED = "statements wait for a decision";
    private static final int SHOWN = 20;

    private final Set<TableName> anew = new LinkedHashSet<>();
    private final Map<TableName, Map<String, Column>> added = new HashMap<>();

    /** Facts that the script must have established before it may commit, in temporary rows. */
    private final List<String> established = new ArrayList<>();

    SqliteChanges(Dialect dialect, SchemaDifference difference, StandardDefinition definition) {
        super(dialect, difference, definition);
        for (SchemaChange change : difference.changes()) {
            boolean inside = change instanceof SchemaChange.PartChanged part && !(part.part() instanceof Index)
                    || change instanceof SchemaChange.ColumnChanged
                    || change instanceof SchemaChange.ColumnAdded column && !canBeAdded(column.now())
                    || change instanceof SchemaChange.DescriptionChanged described && !described.now().isView();
            if (inside) {
                anew.add(change.table());
            }
            if (change instanceof SchemaChange.ColumnAdded column) {
                added.computeIfAbsent(column.table(), key -> new HashMap<>()).put(column.now().name(), column.now());
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

    /** A new table under the same name leaves views as they are. */
    @Override
    protected boolean disturbsViews(TableName table) {
        return false;
    }

    /** The new table keeps columns that are gone, until the user drops them. */
    @Override
    protected void makeAnew(Table now) {
        List<Column> gone = new ArrayList<>();
        each(SchemaChange.ColumnRemoved.class, change -> {
            if (change.table().equals(now.name()) && !change.was().isComputed()) {
                gone.add(new Column(change.was().name(), change.was().type(), true, Optional.empty(),
                        Column.Identity.NONE, Optional.empty(), change.was().collation(), ""));
            }
        });
        Map<String, Column> fresh = added.getOrDefault(now.name(), Map.of());
        Table with = now.withColumns(Stream.concat(now.columns().stream(), gone.stream()).toList());
        List<String> targets = new ArrayList<>();
        List<String> values = new ArrayList<>();
        for (Column column : with.columns()) {
            Optional<String> value = needsValue(column) ? firstValue(column) : Optional.empty();
            if (column.isComputed() || fresh.containsKey(column.name()) && value.isEmpty()) {
                continue;
            }
            targets.add(dialect.identifier(column.name()));
            values.add(fresh.containsKey(column.name()) ? value.get() : dialect.identifier(column.name()));
            if (fresh.containsKey(column.name())) {
                note(column.name() + " must have a value. Present rows get " + value.get() + ": replace it below by "
                        + "another value, or by an expression over the columns of " + before(now)
                        + "; or leave NOT NULL out now, let the application fill it, and add NOT NULL later.");
                warn("Present rows of " + now.name() + " get the value " + value.get() + " for " + column.name() + ".");
            }
        }
        add("PRAGMA legacy_alter_table = ON");
        add("ALTER TABLE " + name(now) + " RENAME TO " + before(now));
        add("PRAGMA legacy_alter_table = OFF");
        add(tableStatement(with));
        add("INSERT INTO " + name(now) + " (" + String.join(", ", targets) + ")\nSELECT " + String.join(", ", values)
                + " FROM " + before(now));
        establish(now.name() + " copied", "(SELECT count(*) FROM " + name(now) + ") = (SELECT count(*) FROM "
                + before(now) + ")" + sameValues(now, fresh.keySet()));
        if (with.columns().stream().anyMatch(column -> column.identity() == Column.Identity.AUTO_INCREMENT)) {
            String table = Dialect.quoteLiteral(now.name().name());
            add("DELETE FROM sqlite_sequence WHERE name = " + table);
            add("INSERT INTO sqlite_sequence (name, seq) SELECT " + table + ", seq FROM sqlite_sequence WHERE name = "
                    + Dialect.quoteLiteral(now.name().name() + BEFORE));
        }
        add("DROP TABLE " + before(now));
        now.indexes().forEach(index -> add(addition(now, index)));
        unchangedOn(now.name()).forEach(object -> add(object.definition()));
    }

    /** That no value is another one: the same value, or one that reads the same as text. */
    private String sameValues(Table now, Set<String> fresh) {
        List<String> columns = new ArrayList<>();
        each(SchemaChange.ColumnChanged.class, change -> {
            if (change.table().equals(now.name()) && !change.now().isComputed() && !change.was().isComputed()
                    && !change.was().type().equals(change.now().type())) {
                columns.add(dialect.identifier(change.now().name()));
            }
        });
        Optional<List<String>> key = rowKey(now, fresh);
        if (columns.isEmpty() || key.isEmpty()) {
            return "";
        }
        String join = key.get().stream().map(column -> "was." + column + " IS now." + column)
                .collect(Collectors.joining(" AND "));
        String differs = columns.stream().map(column -> "NOT (+was." + column + " IS +now." + column + " OR CAST(was."
                + column + " AS TEXT) IS CAST(now." + column + " AS TEXT))").collect(Collectors.joining(" OR "));
        return "\n  AND NOT EXISTS (SELECT 1 FROM " + before(now) + " AS was JOIN " + name(now) + " AS now ON " + join
                + " WHERE " + differs + ")";
    }

    /** The columns by which a row of the old table and its copy are found together; the row's number where it stays. */
    private Optional<List<String>> rowKey(Table now, Set<String> fresh) {
        return now.primaryKey().map(UniqueKey::columns).filter(columns -> columns.stream().noneMatch(fresh::contains))
                .map(columns -> columns.stream().map(dialect::identifier).toList())
                .or(() -> now.options().contains("WITHOUT ROWID") ? Optional.empty() : Optional.of(List.of("rowid")));
    }

    private String before(Table table) {
        return dialect.identifier(table.name().name() + BEFORE);
    }

    /** A row that is there only if a condition holds. */
    private void establish(String fact, String condition) {
        established.add(fact);
        add("INSERT INTO temp.change_done SELECT " + Dialect.quoteLiteral(fact) + "\nWHERE " + condition);
    }

    @Override
    protected Optional<String> presentColumns(TableName table, Set<String> columns) {
        return Optional.of("SELECT name AS row_key FROM pragma_table_info(" + Dialect.quoteLiteral(table.name()) + ")"
                + (columns.isEmpty() ? "" : columns.stream().map(Dialect::quoteLiteral)
                        .collect(Collectors.joining(", ", " WHERE name IN (", ")"))));
    }

    @Override
    protected String noValue(Column column) {
        return "NULL";
    }

    @Override
    protected Optional<String> lostValues(Column was, Column now) {
        return Optional.of("");
    }

    /** A boolean is a number, and no type of SQLite refuses a literal. */
    @Override
    protected Optional<String> firstValue(Column column) {
        String type = column.type().text().toUpperCase(Locale.ROOT);
        boolean isTime = type.contains("DATE") || type.contains("TIME");
        return isTime ? Optional.of(type.equals("DATE") ? "CURRENT_DATE" : "CURRENT_TIMESTAMP")
                : type.contains("CHAR") || type.contains("TEXT") || type.contains("CLOB") || type.isEmpty()
                        ? Optional.of("''")
                : type.contains("BLOB") ? Optional.of("x''") : Optional.of("0");
    }

    @Override
    protected String describe(List<String> columns, List<String> values) {
        List<String> parts = new ArrayList<>();
        for (int i = 0; i < columns.size(); i++) {
            parts.add(Dialect.quoteLiteral((i == 0 ? "" : ", ") + columns.get(i) + "="));
            parts.add("quote(" + values.get(i) + ")");
        }
        return String.join(" || ", parts);
    }

    @Override
    protected List<String> drop(TableName table, boolean primary, TablePart part) {
        return part instanceof Index && !anew.contains(table) ? super.drop(table, primary, part) : List.of();
    }

    /** A trigger of a table that was replaced is gone with it. */
    @Override
    protected String drop(SchemaObject object) {
        return "DROP TRIGGER IF EXISTS " + dialect.identifier(object.name().name());
    }

    @Override
    protected List<String> comment(TableName table, Optional<Column> was, Column now) {
        return List.of();
    }

    @Override
    protected void conclude(List<Table> madeAgain) {
    }

    @Override
    protected String frame(List<RowCheck> checks, String stop, List<ScriptStep> all) {
        long statements = all.stream().filter(ScriptStep.Statement.class::isInstance).count();
        if (statements <= 1 && stop.isEmpty() && !onRows(checks)) {
            return written(all, "", statement -> statement + ";");
        }
        List<String> facts = new ArrayList<>(established);
        StringBuilder text = new StringBuilder();
        List<Table> replaced = anew.stream().map(this::table).toList();
        replaced.forEach(table -> text.append("CREATE TEMP VIEW IF NOT EXISTS ").append(before(table))
                .append(" AS SELECT 'exists only outside of the transaction below';\n"));
        text.append("SAVEPOINT change_begin;\n");
        replaced.forEach(table -> text.append("DROP VIEW temp.").append(before(table)).append(";\n"));
        text.append("CREATE TEMP TABLE change_problem (problem TEXT, row_key TEXT);\n");
        text.append("CREATE TEMP TABLE change_done (fact TEXT);\n");
        checked(text, checks, stop, facts);
        text.append('\n').append(written(all, "", statement -> statement + ";")).append('\n');
        return text.append(end(facts)).toString();
    }

    private void checked(StringBuilder text, List<RowCheck> checks, String stop, List<String> facts) {
        boolean referred = Stream.of(difference.before(), difference.after()).flatMap(state -> state.tables().stream())
                .anyMatch(table -> table.foreignKeys().stream()
                        .anyMatch(key -> anew.contains(key.target()) && !key.target().equals(table.name())));
        List<String> problems = new ArrayList<>();
        if (referred) {
            String problem = "foreign keys are on: run PRAGMA foreign_keys = OFF before, outside of a transaction";
            problems.add(problem);
            text.append("INSERT INTO temp.change_problem SELECT ").append(Dialect.quoteLiteral(problem))
                    .append(", NULL FROM pragma_foreign_keys WHERE foreign_keys = 1;\n");
        }
        for (TableName table : anew) {
            String old = table.name() + BEFORE;
            String problem = "there is a table " + old + " already: rename it first";
            problems.add(problem);
            text.append("INSERT INTO temp.change_problem SELECT ").append(Dialect.quoteLiteral(plain(problem)))
                    .append(", NULL FROM sqlite_schema WHERE name = ").append(Dialect.quoteLiteral(old)).append(";\n");
        }
        for (RowCheck check : checks) {
            problems.add(check.problem());
            text.append("INSERT INTO temp.change_problem SELECT ").append(Dialect.quoteLiteral(plain(check.problem())))
                    .append(", row_key FROM (\n  ").append(check.rows()).append("\n) LIMIT ").append(SHOWN)
                    .append(";\n");
        }
        if (!stop.isEmpty()) {
            problems.add(UNDECIDED);
            text.append("INSERT INTO temp.change_problem VALUES (").append(Dialect.quoteLiteral(UNDECIDED))
                    .append(", ").append(Dialect.quoteLiteral(stop)).append(");\n");
        }
        text.append("SELECT problem, row_key FROM temp.change_problem;\n");
        List<String> columns = new ArrayList<>();
        List<String> values = new ArrayList<>();
        for (int i = 0; i < problems.size(); i++) {
            String problem = plain(problems.get(i));
            columns.add("\n  problem_" + (i + 1) + " INTEGER CONSTRAINT " + Dialect.quoteIdentifier(problem)
                    + " CHECK (problem_" + (i + 1) + " = 0)");
            values.add("\n  (SELECT count(*) FROM temp.change_problem WHERE problem = " + Dialect.quoteLiteral(problem)
                    + ")");
        }
        if (!problems.isEmpty()) {
            text.append("CREATE TEMP TABLE change_check (").append(String.join(",", columns)).append("\n);\n");
            text.append("INSERT INTO temp.change_check SELECT").append(String.join(",", values)).append(";\n");
            text.append("INSERT INTO temp.change_done SELECT 'checked' FROM temp.change_check;\n");
            facts.add("checked");
        }
        boolean references = difference.before().tables().stream().anyMatch(table -> !table.foreignKeys().isEmpty());
        if (references && !anew.isEmpty()) {
            text.append("CREATE TEMP TABLE change_references AS SELECT count(*) AS broken FROM pragma_foreign_key_check;\n");
        }
    }

    /** Commits if everything is as it should be, and rolls back otherwise. */
    private String end(List<String> facts) {
        StringBuilder text = new StringBuilder();
        boolean references = difference.before().tables().stream().anyMatch(table -> !table.foreignKeys().isEmpty());
        if (references && !anew.isEmpty()) {
            text.append("INSERT INTO temp.change_done SELECT 'references'\nWHERE (SELECT count(*) FROM "
                    + "pragma_foreign_key_check) <= (SELECT broken FROM temp.change_references);\n");
            facts.add("references");
        }
        String objects = expected().stream().map(Dialect::quoteLiteral).collect(Collectors.joining(", "));
        text.append("INSERT INTO temp.change_done SELECT 'complete'\nWHERE (SELECT count(*) FROM sqlite_schema WHERE name "
                + "IN (").append(objects).append(")) = ").append(expected().size()).append(";\n");
        facts.add("complete");
        text.append("CREATE TEMP TABLE change_end (facts INTEGER CONSTRAINT "
                + "\"the change is not complete: everything is rolled back\" CHECK (facts = ")
                .append(facts.size()).append("));\n");
        text.append("INSERT OR ROLLBACK INTO temp.change_end SELECT count(DISTINCT fact) FROM temp.change_done;\n");
        text.append("DROP TABLE temp.change_end;\nDROP TABLE temp.change_done;\nDROP TABLE temp.change_problem;\n");
        if (facts.contains("checked")) {
            text.append("DROP TABLE temp.change_check;\n");
        }
        if (references && !anew.isEmpty()) {
            text.append("DROP TABLE temp.change_references;\n");
        }
        return text.append("RELEASE change_begin;\n").toString();
    }

    /** The tables, views and indexes of the new state that the script touches, and the triggers of replaced tables. */
    private Set<String> expected() {
        Set<String> names = new LinkedHashSet<>();
        difference.changes().forEach(change -> difference.after().table(change.table()).ifPresent(table -> {
            names.add(table.name().name());
            table.indexes().forEach(index -> names.add(index.name()));
        }));
        difference.after().objects().stream()
                .filter(object -> object.on().filter(anew::contains).isPresent() || difference.changes().stream()
                        .anyMatch(change -> change instanceof SchemaChange.ObjectChanged changed
                                && changed.now().filter(object::equals).isPresent()))
                .forEach(object -> names.add(object.name().name()));
        return names;
    }
}
