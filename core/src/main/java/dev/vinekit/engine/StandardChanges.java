package dev.vinekit.engine;

import dev.vinekit.schema.Column;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaChange;
import dev.vinekit.schema.SchemaDifference;
import dev.vinekit.schema.SchemaObject;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.TablePart;
import dev.vinekit.sql.ChangeScript;
import dev.vinekit.sql.Dialect;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Writes the script that takes a database from one state of its schema to another, in standard SQL; engines change the
 * parts they spell otherwise, and lay out the whole so that it takes effect completely or not at all. Statements that
 * would lose rows or values are commented out until the user decides; values that would not survive are looked for
 * before anything is changed.
 */
public class StandardChanges {
    protected final Dialect dialect;
    protected final SchemaDifference difference;
    protected final StandardDefinition definition;
    private final List<ScriptStep> steps = new ArrayList<>();
    private final List<String> warnings = new ArrayList<>();

    /**
     * For a difference.
     *
     * @param definition writes the later state
     */
    public StandardChanges(Dialect dialect, SchemaDifference difference, StandardDefinition definition) {
        this.dialect = dialect;
        this.difference = difference;
        this.definition = definition;
    }

    /** The script; empty if nothing has changed. */
    public final ChangeScript script() {
        statements();
        List<String> decisions = steps.stream().filter(ScriptStep.Decision.class::isInstance)
                .map(step -> ((ScriptStep.Decision) step).why()).toList();
        if (steps.isEmpty()) {
            return ChangeScript.NONE;
        }
        String stop = decisions.isEmpty() ? ""
                : decisions.size() == 1 ? "A statement waits for a decision: search for DECIDE, then delete this line."
                : decisions.size() + " statements wait for a decision: search for DECIDE, then delete this line.";
        List<RowCheck> checks = new RowChecks(this, difference).of(difference);
        String decided = frame(checks, "", steps);
        return new ChangeScript(stop.isEmpty() ? decided : frame(checks, stop, steps), decided, decisions, warnings);
    }

    /**
     * The script as a whole. Before it changes anything it runs the checks, and changes nothing if one finds rows or if
     * the user has to decide.
     *
     * @param stop what to say as long as statements wait for a decision; empty if none does
     */
    protected String frame(List<RowCheck> checks, String stop, List<ScriptStep> all) {
        StringBuilder text = new StringBuilder();
        checks.forEach(check -> text.append("-- Must find no row (").append(plain(check.problem())).append("):\n-- ")
                .append(plain(check.rows())).append(";\n"));
        if (!stop.isEmpty()) {
            text.append("SELECT CAST(").append(Dialect.quoteLiteral(stop)).append(" AS INTEGER);\n");
        }
        return text.append(written(all, "", statement -> statement + ";")).toString();
    }

    /** Whether one of the checks is about rows, and not only about whether the script was applied before. */
    protected static boolean onRows(List<RowCheck> checks) {
        return checks.stream().anyMatch(check -> !check.problem().endsWith("applied before"));
    }

    /**
     * Steps as text.
     *
     * @param indent before each line
     * @param ended a statement with what ends it
     */
    protected static String written(List<ScriptStep> steps, String indent, UnaryOperator<String> ended) {
        StringBuilder text = new StringBuilder();
        for (ScriptStep step : steps) {
            if (step instanceof ScriptStep.Statement statement) {
                text.append(indent).append(ended.apply(statement.sql())).append('\n');
            } else if (step instanceof ScriptStep.Note note) {
                text.append(indent).append("-- ").append(plain(note.text())).append('\n');
            } else if (step instanceof ScriptStep.Decision decision) {
                text.append(indent).append("-- DECIDE: ").append(plain(decision.why()))
                        .append(" Remove the -- below to do it, or delete the lines.\n");
                ended.apply(decision.sql()).lines()
                        .forEach(line -> text.append(indent).append("-- ").append(line).append('\n'));
            }
        }
        return text.toString();
    }

