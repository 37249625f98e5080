package dev.vinekit.scratch;

import dev.vinekit.engine.ScratchDatabase;
import dev.vinekit.engine.ScratchPlace;
import dev.vinekit.engine.TextRows;
import dev.vinekit.fault.Fault;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaChange;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.sql.ChangeScript;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.Script;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * Runs a change script on scratch databases that have the old schema: with made-up rows, a second time, and without
 * rows. It has to reach the new schema, or to refuse and change nothing; no row may be lost, and no value of a column
 * that keeps its type may change.
 */
public final class ChangeTrial {
    private final ScratchPlace place;
    private final SchemaDifference difference;
    private final ChangeScript script;
    private final Dialect dialect;
    private final Map<TableName, TableName> presentNames = new HashMap<>();
    private final Map<TableName, Map<String, String>> presentColumns = new HashMap<>();

    /** What came of it. */
    public enum Verdict {
        /** The script did what it should, on rows or, where it refused the rows, on empty tables. */
        PASSED,
        /** It must not be used as it is. */
        FAILED,
        /** There was no database to try it on. */
        NOT_TRIED
    }

    /**
     * A verdict with its reason.
     *
     * @param rows how many rows it was tried on
     */
    public record Result(Verdict verdict, String reason, long rows) {
    }

    private ChangeTrial(ScratchPlace place, SchemaDifference difference, ChangeScript script, Dialect dialect) {
        this.place = place;
        this.difference = difference;
        this.script = script;
        this.dialect = dialect;
        difference.renamedTables().forEach((now, was) -> presentNames.put(was, now));
        for (SchemaChange change : difference.changes()) {
            if (change instanceof SchemaChange.ColumnRenamed column) {
                presentColumns.computeIfAbsent(column.table(), key -> new HashMap<>())
                        .put(column.was().name(), column.now().name());
            }
        }
    }

    /**
     * Tries a script.
     *
     * @param seed SQL that inserts rows into the old schema
     */
    public static Result of(ScratchPlace place, SchemaDifference difference, ChangeScript script, Dialect dialect,
            String seed) {
        if (!place.engine().makesScratch()) {
            return new Result(Verdict.NOT_TRIED, "Vine Kit makes no scratch databases of " + place.engine().title() + ".", 0);
        }
        ChangeTrial trial = new ChangeTrial(place, difference, script, dialect);
        try {
            Result onRows = trial.on(seed);
            return onRows.verdict == Verdict.NOT_TRIED ? trial.on("") : onRows;
        } catch (SQLException e) {
            return new Result(Verdict.NOT_TRIED, firstLine(e), 0);
        } catch (Fault e) {
            return new Result(Verdict.NOT_TRIED, e.getMessage(), 0);
        }
    }

    private Result on(String seed) throws SQLException {
        try (ScratchDatabase database = place.with(dialect.definition(difference.before()))) {
            try {
                database.execute(seed);
            } catch (SQLException e) {
                return new Result(Verdict.NOT_TRIED, firstLine(e), 0);
            }
            Map<TableName, List<List<String>>> before = rows(database, difference.before().tables(), Map.of());
            long count = before.values().stream().mapToLong(List::size).sum();
            Optional<String> refusal = run(database);
            Schema reached = place.engine().read(database.anchor(), schemas());
            if (refusal.isPresent()) {
                Optional<String> traces = traces(database, before, reached);
                if (traces.isPresent() || count == 0) {
                    return new Result(Verdict.FAILED, traces.map(trace -> trace + " after: ").orElse("") + refusal.get(), count);
                }
                Result empty = on("");
                return empty.verdict == Verdict.PASSED ? new Result(Verdict.PASSED, refusal.get(), count) : empty;
            }
            Optional<String> fault = reached(reached).or(() -> lost(database, before));
            if (fault.isEmpty()) {
                run(database);
                fault = lost(database, before).map(lost -> lost + " when the script was applied a second time");
            }
            return fault.map(reason -> new Result(Verdict.FAILED, reason, count))
                    .orElseGet(() -> new Result(Verdict.PASSED, "", count));
        }
    }

