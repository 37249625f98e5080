package dev.vinekit.engine;

import dev.vinekit.schema.Check;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.DefaultValue;
import dev.vinekit.schema.Domain;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Index;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.SchemaObject;
import dev.vinekit.schema.Sequence;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import dev.vinekit.schema.TablePart;
import dev.vinekit.schema.UniqueKey;
import dev.vinekit.sql.Dialect;
import dev.vinekit.sql.SqlText;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/**
 * Writes the table definitions of a schema in standard SQL, laid out as a person would; engines change the parts they
 * spell otherwise.
 */
public class StandardDefinition {
    protected final Dialect dialect;
    protected final Schema schema;
    private final StringBuilder script = new StringBuilder();

    public StandardDefinition(Dialect dialect, Schema schema) {
        this.dialect = dialect;
        this.schema = schema;
    }

    /** The script. */
    public final String script() {
        preliminaries().forEach(statement -> script.append(statement).append(";\n\n"));
        schema.tables().stream().map(table -> table.name().schema()).distinct()
                .filter(name -> !name.equals(schema.defaultSchema()))
                .forEach(name -> script.append(newSchema(name)).append(";\n\n"));
        prelude().forEach(made -> script.append(made.statement()).append(";\n\n"));
        List<SchemaObject> open = new ArrayList<>(schema.objects().stream().filter(object -> !isPreliminary(object))
                .toList());
        Set<TableName> defined = new HashSet<>();
        List<String> later = new ArrayList<>();
        List<Table> tables = new ArrayList<>(schema.inReferenceOrder());
        while (!tables.isEmpty()) {
            objects(open, object -> object.kind().comesFirst() && defined.containsAll(object.needs()));
            Table table = tables.stream().filter(each -> !isWaiting(each, open, defined)).findFirst()
                    .orElse(tables.get(0));
            tables.remove(table);
            defined.add(table.name());
            if (table.viewQuery().filter(query -> !query.sql().isEmpty()).isPresent()) {
                view(table);
            } else {
                table(table, defined, later);
            }
        }
        later.forEach(statement -> script.append(statement).append(";\n"));
        objects(open, object -> true);
        return script.toString();
    }

    /**
     * Whether a view comes before something that it reads: a function that itself needs a table, or a view that waits
     * for one.
     */
    private boolean isWaiting(Table table, List<SchemaObject> open, Set<TableName> defined) {
        if (!table.isView()) {
            return false;
        }
        Set<String> mentioned = SqlText.identifiers(table.viewQuery().orElseThrow().sql(), word -> word);
        return open.stream().filter(object -> object.kind().comesFirst())
                .anyMatch(object -> mentioned.contains(bareName(object)))
                || table.needs().stream().anyMatch(need -> !defined.contains(need)
                        && schema.table(need).filter(Table::isView).isPresent());
    }

    /** The name of a function without its arguments. */
    private static String bareName(SchemaObject object) {
        return object.name().name().replaceAll("\\(.*", "");
    }

    /** Statements before all others: what the session must be told. */
    protected List<String> preliminaries() {
        return List.of();
    }

    static boolean isPreliminary(SchemaObject object) {
        return object.kind().comesFirst() && object.needs().isEmpty();
    }

    /** Writes the objects that can be made by now. */
    private void objects(List<SchemaObject> open, Predicate<SchemaObject> ready) {
        List<SchemaObject> now = open.stream().filter(ready).toList();
        now.forEach(object -> script.append(statement(object)).append(";\n\n"));
        open.removeAll(now);
    }

    protected String statement(SchemaObject object) {
        return object.definition();
    }

    protected String newSchema(String name) {
        return "CREATE SCHEMA " + dialect.identifier(name);
    }

    /** The definition of another state of the schema. */
    protected StandardDefinition of(Schema other) {
        return new StandardDefinition(dialect, other);
    }

    /** What must come before the tables, each after those that make what it names. */
    final List<Preliminary> prelude() {
        List<Preliminary> open = new ArrayList<>();
        for (Sequence sequence : schema.sequences()) {
            String name = dialect.table(sequence.name(), schema.defaultSchema());
            open.add(new Preliminary("sequence", sequence.name().toString(), name, "CREATE SEQUENCE " + name
                    + sequence.options() + " START WITH " + sequence.start() + " INCREMENT BY "
                    + sequence.increment()));
        }
        types().forEach((name, statement) -> open.add(new Preliminary("type", name, name, statement)));
        for (Domain domain : schema.domains()) {
            StringBuilder line = new StringBuilder("CREATE DOMAIN ").append(domain.name())
                    .append(" AS ").append(domain.base().text());
            domain.collation().ifPresent(collation -> line.append(" COLLATE ").append(collation));
            domain.defaultValue().ifPresent(value -> line.append(" DEFAULT ").append(value));
            line.append(domain.nullable() ? "" : " NOT NULL");
            domain.checks().forEach(check -> line.append(' ').append(check(check)));
            open.add(new Preliminary("domain", domain.name(), domain.name(), line.toString()));
        }
        schema.objects().stream().filter(StandardDefinition::isPreliminary)
                .forEach(object -> open.add(new Preliminary(object.kind().words(), object.name().toString(),
                        object.name().name(), statement(object))));
        return Preliminary.ordered(open);
    }