    private void statements() {
        List<Table> views = viewsInTheWay();
        for (int i = views.size() - 1; i >= 0; i--) {
            add("DROP " + StandardDefinition.viewWords(views.get(i)) + " " + name(views.get(i)));
        }
        prelude();
        parts(false, change -> dropped(change, false));
        each(SchemaChange.TableRenamed.class, change -> {
            note("Taken for a new name of the same table: " + change.was().name().name() + ".");
            add(renameTable(change.was(), change.now()));
        });
        each(SchemaChange.ColumnRenamed.class, change -> {
            note("Taken for a new name of the same column: " + change.was().name() + ".");
            add("ALTER TABLE " + name(change.table()) + " " + renameColumn(change.was(), change.now()));
        });
        newTables();
        columns();
        difference.after().tables().stream().filter(table -> isMadeAnew(table.name())).forEach(this::makeAnew);
        parts(true, this::added);
        parts(false, change -> dropped(change, true));
        each(SchemaChange.DescriptionChanged.class, change -> {
            if (!isMadeAnew(change.table())) {
                descriptions(change).forEach(this::add);
            }
        });
        each(SchemaChange.ColumnChanged.class,
                change -> comment(change.table(), Optional.of(change.was()), change.now())
                .forEach(this::add));
        losses();
        for (Table view : views) {
            present(view.name()).filter(Table::isView).ifPresent(now -> {
                definition.viewStatements(now).forEach(this::add);
                unchangedOn(now.name()).forEach(object -> add(definition.statement(object)));
            });
        }
        newViews(views);
        each(SchemaChange.ObjectChanged.class, this::object);
        each(SchemaChange.SequenceChanged.class, change -> change.was().filter(was -> change.now().isEmpty())
                .ifPresent(was -> byHand("No longer there.", "DROP SEQUENCE " + name(was.name()))));
        each(SchemaChange.DomainChanged.class, change -> change.was().filter(was -> change.now().isEmpty())
                .ifPresent(was -> byHand("No column has it any more.", "DROP DOMAIN " + was.name())));
        conclude(views.stream().filter(view -> present(view.name()).filter(Table::isView).isPresent()).toList());
    }

    /** What has to be done at the end: by default, to warn that views which were made again have lost their grants. */
    protected void conclude(List<Table> madeAgain) {
        if (!madeAgain.isEmpty()) {
            warn("Views are dropped and created again, and lose the rights that were granted on them: "
                    + madeAgain.stream().map(view -> view.name().name()).collect(Collectors.joining(", ")) + ".");
        }
    }

    /** What comes before the tables: sequences, domains, types. */
    private void prelude() {
        List<Preliminary> before = definition.of(difference.before()).prelude();
        definition.prelude().stream().filter(now -> !before.contains(now)).forEach(now -> {
            if (!now.isRepeatable() && before.stream().anyMatch(now::makesSameAs)) {
                typeChanged(now.spelled(), now.statement());
            } else {
                add(now.statement());
            }
        });
    }

    /** What is made again is dropped first; those that come before the tables have been made by now. */
    private void object(SchemaChange.ObjectChanged change) {
        SchemaObject object = change.object();
        boolean stands = object.kind().comesFirst() || object.kind() == SchemaObject.Kind.SETTING
                || object.kind() == SchemaObject.Kind.COMMENT;
        if (change.was().isPresent() && !stands) {
            add(drop(object));
        } else if (change.now().isEmpty()) {
            note("No longer there, or no longer set: " + object.kind().words() + " " + object.name().name()
                    + ".");
        }
        change.now().filter(now -> !StandardDefinition.isPreliminary(now))
                .ifPresent(now -> add(definition.statement(now)));
    }

    /** The statement that drops a trigger or the like. */
    protected String drop(SchemaObject object) {
        return "DROP " + object.kind() + " " + dialect.identifier(object.name().name());
    }

    /** A sequence, domain or type of this name has another definition. */
    protected void typeChanged(String name, String statement) {
        byHand("Changed, which needs a decision: " + name, statement);
    }

    /** The views of the earlier state that read something that changes, each after those that it reads. */
    private List<Table> viewsInTheWay() {
        Set<TableName> changed = new HashSet<>();
        for (SchemaChange change : difference.changes()) {
            boolean harmless = change instanceof SchemaChange.ColumnAdded || change instanceof SchemaChange.PartChanged
                    || change instanceof SchemaChange.DescriptionChanged;
            boolean replaced = isMadeAnew(change.table());
            if (replaced ? disturbsViews(change.table()) : !harmless) {
                changed.add(change.table());
            }
            if (change instanceof SchemaChange.TableRenamed renamed) {
                changed.add(renamed.was().name());
            }
        }
        List<Table> views = new ArrayList<>();
        for (Table table : difference.before().inReferenceOrder()) {
            boolean gone = difference.changes().stream().anyMatch(change ->
                    change instanceof SchemaChange.TableRemoved removed && removed.was().name().equals(table.name()));
            boolean reads = table.needs().stream().anyMatch(changed::contains);
            if (table.isView() && (reads || gone || isChanged(table))) {
                changed.add(table.name());
                views.add(table);
            }
        }
        return views;
    }

