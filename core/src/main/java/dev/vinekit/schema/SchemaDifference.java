package dev.vinekit.schema;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What has changed between two states of a schema. Owners, rights and the order of columns do not count.
 *
 * @param changes by table, in the order of their names
 */
public record SchemaDifference(Schema before, Schema after, List<SchemaChange> changes) {
    private static final double ALIKE = 0.8;

    public SchemaDifference {
        changes = List.copyOf(changes);
    }

    /**
     * The difference of two states. What is gone and what is new count as one thing with a new name if they are alike
     * and nothing else is like them.
     */
    public static SchemaDifference of(Schema before, Schema after) {
        return new SchemaDifference(before, after, new Finder(before, after).changes());
    }

    public boolean isEmpty() {
        return changes.isEmpty();
    }

    /** The last name of a table, by its present one, for those that have been renamed. */
    public Map<TableName, TableName> renamedTables() {
        return changes.stream().filter(SchemaChange.TableRenamed.class::isInstance)
                .map(SchemaChange.TableRenamed.class::cast)
                .collect(Collectors.toMap(change -> change.now().name(), change -> change.was().name()));
    }

    private static final class Finder {
        private final Map<TableName, Table> was = new LinkedHashMap<>();
        private final Map<TableName, Table> now = new LinkedHashMap<>();
        /** Present names by last ones. */
        private final Map<TableName, TableName> renamed = new HashMap<>();
        private final Map<TableName, Map<String, String>> renamedColumns = new HashMap<>();

        private final Schema before;
        private final Schema after;

        Finder(Schema before, Schema after) {
            this.before = before;
            this.after = after;
            before.tables().forEach(table -> was.put(table.name(), table));
            after.tables().forEach(table -> now.put(table.name(), table));
        }

        List<SchemaChange> changes() {
            findRenamedTables();
            was.values().forEach(table -> Optional.ofNullable(now.get(present(table.name())))
                    .ifPresent(other -> renamedColumns.put(table.name(), renamedColumns(table, other))));
            List<SchemaChange> changes = new ArrayList<>();
            Set<TableName> kept = new HashSet<>();
            for (Table table : was.values()) {
                Table other = now.get(present(table.name()));
                if (other == null) {
                    changes.add(new SchemaChange.TableRemoved(table));
                } else {
                    kept.add(other.name());
                    compare(table, other, changes);
                }
            }
            now.values().stream().filter(table -> !kept.contains(table.name()))
                    .forEach(table -> changes.add(new SchemaChange.TableAdded(table)));
            objects(changes);
            return changes.stream().sorted((a, b) -> a.table().compareTo(b.table())).toList();
        }

        private void objects(List<SchemaChange> changes) {
            pairs(before.domains(), after.domains(), Domain::name, (was, now) -> changes.add(
                    new SchemaChange.DomainChanged(now.or(() -> was).orElseThrow().place(after.defaultSchema()),
                            was, now)));
            pairs(before.sequences(), after.sequences(), Sequence::name,
                    (was, now) -> changes.add(new SchemaChange.SequenceChanged(was, now)));
            pairs(before.objects(), after.objects(), object -> List.of(object.kind(), object.name()),
                    (was, now) -> changes.add(new SchemaChange.ObjectChanged(was, now)));
        }

        /** Tells of all that is gone, another, or new, by what tells one from the others. */
        private static <T> void pairs(
                List<T> last, List<T> present, Function<T, Object> name, BiConsumer<Optional<T>, Optional<T>> changed) {
            Map<Object, T> added = present.stream().collect(
                    Collectors.toMap(name, Function.identity(), (one, other) -> one, LinkedHashMap::new));
            for (T one : last) {
                Optional<T> successor = Optional.ofNullable(added.remove(name.apply(one)));
                if (!successor.equals(Optional.of(one))) {
                    changed.accept(Optional.of(one), successor);
                }
            }
            added.values().forEach(one -> changed.accept(Optional.empty(), Optional.of(one)));
        }

        private TableName present(TableName last) {
            return renamed.getOrDefault(last, last);
        }

        private void findRenamedTables() {
            List<Table> gone = was.values().stream().filter(table -> !now.containsKey(table.name()) && !table.isView())
                    .toList();
            List<Table> added = now.values().stream().filter(table -> !was.containsKey(table.name()) && !table.isView())
                    .toList();
            for (Table table : gone) {
                List<Table> alike = added.stream().filter(other -> alike(table, other)).toList();
                boolean unique = alike.size() == 1
                        && gone.stream().filter(other -> alike(other, alike.get(0))).count() == 1;
                if (unique) {
                    renamed.put(table.name(), alike.get(0).name());
                }
            }
        }

        private static boolean alike(Table one, Table other) {
            Set<String> columns = one.columns().stream().map(Finder::shape).collect(Collectors.toSet());
            long common = other.columns().stream().map(Finder::shape).filter(columns::contains).count();
            return common >= ALIKE * Math.max(one.columns().size(), other.columns().size());
        }

        private static String shape(Column column) {
            return column.name() + " " + column.type().kind();
        }

        /** Present names of columns by last ones. */
        private static Map<String, String> renamedColumns(Table was, Table now) {
            Map<String, Column> before = byName(was);
            Map<String, Column> after = byName(now);
            List<Column> gone = was.columns().stream().filter(column -> !after.containsKey(column.name())).toList();
            List<Column> added = now.columns().stream().filter(column -> !before.containsKey(column.name())).toList();
            Map<String, String> renamed = new HashMap<>();
            for (Column column : gone) {
                List<Column> alike = added.stream().filter(other -> sameButName(column, other)).toList();
                List<Column> rivals = gone.stream()
                        .filter(other -> !alike.isEmpty() && sameButName(other, alike.get(0))).toList();
                boolean samePlace = alike.size() == 1
                        && was.columns().indexOf(column) == now.columns().indexOf(alike.get(0));
                if (alike.size() == 1 && rivals.size() == 1
                        && (samePlace || share(column.name(), alike.get(0).name()))) {
                    renamed.put(column.name(), alike.get(0).name());
                }
            }
            return renamed;
        }

