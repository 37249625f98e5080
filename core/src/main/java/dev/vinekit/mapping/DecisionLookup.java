package dev.vinekit.mapping;

import dev.vinekit.schema.Column;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** Finds the decisions about a table, and notes those that are about nothing. */
final class DecisionLookup {
    private final Map<TableName, OfTable> byTable = new HashMap<>();
    private final List<Mistake> mistakes = new ArrayList<>();

    DecisionLookup(Decisions decisions, Schema schema) {
        for (Map.Entry<String, Decisions.OfEntity> entry : decisions.entities().entrySet()) {
            List<String> path = List.of("entities", entry.getKey());
            Optional<Table> table = find(entry.getKey(), schema.tables(), t -> t.name().toString())
                    .or(() -> find(entry.getKey(), schema.tables(), t -> t.name().name()));
            table.ifPresentOrElse(
                    found -> {
                        if (byTable.put(found.name(), new OfTable(found, path, entry.getValue())) != null) {
                            mistakes.add(new Mistake(path, "Another entry is about the same table; join the two."));
                        }
                    },
                    () -> mistakes.add(Mistake.unknown(path, "table or view", entry.getKey(),
                            schema.tables().stream().map(t -> t.name().name()).toList())));
        }
    }

    OfTable of(Table table) {
        return byTable.computeIfAbsent(table.name(),
                key -> new OfTable(table, List.of("entities", table.name().name()), Decisions.OfEntity.NONE));
    }

    List<Mistake> mistakes() {
        return mistakes;
    }

    /** The one thing of a name; if none has it exactly, the only one that has it in other letters. */
    private static <T> Optional<T> find(String name, Collection<T> things, Function<T, String> naming) {
        List<T> exact = things.stream().filter(thing -> naming.apply(thing).equals(name)).toList();
        List<T> close = things.stream().filter(thing -> naming.apply(thing).equalsIgnoreCase(name)).toList();
        return exact.size() == 1 ? Optional.of(exact.get(0)) : close.size() == 1 ? Optional.of(close.get(0))
                : Optional.empty();
    }

    /** The decisions about one table. */
    final class OfTable {
        private final Table table;
        private final List<String> path;
        private final Decisions.OfEntity decided;
        private final Map<String, Decisions.OfField> fields = new HashMap<>();
        private final Map<String, String> spelled = new HashMap<>();

        private OfTable(Table table, List<String> path, Decisions.OfEntity decided) {
            this.table = table;
            this.path = path;
            this.decided = decided;
            decided.fields().forEach((column, decision) -> column(column, "fields", column).ifPresent(found -> {
                fields.put(found.name(), decision);
                spelled.put(found.name(), column);
            }));
            if (table.primaryKey().isPresent() && !decided.key().isEmpty()) {
                mistake("The table has a primary key, which tells its rows apart.", "key");
            }
        }

        Table table() {
            return table;
        }

        Decisions.OfEntity decided() {
            return decided;
        }

        Decisions.OfField field(Column column) {
            return fields.getOrDefault(column.name(), Decisions.OfField.NONE);
        }

        /** The columns of these names, of which unknown ones are noted. */
        List<Column> columns(List<String> names, String... where) {
            List<Column> columns = new ArrayList<>();
            for (int i = 0; i < names.size(); i++) {
                List<String> inside = new ArrayList<>(List.of(where));
                inside.add(Integer.toString(i));
                column(names.get(i), inside.toArray(new String[0])).ifPresent(columns::add);
            }
            return columns;
        }

        /** The column of a name; an unknown one is noted. */
        Optional<Column> column(String name, String... where) {
            Optional<Column> found = find(name, table.columns(), Column::name);
            if (found.isEmpty()) {
                mistakes.add(Mistake.unknown(inside(where), "column", name,
                        table.columns().stream().map(Column::name).toList()));
            }
            return found;
        }

        void mistake(String text, String... where) {
            mistakes.add(new Mistake(inside(where), text));
        }

        void mistakeInField(Column column, String key, String text) {
            mistake(text, "fields", spelled.getOrDefault(column.name(), column.name()), key);
        }

        private List<String> inside(String... where) {
            List<String> inside = new ArrayList<>(path);
            inside.addAll(List.of(where));
            return inside;
        }
    }
}