    private boolean isChanged(Table view) {
        return difference.changes().stream().anyMatch(change ->
                (change instanceof SchemaChange.ViewChanged || change instanceof SchemaChange.DescriptionChanged)
                        && change.table().equals(view.name()));
    }

    private void newViews(List<Table> again) {
        Set<TableName> done = new HashSet<>(again.stream().map(Table::name).toList());
        Set<TableName> added = new HashSet<>();
        each(SchemaChange.TableAdded.class, change -> added.add(change.now().name()));
        difference.after().inReferenceOrder().stream()
                .filter(table -> table.isView() && added.contains(table.name()) && !done.contains(table.name()))
                .forEach(view -> definition.viewStatements(view).forEach(this::add));
    }

    private void newTables() {
        Set<TableName> added = new LinkedHashSet<>();
        each(SchemaChange.TableAdded.class, change -> added.add(change.now().name()));
        Set<TableName> there = new HashSet<>(difference.after().tables().stream().map(Table::name)
                .filter(name -> !added.contains(name)).toList());
        List<String> later = new ArrayList<>();
        for (Table table : difference.after().inReferenceOrder()) {
            if (added.contains(table.name()) && !table.isView()) {
                there.add(table.name());
                List<ForeignKey> inside = table.foreignKeys().stream()
                        .filter(key -> there.contains(key.target()) || definition.refersAhead()).toList();
                table.foreignKeys().stream().filter(key -> !inside.contains(key))
                        .forEach(key -> later.add(definition.addition(table, key)));
                definition.statements(table, inside).forEach(this::add);
            }
        }
        later.forEach(this::add);
    }

    private void columns() {
        each(SchemaChange.ColumnAdded.class, change -> {
            if (isMadeAnew(change.table())) {
                return;
            }
            Table table = table(change.table());
            if (needsValue(change.now())) {
                addRequired(table, change.now());
            } else {
                add("ALTER TABLE " + name(change.table()) + " ADD COLUMN " + definition.column(table, change.now()));
            }
            comment(change.table(), Optional.empty(), change.now()).forEach(this::add);
        });
        each(SchemaChange.ColumnChanged.class, change -> {
            if (isMadeAnew(change.table())) {
                return;
            }
            if (isComputedAnew(change.was(), change.now())) {
                add("ALTER TABLE " + name(change.table()) + " DROP COLUMN " + dialect.identifier(change.now().name()));
                add("ALTER TABLE " + name(change.table()) + " ADD COLUMN "
                        + definition.column(table(change.table()), change.now()));
                return;
            }
            List<String> statements = alterations(table(change.table()), change.was(), change.now());
            if (lostValues(change.was(), change.now()).isEmpty()) {
                byHand("Values of " + change.now().name() + " may change their meaning or get lost with the type "
                        + change.now().type().declared() + ".", String.join(";\n", statements));
            } else {
                statements.forEach(this::add);
            }
        });
    }

    /**
     * The condition for rows whose value would not survive another type of the column.
     *
     * @return empty if rows do not show it, so that the user has to decide; an empty text if every value survives
     */
    protected Optional<String> lostValues(Column was, Column now) {
        return switch (TypeChange.of(was.type(), now.type())) {
            case SAFE -> Optional.of("");
            case UNKNOWN -> Optional.empty();
            case BY_VALUE -> roundTrip(dialect.identifier(now.name()), was, now);
        };
    }

    /** The condition for rows whose value is another one after a cast to the new type and back. */
    protected Optional<String> roundTrip(String column, Column was, Column now) {
        return Optional.of("CAST(CAST(" + column + " AS " + now.type().text() + ") AS " + was.type().text()
                + ") IS DISTINCT FROM " + column);
    }

    /** Whether rows that are there need a value for a new column which the database does not give them. */
    protected final boolean needsValue(Column column) {
        return !column.nullable() && !column.isFilledByDatabase();
    }

