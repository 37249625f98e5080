package dev.vinekit.engine;

import dev.vinekit.schema.Check;
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
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.Dialect;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Stream;

/**
 * Writes the statements that take a database from one state of its schema to another, in standard SQL; engines change
 * the parts they spell otherwise. Statements that lose data are commented out.
 */
public class StandardChanges {
    protected final Dialect dialect;
    protected final SchemaDifference difference;
    protected final StandardDefinition definition;
    private final StringBuilder script = new StringBuilder();

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
    public final String script() {
        List<Table> views = viewsInTheWay();
        for (int i = views.size() - 1; i >= 0; i--) {
            add("DROP " + StandardDefinition.viewWords(views.get(i)) + " " + name(views.get(i)));
        }
        prelude();
        parts(false, change -> dropped(change, false));
        each(SchemaChange.TableRenamed.class, change -> {
            note("Taken for a new name of the same table: " + plain(change.was().name().name()) + ".");
            add(renameTable(change.was(), change.now()));
        });
        each(SchemaChange.ColumnRenamed.class, change -> {
            note("Taken for a new name of the same column: " + plain(change.was().name()) + ".");
            add("ALTER TABLE " + name(change.table()) + " " + renameColumn(change.was(), change.now()));
        });
        newTables();
        columns();
        difference.after().tables().stream().filter(table -> isMadeAnew(table.name()))
                .forEach(table -> madeAnew(table).forEach(this::add));
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
            present(view.name()).filter(Table::isView)
                    .ifPresent(now -> definition.viewStatements(now).forEach(this::add));
        }
        newViews(views);
        each(SchemaChange.ObjectChanged.class, this::object);
        each(SchemaChange.SequenceChanged.class, change -> change.was().filter(was -> change.now().isEmpty())
                .ifPresent(was -> byHand("No longer there.", "DROP SEQUENCE " + name(was.name()))));
        each(SchemaChange.DomainChanged.class, change -> change.was().filter(was -> change.now().isEmpty())
                .ifPresent(was -> byHand("No column has it any more.", "DROP DOMAIN " + was.name())));
        return script.toString();
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
            note("No longer there, or no longer set: " + plain(object.kind().words() + " " + object.name().name())
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
            if (!harmless || isMadeAnew(change.table())) {
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
            if (!change.now().nullable() && !change.now().isFilledByDatabase()) {
                note("Refused as long as the table has rows: they would have no value for "
                        + plain(change.now().name()) + ".");
            }
            add("ALTER TABLE " + name(change.table()) + " ADD COLUMN " + definition.column(table, change.now()));
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
            if (change.was().nullable() && !change.now().nullable()) {
                note("Refused as long as a row has no value for " + plain(change.now().name()) + ".");
            }
            List<String> statements = alterations(table(change.table()), change.was(), change.now());
            if (TypeChange.losesData(change.was().type(), change.now().type())) {
                byHand("Values may not fit the new type.", String.join(";\n", statements));
            } else {
                statements.forEach(this::add);
            }
        });
    }

    /** Whether a table cannot be altered as it must be, so that a new one takes its place. */
    protected boolean isMadeAnew(TableName table) {
        return false;
    }

    /** The statements that put a new table in the place of one. */
    protected List<String> madeAnew(Table now) {
        return List.of();
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
                change -> byHand("Loses the values of " + plain(change.was().name()) + ".",
                "ALTER TABLE " + name(change.table()) + " DROP COLUMN " + dialect.identifier(change.was().name())));
        List<Table> order = difference.before().inReferenceOrder();
        for (int i = order.size() - 1; i >= 0; i--) {
            Table table = order.get(i);
            each(SchemaChange.TableRemoved.class, change -> {
                if (change.was().name().equals(table.name()) && !table.isView()) {
                    byHand("Loses the rows of " + plain(table.name().name()) + ".", "DROP TABLE " + name(table));
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
            if (part instanceof Check || part instanceof UniqueKey || part instanceof ForeignKey) {
                note("Refused as long as rows break it.");
            }
            add(addition(table(change.table()), part));
        });
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
            note("Kept in another way now, which needs a decision: " + plain(change.now().name().name()) + ".");
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
        script.append(statement).append(";\n");
    }

    protected final void note(String text) {
        script.append("-- ").append(text).append('\n');
    }

    /** A statement that a person has to decide on, commented out. */
    protected final void byHand(String why, String statement) {
        note(why);
        (statement + ";").lines().forEach(line -> script.append("-- ").append(line).append('\n'));
    }

    /** A name in a comment, where it cannot end the line. */
    private static String plain(String name) {
        return name.codePoints().map(c -> Character.isISOControl(c) || c == 0x2028 || c == 0x2029 ? ' ' : c)
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append).toString();
    }
}
