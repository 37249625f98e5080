package dev.vinekit.schema;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * What was read from a database: its tables and views, sorted by name.
 *
 * @param engine the engine's name, for example {@code h2}
 * @param defaultSchema where unqualified names are looked up
 */
public record Schema(String engine, String defaultSchema, List<Table> tables) {
    public Schema {
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
                tables.stream().filter(table -> wanted.contains(table.name())).toList());
    }

    /**
     * The tables in an order in which each comes after those that it needs, views last. Where references form a
     * cycle, the tables of the cycle stand in name order.
     */
    public List<Table> inReferenceOrder() {
        Map<TableName, Table> byName = byName();
        Set<TableName> visited = new HashSet<>();
        List<Table> ordered = new ArrayList<>();
        tables.stream().filter(table -> !table.isView()).forEach(table -> visit(table, byName, visited, ordered));
        tables.stream().filter(Table::isView).forEach(table -> visit(table, byName, visited, ordered));
        return List.copyOf(ordered);
    }

    private Map<TableName, Table> byName() {
        return tables.stream().collect(Collectors.toMap(Table::name, Function.identity()));
    }

    private static void visit(
            Table table, Map<TableName, Table> byName, Set<TableName> visited, List<Table> ordered) {
        if (visited.add(table.name())) {
            for (TableName needed : table.needs()) {
                if (byName.containsKey(needed)) {
                    visit(byName.get(needed), byName, visited, ordered);
                }
            }
            ordered.add(table);
        }
    }
}