        private static boolean sameButName(Column one, Column other) {
            return one.type().equals(other.type()) && one.nullable() == other.nullable()
                    && one.defaultValue().equals(other.defaultValue()) && one.identity() == other.identity()
                    && one.computed().equals(other.computed());
        }

        /** Whether two names have a word in common. */
        private static boolean share(String one, String other) {
            Set<String> words = Stream.of(one.toLowerCase(Locale.ROOT).split("_")).collect(Collectors.toSet());
            return Stream.of(other.toLowerCase(Locale.ROOT).split("_")).anyMatch(words::contains);
        }

        private static Map<String, Column> byName(Table table) {
            return table.columns().stream().collect(Collectors.toMap(Column::name, Function.identity()));
        }

        private void compare(Table last, Table present, List<SchemaChange> changes) {
            if (!last.name().equals(present.name())) {
                changes.add(new SchemaChange.TableRenamed(last, present));
            }
            if (last.isView() || present.isView()) {
                if (!last.viewQuery().equals(present.viewQuery())
                        || !withoutComments(last).equals(withoutComments(present))) {
                    changes.add(new SchemaChange.ViewChanged(last, present));
                } else if (!last.comment().equals(present.comment()) || !last.columns().equals(present.columns())) {
                    changes.add(new SchemaChange.DescriptionChanged(last, present));
                }
                return;
            }
            if (!last.comment().equals(present.comment()) || !last.isStoredLike(present)) {
                changes.add(new SchemaChange.DescriptionChanged(last, present));
            }
            columns(last, present, changes);
            parts(last, present, changes);
        }

        private static List<String> withoutComments(Table view) {
            return view.columns().stream().map(column -> column.name() + " " + column.type()).toList();
        }

        private void columns(Table last, Table present, List<SchemaChange> changes) {
            Map<String, String> names = renamedColumns.get(last.name());
            Map<String, Column> after = byName(present);
            Set<String> kept = new HashSet<>();
            for (Column column : last.columns()) {
                Column other = after.get(names.getOrDefault(column.name(), column.name()));
                if (other == null) {
                    changes.add(new SchemaChange.ColumnRemoved(present.name(), column));
                    continue;
                }
                kept.add(other.name());
                if (!other.name().equals(column.name())) {
                    changes.add(new SchemaChange.ColumnRenamed(present.name(), column, other));
                }
                if (!sameButName(column, other) || !column.comment().equals(other.comment())
                        || !column.collation().equals(other.collation())) {
                    changes.add(new SchemaChange.ColumnChanged(present.name(), column, other));
                }
            }
            present.columns().stream().filter(column -> !kept.contains(column.name()))
                    .forEach(column -> changes.add(new SchemaChange.ColumnAdded(present.name(), column)));
        }

        private void parts(Table last, Table present, List<SchemaChange> changes) {
            parts(present, true, last.primaryKey().stream().toList(), present.primaryKey().stream().toList(), last,
                    changes);
            parts(present, false, last.uniqueKeys(), present.uniqueKeys(), last, changes);
            parts(present, false, last.foreignKeys(), present.foreignKeys(), last, changes);
            parts(present, false, last.checks(), present.checks(), last, changes);
            parts(present, false, last.indexes(), present.indexes(), last, changes);
        }

        private void parts(
                Table table, boolean primary, List<? extends TablePart> last, List<? extends TablePart> present,
                Table owner,
                List<SchemaChange> changes) {
            List<TablePart> added = new ArrayList<>(present);
            List<TablePart> gone = new ArrayList<>();
            for (TablePart part : last) {
                if (!added.remove(translated(part, owner))) {
                    gone.add(part);
                }
            }
            for (TablePart part : gone) {
                Optional<TablePart> successor = added.stream()
                        .filter(other -> primary || !other.name().isEmpty() && other.name().equals(part.name())
                                || other.isLike(translated(part, owner)))
                        .findFirst();
                successor.ifPresent(added::remove);
                changes.add(new SchemaChange.PartChanged(table.name(), primary, Optional.of(part), successor));
            }
            added.forEach(part -> changes.add(
                    new SchemaChange.PartChanged(table.name(), primary, Optional.empty(), Optional.of(part))));
        }

        /** A part as it would be if all that follows from new names were all that changed. */
        private TablePart translated(TablePart part, Table owner) {
            if (part instanceof UniqueKey key) {
                return new UniqueKey(key.name(), columns(owner.name(), key.columns()), key.deferral(), key.lengths());
            } else if (part instanceof ForeignKey key) {
                return new ForeignKey(key.name(), columns(owner.name(), key.columns()), present(key.target()),
                        columns(key.target(), key.targetColumns()), key.onDelete(), key.onUpdate(), key.deferral(),
                        key.definition());
            } else if (part instanceof Index index && index.definition().isEmpty()) {
                return Index.over(index.name(), index.unique(), columns(owner.name(), index.columns()));
            }
            return part;
        }

        private List<String> columns(TableName table, List<String> names) {
            Map<String, String> present = renamedColumns.getOrDefault(table, Map.of());
            return names.stream().map(name -> present.getOrDefault(name, name)).toList();
        }
    }
}
