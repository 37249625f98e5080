package dev.vinekit.cli;

import dev.vinekit.engine.Engine;
import dev.vinekit.engine.Engines;
import dev.vinekit.engine.RowCount;
import dev.vinekit.engine.SampleOfRows;
import dev.vinekit.schema.Access;
import dev.vinekit.schema.Column;
import dev.vinekit.schema.InWords;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.Table;
import dev.vinekit.schema.TableName;
import java.io.PrintStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Prints a schema for a person. */
final class SchemaView {
    private static final int NAME = 60;

    private final Schema schema;
    private final Style style;
    private final PrintStream out;

    SchemaView(Schema schema, Style style, PrintStream out) {
        this.schema = schema;
        this.style = style;
        this.out = out;
    }

    /**
     * Who is connected to what.
     *
     * @param scratch whether nobody but us has the database
     */
    void login(Engine.Login login, boolean scratch) {
        out.println(login.product() + " " + login.version()
                + (schema.defaultSchema().isEmpty() ? "" : ", schema " + style.cell(schema.defaultSchema(), NAME))
                + (scratch ? ", a scratch database" : login.user().isEmpty() ? "" : ", as "
                        + style.cell(login.user(), NAME)));
        long owned = schema.tables().stream().filter(table -> !login.user().isEmpty()
                && table.access().owner().equals(login.user())).count();
        if (login.administrator() && !scratch) {
            warn(login, "is an administrator");
        } else if (owned > 0 && !scratch) {
            warn(login, "owns " + owned + " of these tables");
        }
        out.println();
    }

    private void warn(Engine.Login login, String what) {
        out.println(style.warning(style.cell(login.user(), NAME) + " " + what + ". That is fine for looking; let the "
                + "service log in as someone who may do less"
                + (Engines.named(schema.engine()).hasRoles() ? " (vinekit role)." : ".")));
    }

    void overview(Map<TableName, RowCount> counts) {
        boolean limited = schema.tables().stream().anyMatch(table -> !mayAll(table));
        TextTable lines = limited
                ? new TextTable(style, "table", "rows", "columns", "key", "refers to", "may")
                : new TextTable(style, "table", "rows", "columns", "key", "refers to");
        long rows = 0;
        for (Table table : schema.tables()) {
            RowCount count = counts.get(table.name());
            rows += count == null ? 0 : count.rows();
            List<String> cells = new ArrayList<>(List.of(
                    title(table),
                    count == null ? style.none() : count.toString(),
                    String.valueOf(table.columns().size()),
                    table.primaryKey().map(key -> columns(key.columns())).orElse(style.none()),
                    String.join(", ", table.foreignKeys().stream().map(key -> name(key.target())).distinct()
                            .toList())));
            if (limited) {
                cells.add(rights(table));
            }
            lines.add(cells.toArray(new String[0]));
        }
        lines.print(out);
        out.println();
        out.println(Steps.tables(schema) + ", " + Steps.count(rows, "row", "rows") + " " + how(counts)
                + ". One in full: --tables NAME");
    }

    private static String how(Map<TableName, RowCount> counts) {
        return counts.values().stream().allMatch(RowCount::exact) ? "(counted)"
                : "(~ is an estimate of the database; --count counts)";
    }

    private static boolean mayAll(Table table) {
        return table.access().rights().size() == Access.Right.values().length
                || table.isView() && table.access().rights().contains(Access.Right.SELECT);
    }

    private static String rights(Table table) {
        Set<Access.Right> rights = table.access().rights();
        return mayAll(table) && !table.isView() ? "all" : rights.isEmpty() ? "nothing"
                : Arrays.stream(Access.Right.values())
                .filter(rights::contains).map(right -> right.name().toLowerCase(Locale.ROOT))
                .collect(Collectors.joining(" "));
    }

    private String title(Table table) {
        return name(table.name()) + (table.kind() == Table.Kind.TABLE ? "" : " (" + table.kind().words() + ")");
    }

    void table(Table table, Optional<RowCount> rows, Optional<SampleOfRows> sample) {
        String counted = rows.map(count -> count.exact() ? Steps.count(count.rows(), "row", "rows") + " (counted)"
                : "about " + count.rows() + " rows (the database's estimate; --count counts)")
                .orElse("rows not counted");
        out.println(style.strong(style.cell(title(table), style.width())) + ", " + counted);
        if (!table.comment().isEmpty()) {
            out.println(style.cell(table.comment(), style.width()));
        }
        if (!table.access().owner().isEmpty()) {
            out.println("owned by " + style.cell(table.access().owner(), NAME) + "; this login may: " + rights(table));
        }
        out.println();
        columns(table);
        constraints(table);
        sample.ifPresentOrElse(this::sample, () -> out.println("This login may not read its rows."));
        out.println();
    }

    private void columns(Table table) {
        TextTable lines = new TextTable(style, "column", "type", "null", "key", "filled with", "comment");
        for (Column column : table.columns()) {
            lines.add(column.name(), InWords.type(column), column.nullable() ? "yes" : "no",
                    InWords.keys(table, column.name()), InWords.filled(column), column.comment());
        }
        lines.print(out);
        out.println();
    }

    private void constraints(Table table) {
        List<String> lines = new ArrayList<>();
        table.primaryKey().ifPresent(key -> lines.add("primary key  " + columns(key.columns())));
        table.uniqueKeys().forEach(key -> lines.add("unique       " + columns(key.columns())));
        table.foreignKeys().forEach(key -> lines.add("refers       " + columns(key.columns()) + " to "
                + name(key.target()) + " (" + columns(key.targetColumns()) + ")" + InWords.onDelete(key)
                + InWords.deferral(key)));
        schema.tables().forEach(other -> other.foreignKeys().stream()
                .filter(key -> key.target().equals(table.name()))
                .forEach(key -> lines.add("referred by  " + name(other.name()) + " (" + columns(key.columns()) + ")"
                        + InWords.onDelete(key))));
        table.checks().forEach(check -> lines.add("check        " + check.expression()));
        table.columns().forEach(column -> schema.domain(column).ifPresent(domain -> domain.checks().forEach(check ->
                lines.add("check        " + check.expression() + " of " + column.name() + ", by its domain"))));
        table.indexes().forEach(index -> lines.add((index.unique() ? "unique index " : "index        ")
                + index.definition().orElseGet(() -> columns(index.columns()))));
        lines.forEach(line -> out.println(style.cell(line, style.width())));
        out.println();
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
