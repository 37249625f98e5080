package dev.vinekit.cli;

import dev.vinekit.mapping.CommonPrefix;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import dev.vinekit.mapping.Remark;
import dev.vinekit.project.ServiceDescription;
import dev.vinekit.schema.TableName;
import java.io.PrintStream;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** Shows what tables become, and what to know about it: each where they fit on a screen, else in numbers. */
final class MappingView {
    private static final int SHOWN_TABLES = 16;
    private static final int SHOWN_REMARKS = 10;

    private final Mapping mapping;
    private final Style style;
    private final PrintStream out;
    private final boolean all;

    /**
     * A view.
     *
     * @param all whether to show each table and remark, however many there are
     */
    MappingView(Mapping mapping, Style style, PrintStream out, boolean all) {
        this.mapping = mapping;
        this.style = style;
        this.out = out;
        this.all = all;
    }

    /**
     * Prints it.
     *
     * @param cameAlong tables that nobody asked for
     */
    void print(Collection<TableName> cameAlong) {
        if (all || mapping.entities().size() <= SHOWN_TABLES) {
            each(cameAlong);
        } else {
            counted();
        }
        out.println();
        remarks(mapping.remarks());
        boolean clipped = mapping.entities().stream().anyMatch(entity -> entity.table().name().name().startsWith(
                CommonPrefix.of(mapping.schema()).orElse("\n"))
                && entity.name().value().toLowerCase(Locale.ROOT).startsWith(
                CommonPrefix.of(mapping.schema()).orElse("").replace("_", "").toLowerCase(Locale.ROOT)));
        if (clipped) {
            out.println("All names begin with " + style.cell(CommonPrefix.of(mapping.schema()).orElse(""), 40)
                    + "; drop-prefix in the mapping file leaves it out of the classes' names.");
        }
        out.print(mapping.remarks().isEmpty() && !clipped ? "" : System.lineSeparator());
    }

    private void each(Collection<TableName> cameAlong) {
        TextTable lines = new TextTable(style, "table", "entity", "path", "operations", "");
        for (Entity entity : mapping.entities()) {
            lines.add(name(entity.table().name()), entity.name().value(), "/" + entity.path(), operations(entity),
                    cameAlong.contains(entity.table().name()) ? "comes along" : "");
        }
        lines.print(out);
    }

    /** How many tables have which operations, the most common first; the others by name. */
    private void counted() {
        Map<String, List<Entity>> byOperations = mapping.entities().stream()
                .collect(Collectors.groupingBy(MappingView::operations));
        TextTable lines = new TextTable(style, "tables", "operations", "");
        List<Map.Entry<String, List<Entity>>> groups = byOperations.entrySet().stream()
                .sorted(Comparator.comparing((Map.Entry<String, List<Entity>> group) -> -group.getValue().size())
                        .thenComparing(Map.Entry::getKey)).toList();
        int taken = "tables".length() + groups.stream().mapToInt(group -> group.getKey().length()).max().orElse(0) + 4;
        for (Map.Entry<String, List<Entity>> group : groups) {
            String names = group == groups.get(0) ? ""
                    : style.some(group.getValue().stream().map(entity -> name(entity.table().name())).toList(), taken);
            lines.add(String.valueOf(group.getValue().size()), group.getKey(), names);
        }
        lines.print(out);
    }

    private static String operations(Entity entity) {
        return entity.operations().stream().map(Operation::word)
                .collect(Collectors.joining(" "));
    }

    /** Prints what to know that was not said in the last run. */
    void printNews(ServiceDescription before) {
        Set<String> said = before.tables().stream()
                .flatMap(table -> table.remarks().stream().map(remark -> table.table() + " " + remark))
                .collect(Collectors.toSet());
        List<Remark> news = mapping.remarks().stream()
                .filter(remark -> !said.contains(remark.table().name() + " " + remark.text())).toList();
        remarks(news);
        out.print(news.isEmpty() ? "" : System.lineSeparator());
    }

    private void remarks(List<Remark> remarks) {
        if (all || remarks.size() <= SHOWN_REMARKS) {
            remarks.forEach(remark -> {
                List<String> lines = style.wrapped(name(remark.table()) + ": " + style.cell(remark.text(), 400), 2);
                out.println(style.warning(name(remark.table()))
                        + lines.get(0).substring(name(remark.table()).length()));
                lines.stream().skip(1).forEach(line -> out.println("  " + line));
            });
            return;
        }
        Map<Remark.Topic, List<Remark>> byTopic = remarks.stream().collect(
                Collectors.groupingBy(Remark::topic, TreeMap::new, Collectors.toList()));
        out.println(style.warning(remarks.size() + " remarks")
                + "; README.md in the project has them all, --verbose shows them");
        byTopic.forEach((topic, about) -> {
            String head = String.format(Locale.ROOT, "%5d  %s: ", about.size(), topic.words());
            out.println(head + style.some(about.stream().map(remark -> name(remark.table())).distinct().toList(),
                    head.length()));
        });
    }

    private String name(TableName table) {
        return style.table(table.name(), 60);
    }
}