    /** A literal that rows get in a new column until the user chooses another value; empty if none fits the type. */
    protected Optional<String> firstValue(Column column) {
        return switch (column.type().kind()) {
            case TINYINT, SMALLINT, MEDIUMINT, INTEGER, BIGINT, DECIMAL, REAL, DOUBLE -> Optional.of("0");
            case BOOLEAN -> Optional.of("FALSE");
            case CHAR, VARCHAR, TEXT -> Optional.of("''");
            case DATE -> Optional.of("CURRENT_DATE");
            case TIMESTAMP, TIMESTAMP_WITH_ZONE -> Optional.of("CURRENT_TIMESTAMP");
            case ENUM -> column.type().labels().stream().findFirst().map(Dialect::quoteLiteral);
            case BINARY, BIT, YEAR, TIME, TIME_WITH_ZONE, INTERVAL, UUID, JSON, SET, ARRAY, NETWORK, RANGE, GEOMETRY,
                    ANY, OTHER -> Optional.empty();
        };
    }

    /** NULL with a column's type. */
    protected String noValue(Column column) {
        return "CAST(NULL AS " + column.type().text() + ")";
    }

    /** The three ways to a new column that must have a value; the first is active. */
    private void addRequired(Table table, Column column) {
        String alter = "ALTER TABLE " + name(table) + " ";
        String name = dialect.identifier(column.name());
        String plainColumn = definition.column(table, column.withNullable());
        Optional<String> value = firstValue(column);
        note(column.name() + " must have a value. One of three ways, the first is active:");
        note("1. one value for all present rows" + value.map(literal -> ", " + literal + ": replace it by one that is right")
                .orElse(": none fits the type, so the table must be empty") + ".");
        note("2. a value from other columns: " + alter + "ADD COLUMN " + plainColumn + "; UPDATE " + name(table) + " SET "
                + name + " = (an expression); " + String.join("; ", required(table, column)) + ";");
        note("3. in two steps: " + alter + "ADD COLUMN " + plainColumn + "; then let the application fill it; and in a "
                + "later script: " + String.join("; ", required(table, column)) + ";");
        if (value.isEmpty()) {
            add(alter + "ADD COLUMN " + definition.column(table, column));
            return;
        }
        warn("Present rows of " + table.name() + " get the value " + value.get() + " for " + column.name() + ".");
        filled(table, column, value.get()).forEach(this::add);
    }

    /** The statements that add a required column, in which present rows get a value. */
    protected List<String> filled(Table table, Column column, String value) {
        List<String> statements = new ArrayList<>(List.of(
                "ALTER TABLE " + name(table) + " ADD COLUMN " + definition.column(table, column.withNullable()),
                "UPDATE " + name(table) + " SET " + dialect.identifier(column.name()) + " = " + value));
        statements.addAll(required(table, column));
        return statements;
    }

    /** The statements that make a column without a default required. */
    protected List<String> required(Table table, Column column) {
        return List.of("ALTER TABLE " + name(table) + " ALTER COLUMN " + dialect.identifier(column.name())
                + " SET NOT NULL");
    }

    /**
     * A query for those of a table's columns that exist, in the column {@code row_key}; empty if a script that is applied
     * twice fails without harm.
     *
     * @param columns none for all
     */
    protected Optional<String> presentColumns(TableName table, Set<String> columns) {
        return Optional.empty();
    }

    /** That query for engines with the standard's information schema. */
    protected final String presentColumns(TableName table, Set<String> columns, String currentSchema) {
        String schema = table.schema().equals(schema().defaultSchema()) ? currentSchema
                : Dialect.quoteLiteral(table.schema());
        return "SELECT COLUMN_NAME AS row_key FROM INFORMATION_SCHEMA.COLUMNS WHERE TABLE_SCHEMA = " + schema
                + " AND TABLE_NAME = " + Dialect.quoteLiteral(table.name()) + (columns.isEmpty() ? ""
                        : columns.stream().map(Dialect::quoteLiteral)
                                .collect(Collectors.joining(", ", " AND COLUMN_NAME IN (", ")")));
    }

    /** The names and values of columns as one text, such as {@code code=A1, year=2024}. */
    protected String describe(List<String> columns, List<String> values) {
        List<String> parts = new ArrayList<>();
        for (int i = 0; i < columns.size(); i++) {
            parts.add(Dialect.quoteLiteral((i == 0 ? "" : ", ") + columns.get(i) + "="));
            parts.add("COALESCE(CAST(" + values.get(i) + " AS VARCHAR), 'NULL')");
        }
        return String.join(" || ", parts);
    }