    private List<String> schemas() {
        return difference.before().tables().stream().map(table -> table.name().schema()).filter(name -> !name.isEmpty())
                .distinct().toList();
    }

    /** Runs the script until a statement fails; says how. */
    private Optional<String> run(ScratchDatabase database) throws SQLException {
        try (Connection connection = database.connect(); Statement statement = connection.createStatement()) {
            if (place.engine().name().equals("sqlite")) {
                statement.execute("PRAGMA foreign_keys = OFF");
            }
            for (Script.Part part : Script.parts(script.decided(), place.engine().scriptSyntax())) {
                try {
                    statement.execute(part.text());
                } catch (SQLException e) {
                    return Optional.of(firstLine(e));
                }
            }
            return Optional.empty();
        }
    }

    /** What a script that failed has left. */
    private Optional<String> traces(ScratchDatabase database, Map<TableName, List<List<String>>> before, Schema reached)
            throws SQLException {
        if (!SchemaDifference.of(difference.before().withoutAccess(), reached.withoutAccess()).isEmpty()) {
            return Optional.of("The schema is neither the old one nor the new one");
        }
        return rows(database, difference.before().tables(), Map.of()).equals(before) ? Optional.empty()
                : Optional.of("Rows are not as they were");
    }

    private Optional<String> reached(Schema reached) {
        List<SchemaChange> left =
                SchemaDifference.of(reached.withoutAccess(), difference.after().withoutAccess()).changes();
        return left.isEmpty() || !script.decisions().isEmpty() ? Optional.empty()
                : Optional.of("The new schema was not reached: " + left.get(0).table() + " still differs");
    }

    /** The first table whose rows are not all there, with the values of the columns that keep their type. */
    private Optional<String> lost(ScratchDatabase database, Map<TableName, List<List<String>>> before) {
        try {
            Map<TableName, List<List<String>>> now = rows(database, difference.before().tables(), presentNames);
            return before.keySet().stream().filter(table -> !now.get(table).equals(before.get(table)))
                    .map(table -> "Rows or values of " + table + " were lost").findFirst();
        } catch (SQLException e) {
            return Optional.of("Rows could not be read: " + firstLine(e));
        }
    }

    /** The rows of the old tables, with the columns that keep their type, in the order of their texts. */
    private Map<TableName, List<List<String>>> rows(
            ScratchDatabase database, List<Table> tables, Map<TableName, TableName> names) throws SQLException {
        Map<TableName, List<List<String>>> rows = new HashMap<>();
        boolean isLater = names == presentNames;
        try (Statement statement = database.anchor().createStatement()) {
            for (Table table : tables) {
                List<String> columns = table.isView() ? List.of() : kept(table, isLater);
                if (columns.isEmpty()) {
                    continue;
                }
                TableName name = isLater ? presentNames.getOrDefault(table.name(), table.name()) : table.name();
                List<List<String>> found = new ArrayList<>(TextRows.of(statement, "SELECT " + String.join(", ", columns)
                        + " FROM " + dialect.table(name, difference.before().defaultSchema())));
                found.sort((one, other) -> String.valueOf(one).compareTo(String.valueOf(other)));
                rows.put(table.name(), found);
            }
        }
        return rows;
    }

    private List<String> kept(Table table, boolean isLater) {
        TableName present = presentNames.getOrDefault(table.name(), table.name());
        Map<String, String> renamed = presentColumns.getOrDefault(present, Map.of());
        Optional<Table> after = difference.after().table(present);
        return table.columns().stream().filter(column -> !column.isComputed()).filter(column -> after.isEmpty()
                || after.get().columns().stream().noneMatch(now -> now.name().equals(renamed.getOrDefault(column.name(),
                        column.name())) && (!now.type().equals(column.type()) || now.isComputed())))
                .map(Column::name).map(name -> isLater ? renamed.getOrDefault(name, name) : name)
                .map(dialect::identifier).collect(Collectors.toList());
    }

    private static String firstLine(SQLException e) {
        return String.valueOf(e.getMessage()).lines().findFirst().orElse("no reason given");
    }
}
