package dev.vinekit.schema;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * What was read from a database: its tables and views, sorted by name.
 *
 * @param engine the engine's name, for example {@code h2}
 * @param defaultSchema where unqualified names are looked up
 * @param domains the domains that columns of these tables have
 * @param sequences sequences that stand for themselves
 * @param objects what else there is that bears on the tables: extensions, types, functions, triggers
 */
public record Schema(
        String engine, String defaultSchema, List<Table> tables, List<Domain> domains, List<Sequence> sequences,
        List<SchemaObject> objects) {
    private static final Pattern LATE_INSERT = Pattern.compile("(?is)^CREATE\\s[^;]*?\\bAFTER\\s[^;]*?\\bINSERT\\b");

    /** A schema of tables only. */
    public Schema(String engine, String defaultSchema, List<Table> tables) {
        this(engine, defaultSchema, tables, List.of(), List.of(), List.of());
    }

    public Schema {
        domains = List.copyOf(domains);
        sequences = List.copyOf(sequences);
        objects = objects.stream().sorted(Comparator.comparing(SchemaObject::kind).thenComparing(SchemaObject::name))
                .toList();
        tables = tables.stream().sorted((a, b) -> a.name().compareTo(b.name())).toList();
    }

    public Optional<Table> table(TableName name) {
        return tables.stream().filter(table -> table.name().equals(name)).findFirst();
    }

    /**
     * The part of this schema that holds the named tables and all that they need, directly or not.
     *
     * @param names tables of this schema
     */
    public Schema narrowedTo(Collection<TableName> names) {
        Map<TableName, Table> byName = byName();
        Set<TableName> wanted = new HashSet<>();
        Deque<TableName> open = new ArrayDeque<>(names);
        while (!open.isEmpty()) {
            TableName name = open.pop();
            if (byName.containsKey(name) && wanted.add(name)) {
                open.addAll(byName.get(name).needs());
            }
        }
        return new Schema(engine, defaultSchema,
                tables.stream().filter(table -> wanted.contains(table.name())).toList(),
                domains, sequences, objects.stream().filter(object -> wanted.containsAll(object.needs())).toList());
    }

    /** The schema that all tables are in, if it is not the one where unqualified names are looked up. */
    public Optional<String> otherThanDefault() {
        List<String> names = tables.stream().map(table -> table.name().schema()).distinct().toList();
        return names.size() == 1 && !names.get(0).equals(defaultSchema) && !names.get(0).isEmpty()
                ? Optional.of(names.get(0)) : Optional.empty();
    }

    /** The objects of a table of one kind. */
    public List<SchemaObject> objects(SchemaObject.Kind kind, TableName table) {
        return objects.stream().filter(object -> object.kind() == kind && object.on().filter(table::equals).isPresent())
                .toList();
    }

    /** This schema with other tables. */
    public Schema withTables(List<Table> others) {
        return new Schema(engine, defaultSchema, others, domains, sequences, objects);
    }

    /** Whether a trigger runs when a new row of a table is there, and may change it then. */
    public boolean hasLateInsertTrigger(TableName table) {
        return objects(SchemaObject.Kind.TRIGGER, table).stream()
                .anyMatch(trigger -> LATE_INSERT.matcher(trigger.definition()).find());
    }

    /** This schema with other objects beside its tables. */
    public Schema withObjects(List<SchemaObject> others) {
        return new Schema(engine, defaultSchema, tables, domains, sequences, others);
    }

    /** This schema as everybody sees it, whoever owns it and whatever the login may do. */
    public Schema withoutAccess() {
        return withTables(tables.stream().map(Table::withoutAccess).toList());
    }

    /** The domain that a column has. */
    public Optional<Domain> domain(Column column) {
        return column.type().domain().flatMap(name ->
                domains.stream().filter(domain -> domain.name().equals(name)).findFirst());
    }

    /**
     * The tables in an order in which each comes after those that it needs, views last. In a cycle of references a
     * table comes after those that its rows must refer to, and perhaps before those that they may refer to.
     */
    public List<Table> inReferenceOrder() {
        List<Table> ordered = new ArrayList<>();
        List<Table> open = new ArrayList<>(tables.stream().filter(table -> !table.isView()).toList());
        open.addAll(tables.stream().filter(Table::isView).toList());
        Set<TableName> missing = new HashSet<>(byName().keySet());
        while (!open.isEmpty()) {
            List<Table> ready = open.stream().filter(table -> isReady(table, table.needs(), missing)).toList();
            if (ready.isEmpty()) {
                List<Table> circular = open.stream().filter(table -> needsOnlyItsCircle(table, missing)).toList();
                ready = List.of(circular.stream().filter(table -> isReady(table, table.requires(), missing)).findFirst()
                        .orElse(circular.get(0)));
            }
            ordered.addAll(ready);
            open.removeAll(ready);
            ready.forEach(table -> missing.remove(table.name()));
        }
        return List.copyOf(ordered);
    }

    /** Whether all tables that a table still waits for wait for it, directly or not. */
    private boolean needsOnlyItsCircle(Table table, Set<TableName> missing) {
        Map<TableName, Table> byName = byName();
        return table.needs().stream().filter(name -> missing.contains(name) && !name.equals(table.name()))
                .allMatch(name -> {
            Set<TableName> seen = new HashSet<>();
            Deque<TableName> waiting = new ArrayDeque<>(List.of(name));
            while (!waiting.isEmpty()) {
                TableName next = waiting.pop();
                if (missing.contains(next) && seen.add(next)) {
                    waiting.addAll(byName.get(next).needs());
                }
            }
            return seen.contains(table.name());
        });
    }

    private static boolean isReady(Table table, List<TableName> needed, Set<TableName> missing) {
        return needed.stream().noneMatch(name -> missing.contains(name) && !name.equals(table.name()));
    }

    private Map<TableName, Table> byName() {
        return tables.stream().collect(Collectors.toMap(Table::name, Function.identity()));
    }
}