    /** Statements that make the types which columns have beside domains, by their names. */
    protected Map<String, String> types() {
        return Map.of();
    }

    private void table(Table table, Set<TableName> defined, List<String> later) {
        List<ForeignKey> inside = table.foreignKeys().stream()
                .filter(key -> defined.contains(key.target()) || refersAhead()).toList();
        table.foreignKeys().stream().filter(key -> !inside.contains(key))
                .forEach(key -> later.add(addition(table, key)));
        statements(table, inside).forEach(statement -> script.append(statement).append(";\n"));
        script.append('\n');
    }

    /** The statement that adds a part to a table which is there. */
    final String addition(Table table, TablePart part) {
        if (part instanceof Index index) {
            return index(table, index);
        }
        boolean primary = table.primaryKey().filter(part::equals).isPresent();
        String definition = part instanceof ForeignKey key ? reference(key) : part instanceof Check check ? check(check)
                : key((UniqueKey) part, primary ? "PRIMARY KEY" : "UNIQUE");
        return "ALTER TABLE " + name(table) + " ADD " + definition;
    }

    /** The statements that make a table with some of its references. */
    final List<String> statements(Table table, List<ForeignKey> references) {
        List<String> parts = new ArrayList<>();
        table.columns().stream().filter(column -> !isInherited(table, parent -> parent.columns().contains(column)))
                .forEach(column -> parts.add(column(table, column)));
        table.primaryKey().flatMap(key -> primaryKey(table, key)).ifPresent(parts::add);
        table.uniqueKeys().forEach(key -> parts.add(key(key, "UNIQUE")));
        parts.addAll(innerIndexes(table));
        references.forEach(key -> parts.add(reference(key)));
        table.checks().stream().filter(check -> check.column().isEmpty()
                && !isInherited(table, parent -> parent.checks().contains(check)))
                .forEach(check -> parts.add(check(check)));
        List<String> statements = new ArrayList<>();
        statements.add("CREATE TABLE " + name(table) + " (\n    " + String.join(",\n    ", parts) + "\n)"
                + inherits(table) + options(table));
        statements.addAll(comments(table));
        outerIndexes(table).forEach(index -> statements.add(index(table, index)));
        return statements;
    }

    private boolean isInherited(Table table, Predicate<Table> has) {
        return table.parents().stream().flatMap(parent -> schema.table(parent).stream()).anyMatch(has);
    }

    private String inherits(Table table) {
        return table.parents().isEmpty() ? ""
                : table.parents().stream().map(parent -> dialect.table(parent, schema.defaultSchema()))
                .collect(Collectors.joining(", ", " INHERITS (", ")"));
    }

    /** Indexes that stand inside the definition of the table. */
    protected List<String> innerIndexes(Table table) {
        return List.of();
    }

    /** Indexes that have a statement of their own. */
    protected List<Index> outerIndexes(Table table) {
        return table.indexes();
    }

    private void view(Table view) {
        viewStatements(view).forEach(statement -> script.append(statement).append(";\n"));
        script.append('\n');
    }

    /** The statements that make a view. */
    final List<String> viewStatements(Table view) {
        List<String> statements = new ArrayList<>();
        statements.add("CREATE " + (view.options().isEmpty() ? "" : view.options() + " ") + viewWords(view) + " "
                + name(view)
                + columns(view.columns().stream().map(Column::name).toList())
                + " AS\n" + view.viewQuery().orElseThrow().sql());
        statements.addAll(comments(view));
        view.indexes().forEach(index -> statements.add(index(view, index)));
        return statements;
    }

    static String viewWords(Table view) {
        return view.kind() == Table.Kind.MATERIALIZED_VIEW ? "MATERIALIZED VIEW" : "VIEW";
    }

    /** Whether a reference may come before the table that it goes to. */
    protected boolean refersAhead() {
        return false;
    }

    /** What follows the closing parenthesis. */
    protected String options(Table table) {
        return table.options().isEmpty() ? "" : " " + table.options();
    }