    /** Whether a table cannot be altered as it must be, so that a new one takes its place. */
    protected boolean isMadeAnew(TableName table) {
        return false;
    }

    /** Writes what replaces a table by a new one. */
    protected void makeAnew(Table now) {
    }

    /** Whether views that read a table have to be dropped when it is replaced by a new one. */
    protected boolean disturbsViews(TableName table) {
        return isMadeAnew(table);
    }

    /** The triggers and rules of a table or view that are the same before and after. */
    protected final List<SchemaObject> unchangedOn(TableName table) {
        Set<SchemaObject> changed = new HashSet<>();
        each(SchemaChange.ObjectChanged.class, change -> change.now().ifPresent(changed::add));
        return difference.after().objects().stream()
                .filter(object -> object.kind() == SchemaObject.Kind.TRIGGER || object.kind() == SchemaObject.Kind.RULE)
                .filter(object -> object.on().filter(table::equals).isPresent() && !changed.contains(object)).toList();
    }

    /** The statement that makes a table, without its indexes. */
    protected final String tableStatement(Table table) {
        return definition.statements(table, table.foreignKeys()).get(0);
    }

    protected final String columnOf(Table table, Column column) {
        return definition.column(table, column);
    }

    private static boolean isComputedAnew(Column was, Column now) {
        return now.isComputed() && was.isComputed() && !was.computed().equals(now.computed());
    }

    /** What loses data: tables and columns that are gone. */
    private void losses() {
        each(SchemaChange.ColumnRemoved.class,
                change -> byHand("Loses the values of " + change.was().name() + ".",
                "ALTER TABLE " + name(change.table()) + " DROP COLUMN " + dialect.identifier(change.was().name())));
        List<Table> order = difference.before().inReferenceOrder();
        for (int i = order.size() - 1; i >= 0; i--) {
            Table table = order.get(i);
            each(SchemaChange.TableRemoved.class, change -> {
                if (change.was().name().equals(table.name()) && !table.isView()) {
                    byHand("Loses the rows of " + table.name().name() + ".", "DROP TABLE " + name(table));
                }
            });
        }
    }

    private interface PartWriter {
        void write(SchemaChange.PartChanged change);
    }

    /** References go before the keys that they need, and come after them. */
    private void parts(boolean coming, PartWriter writer) {
        Comparator<SchemaChange.PartChanged> referencesFirst =
                Comparator.comparing(change -> change.part() instanceof ForeignKey ? 0 : 1);
        difference.changes().stream().filter(SchemaChange.PartChanged.class::isInstance)
                .map(SchemaChange.PartChanged.class::cast)
                .sorted(coming ? referencesFirst.reversed() : referencesFirst).forEach(writer::write);
    }

    /** Whether a part can only be taken away when those that are new are there. */
    protected boolean isDroppedLate(SchemaChange.PartChanged change) {
        return false;
    }

    private void dropped(SchemaChange.PartChanged change, boolean late) {
        change.was().filter(part -> isDroppedLate(change) == late).ifPresent(part -> {
            TableName last = difference.renamedTables().getOrDefault(change.table(), change.table());
            drop(last, change.primary(), part).forEach(this::add);
        });
    }

    private void added(SchemaChange.PartChanged change) {
        change.now().filter(part -> !isMadeAnew(change.table())).ifPresent(part -> {
            advise(table(change.table()), part);
            add(addition(table(change.table()), part));
        });
    }

    /** Says what a new key, check, reference or index costs on a large table. */
    protected void advise(Table table, TablePart part) {
    }

    /** The statement that adds a part to a table. */
    protected String addition(Table table, TablePart part) {
        return definition.addition(table, part);
    }

    /** The statements that take a part away from a table. */
    protected List<String> drop(TableName table, boolean primary, TablePart part) {
        String name = dialect.identifier(part.name());
        return List.of(part instanceof Index ? "DROP INDEX " + name
                : "ALTER TABLE " + name(table) + " DROP CONSTRAINT " + name);
    }

    protected String renameTable(Table was, Table now) {
        return "ALTER TABLE " + name(was) + " RENAME TO " + dialect.identifier(now.name().name());
    }

