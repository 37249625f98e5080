package dev.vinekit.cli;

import dev.vinekit.engine.Engine;
import dev.vinekit.engine.SampleOfRows;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.ForeignKey;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import java.io.PrintStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Prints a schema for a person. */
final class SchemaView {
    private final Schema schema;
    private final Style style;
    private final PrintStream out;

    SchemaView(Schema schema, Style style, PrintStream out) {
        this.schema = schema;
        this.style = style;
        this.out = out;
    }

    void login(Engine.Login login) {
        out.println(login.product() + " " + login.version() + ", schema " + schema.defaultSchema() + ", as "
                + login.user());
        if (login.administrator()) {
            out.println(style.warning(login.user() + " is an administrator. That is fine for looking; "
                    + "let the service log in as someone who may do less."));
        }
        out.println();
    }

    void overview(Map<TableName, Long> counts) {
        TextTable lines = new TextTable(style, "table", "rows", "columns", "key", "refers to");
        long rows = 0;
        for (Table table : schema.tables()) {
            rows += counts.get(table.name());
            lines.add(
                    name(table.name()) + (table.isView() ? " (view)" : ""),
                    String.valueOf(counts.get(table.name())),
                    String.valueOf(table.columns().size()),
                    table.primaryKey().map(key -> columns(key.columns())).orElse(style.none()),
                    String.join(", ", table.foreignKeys().stream().map(key -> name(key.target())).distinct().toList()));
        }
        lines.print(out);
        out.println();
        out.println(Steps.tables(schema) + ", " + Steps.count(rows, "row", "rows") + " (counted). One in full: --tables NAME");
    }

    void table(Table table, long rows, SampleOfRows sample) {
        out.println(style.strong(name(table.name())) + (table.isView() ? " (view)" : "") + ", " + Steps.count(rows, "row", "rows") + " (counted)");
        if (!table.comment().isEmpty()) {
            out.println(style.cell(table.comment(), TextTable.LINE_WIDTH));
        }
        out.println();
        columns(table);
        constraints(table);
        sample(sample);
        out.println();
    }

    private void columns(Table table) {
        TextTable lines = new TextTable(style, "column", "type", "null", "key", "filled with", "comment");
        for (Column column : table.columns()) {
            String filled = switch (column.identity()) {
                case ALWAYS -> "identity, always";
                case BY_DEFAULT -> "identity by default";
                case NONE -> column.computed().map(computed -> "= " + computed.expression())
                        .orElse(column.defaultValue().orElse(""));
            };
            lines.add(column.name(), column.type().text(), column.nullable() ? "yes" : "no",
                    keyMarks(table, column.name()), filled, column.comment());
        }
        lines.print(out);
        out.println();
    }

    private static String keyMarks(Table table, String column) {
        List<String> marks = new ArrayList<>();
        table.primaryKey().filter(key -> key.columns().contains(column)).ifPresent(key -> marks.add("primary"));
        if (table.uniqueKeys().stream().anyMatch(key -> key.columns().contains(column))) {
            marks.add("unique");
        }
        if (table.foreignKeys().stream().anyMatch(key -> key.columns().contains(column))) {
            marks.add("refers");
        }
        return String.join(" ", marks);
    }

    private void constraints(Table table) {
        List<String> lines = new ArrayList<>();
        table.primaryKey().ifPresent(key -> lines.add("primary key  " + columns(key.columns())));
        table.uniqueKeys().forEach(key -> lines.add("unique       " + columns(key.columns())));
        table.foreignKeys().forEach(key -> lines.add("refers       " + columns(key.columns()) + " to "
                + name(key.target()) + " (" + columns(key.targetColumns()) + ")" + onDelete(key)));
        schema.tables().forEach(other -> other.foreignKeys().stream()
                .filter(key -> key.target().equals(table.name()))
                .forEach(key -> lines.add("referred by  " + name(other.name()) + " (" + columns(key.columns()) + ")"
                        + onDelete(key))));
        table.checks().forEach(check -> lines.add("check        " + check.expression()));
        table.indexes().forEach(index -> lines.add("index        " + columns(index.columns())));
        lines.forEach(line -> out.println(style.cell(line, TextTable.LINE_WIDTH)));
        out.println();
    }

    private static String onDelete(ForeignKey key) {
        return key.onDelete().refuses() ? "" : ", on delete " + key.onDelete().sql().toLowerCase(Locale.ROOT);
    }

    private void sample(SampleOfRows sample) {
        TextTable lines = new TextTable(style, sample.columns().toArray(new String[0]));
        sample.rows().forEach(row -> lines.add(row.toArray(new String[0])));
        lines.print(out);
    }

    private String name(TableName name) {
        return name.schema().equals(schema.defaultSchema()) ? name.name() : name.toString();
    }

    private static String columns(List<String> names) {
        return String.join(", ", names);
    }
}