    protected String column(Table table, Column column) {
        StringBuilder line = new StringBuilder(dialect.identifier(column.name())).append(' ').append(type(column));
        column.collation().ifPresent(collation -> line.append(" COLLATE ").append(collation));
        column.defaultValue().filter(value -> schema.domain(column).flatMap(Domain::defaultValue)
                .filter(value.text()::equals).isEmpty())
                .ifPresent(value -> line.append(defaultClause(value)));
        column.computed().filter(computed -> !computed.expression().isEmpty())
                .ifPresent(computed -> line.append(computed(computed)));
        String numbering = numbering(column);
        return line.append(numbering)
                .append(!numbering.isEmpty() || column.nullable() || isRequiredByDomain(column) || column.isComputed()
                        && !saysComputedIsRequired()
                        ? "" : " NOT NULL").toString();
    }

    private boolean isRequiredByDomain(Column column) {
        return schema.domain(column).filter(domain -> !domain.nullable()).isPresent();
    }

    /** Whether a generated column may be said to have a value in every row. */
    protected boolean saysComputedIsRequired() {
        return false;
    }

    private static String defaultClause(DefaultValue value) {
        return value.text().startsWith("ON UPDATE ") ? " " + value.text() : " DEFAULT " + value.text();
    }

    protected String type(Column column) {
        return column.type().declared();
    }

    protected String computed(Column.Computed computed) {
        return " GENERATED ALWAYS AS (" + computed.expression() + ")";
    }

    /** What makes the column number itself, with a blank before it; implies NOT NULL unless empty. */
    protected String numbering(Column column) {
        return switch (column.identity()) {
            case ALWAYS -> " GENERATED ALWAYS AS IDENTITY";
            case BY_DEFAULT, AUTO_INCREMENT -> " GENERATED BY DEFAULT AS IDENTITY";
            case NONE -> "";
        };
    }

    protected Optional<String> primaryKey(Table table, UniqueKey key) {
        return Optional.of(key(key, "PRIMARY KEY"));
    }

    protected final String key(UniqueKey key, String kind) {
        return constraint(key.name()) + kind + columns(key.columns()) + key.deferral().sql();
    }

    private String reference(ForeignKey key) {
        return key.definition().map(text -> constraint(key.name()) + text).orElseGet(() -> constraint(key.name())
                + "FOREIGN KEY" + columns(key.columns())
                + " REFERENCES " + dialect.table(key.target(), schema.defaultSchema()) + columns(key.targetColumns())
                + action(" ON DELETE ", key.onDelete()) + action(" ON UPDATE ", key.onUpdate())
                + key.deferral().sql());
    }

    /** What the engine does about a row that is referred to if the definition does not say. */
    protected ForeignKey.Action usualAction() {
        return ForeignKey.Action.NO_ACTION;
    }

    private String action(String event, ForeignKey.Action action) {
        return action == usualAction() ? "" : event + action.sql();
    }

    protected String check(Check check) {
        return constraint(check.name()) + "CHECK (" + check.expression().replaceAll("\\R *", " ") + ")";
    }

    private String constraint(String name) {
        return name.isEmpty() || dialect.isEnginesOwn(name) ? "" : "CONSTRAINT " + dialect.identifier(name) + " ";
    }

    protected String index(Table table, Index index) {
        return index.definition().orElseGet(() -> (index.unique() ? "CREATE UNIQUE INDEX " : "CREATE INDEX ")
                + dialect.identifier(index.name()) + " ON " + name(table) + columns(index.columns()));
    }

    /** Statements that comment on the table and its columns. */
    protected List<String> comments(Table table) {
        List<String> statements = new ArrayList<>();
        if (!table.comment().isEmpty()) {
            String kind = table.kind() == Table.Kind.MATERIALIZED_VIEW ? "MATERIALIZED VIEW "
                    : table.isView() ? "VIEW " : "TABLE ";
            statements.add("COMMENT ON " + kind + name(table) + " IS " + Dialect.quoteLiteral(table.comment()));
        }
        for (Column column : table.columns()) {
            if (!column.comment().isEmpty()) {
                statements.add("COMMENT ON COLUMN " + name(table) + "." + dialect.identifier(column.name())
                        + " IS " + Dialect.quoteLiteral(column.comment()));
            }
        }
        return statements;
    }

    protected final String name(Table table) {
        return dialect.table(table.name(), schema.defaultSchema());
    }

    protected final String columns(List<String> names) {
        return names.stream().map(dialect::identifier).collect(Collectors.joining(", ", " (", ")"));
    }
}