    protected String renameColumn(Column was, Column now) {
        return "RENAME COLUMN " + dialect.identifier(was.name()) + " TO " + dialect.identifier(now.name());
    }

    /** The statements that make a column another one of the same name. */
    protected List<String> alterations(Table table, Column was, Column now) {
        String alter = "ALTER TABLE " + name(table) + " ALTER COLUMN " + dialect.identifier(now.name()) + " ";
        List<String> statements = new ArrayList<>();
        boolean otherType = !was.type().equals(now.type()) || !was.collation().equals(now.collation());
        if (otherType && was.defaultValue().isPresent() && !was.defaultValue().equals(now.defaultValue())) {
            statements.add(alter + "DROP DEFAULT");
        }
        if (otherType) {
            statements.add(alter + newType(now));
        }
        if (!was.defaultValue().equals(now.defaultValue())) {
            statements.add(alter + now.defaultValue().map(value -> "SET DEFAULT " + value.text())
                    .orElse("DROP DEFAULT"));
        }
        if (was.nullable() != now.nullable()) {
            statements.add(alter + (now.nullable() ? "DROP NOT NULL" : "SET NOT NULL"));
        }
        if (was.identity() != now.identity() || was.isComputed() != now.isComputed()) {
            byHand("Filled in another way now.", alter + definition.column(table, now));
        }
        return statements;
    }

    protected String newType(Column now) {
        return "SET DATA TYPE " + definition.type(now)
                + now.collation().map(collation -> " COLLATE " + collation).orElse("");
    }

    /** The statements that comment on a column, if the comment is another. */
    protected List<String> comment(TableName table, Optional<Column> was, Column now) {
        return was.map(Column::comment).orElse("").equals(now.comment()) ? List.of()
                : List.of("COMMENT ON COLUMN " + name(table) + "." + dialect.identifier(now.name()) + " IS "
                        + Dialect.quoteLiteral(now.comment()));
    }

    /** The statements that change a table's comment, and what else describes it. */
    protected List<String> descriptions(SchemaChange.DescriptionChanged change) {
        if (change.now().isView()) {
            return List.of();
        }
        if (!change.was().options().equals(change.now().options())) {
            byHand("Stored in another way now.", "ALTER TABLE " + name(change.now()) + " " + change.now().options());
        } else if (!change.was().isStoredLike(change.now())) {
            note("Kept in another way now, which needs a decision: " + change.now().name().name() + ".");
        }
        return change.was().comment().equals(change.now().comment()) ? List.of()
                : List.of("COMMENT ON TABLE " + name(change.now()) + " IS "
                        + Dialect.quoteLiteral(change.now().comment()));
    }

    protected final Table table(TableName name) {
        return present(name).orElseThrow();
    }

    private Optional<Table> present(TableName name) {
        TableName now = difference.changes().stream().filter(SchemaChange.TableRenamed.class::isInstance)
                .map(SchemaChange.TableRenamed.class::cast).filter(change -> change.was().name().equals(name))
                .map(change -> change.now().name()).findFirst().orElse(name);
        return difference.after().tables().stream().filter(table -> table.name().equals(now)).findFirst();
    }

    protected final String name(Table table) {
        return name(table.name());
    }

    protected final String name(TableName table) {
        return dialect.table(table, schema().defaultSchema());
    }

    protected final Schema schema() {
        return difference.after();
    }

    protected final <C extends SchemaChange> void each(Class<C> kind, Consumer<C> action) {
        Stream<SchemaChange> changes = difference.changes().stream().filter(kind::isInstance);
        changes.map(kind::cast).forEach(action);
    }

    protected final void add(String statement) {
        steps.add(new ScriptStep.Statement(statement));
    }

    protected final void note(String text) {
        steps.add(new ScriptStep.Note(text));
    }

    /** Something that the user should know before applying the script, as a sentence. */
    protected final void warn(String text) {
        warnings.add(text);
    }

    /** A statement that is commented out until the user decides. */
    protected final void byHand(String why, String statement) {
        steps.add(new ScriptStep.Decision(why, statement));
    }

    /** A name in a comment, where it cannot end the line. */
    protected static String plain(String name) {
        return name.codePoints().map(c -> Character.isISOControl(c) || c == 0x2028 || c == 0x2029 ? ' ' : c)
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append).toString();
    }
}
