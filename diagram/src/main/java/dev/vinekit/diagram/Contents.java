package dev.vinekit.diagram;

import dev.vinekit.schema.Column;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What there is to draw of a schema. */
record Contents(List<Box> boxes, List<Line> lines) {
    /** From so many tables on only keys are shown of each. */
    private static final int MANY_TABLES = 60;

    private static final int LONGEST_NAME = 40;
    private static final int LONGEST_TYPE = 32;
    private static final int LONGEST_TOOLTIP = 1000;

    /**
     * @param chosen the tables to show in full, with the keys of those that they refer to, are referred to by, read or
     *     are read by; all if empty
     */
    static Contents of(Schema schema, Set<TableName> chosen) {
        List<Table> shown = schema.tables().stream().filter(table -> chosen.isEmpty() || chosen.contains(table.name())
                || table.needs().stream().anyMatch(chosen::contains)
                || chosen.stream().flatMap(name -> schema.table(name).stream())
                .anyMatch(one -> one.needs().contains(table.name())))
                .toList();
        Set<TableName> names = shown.stream().map(Table::name).collect(Collectors.toSet());
        Map<TableName, Box> boxes = new LinkedHashMap<>();
        for (Table table : shown) {
            boolean whole = chosen.isEmpty() ? shown.size() < MANY_TABLES : chosen.contains(table.name());
            boxes.put(table.name(), box(schema, table, whole ? Set.of() : keys(shown, table)));
        }
        List<Line> lines = new ArrayList<>();
        for (Table table : shown) {
            Box box = boxes.get(table.name());
            table.foreignKeys().stream().filter(key -> names.contains(key.target()))
                    .forEach(key -> lines.add(reference(table, box, key, boxes.get(key.target()))));
            table.viewQuery().stream().flatMap(query -> query.reads().stream()).filter(names::contains).distinct()
                    .forEach(read -> lines.add(new Line(box, List.of(), boxes.get(read), List.of(), false, false,
                            box.title() + " reads " + boxes.get(read).title())));
        }
        return new Contents(List.copyOf(boxes.values()), lines);
    }

    /** The boxes that lines tie to each other, directly or not, each with those; at the end all that no line is at. */
    List<List<Box>> groups() {
        Map<Box, Set<Box>> groups = new LinkedHashMap<>();
        boxes.forEach(box -> groups.put(box, new LinkedHashSet<>(List.of(box))));
        for (Line line : lines) {
            Set<Box> one = groups.get(line.to());
            Set<Box> other = groups.get(line.from());
            if (one != other) {
                one.addAll(other);
                other.forEach(box -> groups.put(box, one));
            }
        }
        List<List<Box>> tied = new ArrayList<>();
        List<Box> alone = new ArrayList<>();
        for (Set<Box> group : new LinkedHashSet<>(groups.values())) {
            if (group.size() > 1) {
                tied.add(List.copyOf(group));
            } else {
                alone.addAll(group);
            }
        }
        if (!alone.isEmpty()) {
            tied.add(alone);
        }
        return tied;
    }

    /** The columns of a table that lines may end at, and those of its primary key. */
    private static Set<String> keys(List<Table> shown, Table table) {
        Set<String> keys = new LinkedHashSet<>();
        table.primaryKey().ifPresent(key -> keys.addAll(key.columns()));
        table.foreignKeys().forEach(key -> keys.addAll(key.columns()));
        shown.stream().flatMap(other -> other.foreignKeys().stream()).filter(key -> key.target().equals(table.name()))
                .forEach(key -> keys.addAll(key.targetColumns()));
        return keys.isEmpty() ? Set.of("") : keys;
    }

    /** @param keys the columns to show; all if empty */
    private static Box box(Schema schema, Table table, Set<String> keys) {
        List<Box.Row> rows = new ArrayList<>();
        List<String> hidden = new ArrayList<>();
        for (Column column : table.columns()) {
            if (keys.isEmpty() || keys.contains(column.name())) {
                rows.add(row(table, column));
            } else {
                hidden.add(column.name());
            }
        }
        String name = table.name().schema().equals(schema.defaultSchema()) ? table.name().name()
                : table.name().toString();
        String kind = table.kind() == Table.Kind.TABLE ? isLink(table) ? "link table" : "table" : table.kind().words();
        return new Box(table.name(), table.isView() ? Box.Kind.VIEW : isLink(table) ? Box.Kind.LINK : Box.Kind.TABLE,
                Letters.line(name, LONGEST_NAME), tooltip(name + " (" + kind + ")", table.comment()), rows, hidden);
    }

    /** Whether rows of a table are told apart only by those that they tie: two references or more make up its key. */
    private static boolean isLink(Table table) {
        List<String> key = table.primaryKey().map(primary -> primary.columns()).orElse(List.of());
        List<ForeignKey> parts = table.foreignKeys().stream().filter(part -> key.containsAll(part.columns())).toList();
        Set<String> covered = parts.stream().flatMap(part -> part.columns().stream()).collect(Collectors.toSet());
        return !key.isEmpty() && parts.size() > 1 && covered.containsAll(key);
    }

    private static Box.Row row(Table table, Column column) {
        String marks = Stream.of(
                table.primaryKey().filter(key -> key.columns().contains(column.name())).map(key -> "P").orElse(""),
                table.foreignKeys().stream().anyMatch(key -> key.columns().contains(column.name())) ? "F" : "",
                table.keys().stream().filter(key -> !table.primaryKey().equals(Optional.of(key)))
                        .anyMatch(key -> key.columns().contains(column.name())) ? "U" : "")
                        .collect(Collectors.joining());
        String told = column.name() + " " + column.type().text() + (column.nullable() ? "" : " NOT NULL");
        return new Box.Row(column.name(), Letters.line(column.name(), LONGEST_NAME),
                Letters.line(column.type().text(), LONGEST_TYPE), marks, !column.nullable(),
                tooltip(told, column.comment()));
    }

    private static Line reference(Table table, Box from, ForeignKey key, Box to) {
        boolean many = table.keys().stream().noneMatch(unique -> key.columns().containsAll(unique.columns()));
        boolean optional = key.columns().stream().anyMatch(name -> table.column(name).nullable());
        return new Line(from, key.columns(), to, key.targetColumns(), many, optional,
                from.title() + " (" + String.join(", ", key.columns()) + ") refers to " + to.title() + " ("
                        + String.join(", ", key.targetColumns()) + ")");
    }

    private static String tooltip(String what, String comment) {
        return Letters.line(comment.isEmpty() ? what : what + ": " + comment, LONGEST_TOOLTIP);
    }
}
