package dev.vinekit.cli;

import dev.vinekit.mapping.CommonPrefix;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Remark;
import dev.vinekit.project.ServiceDescription;
import dev.vinekit.schema.TableName;
import java.io.PrintStream;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;

/** Shows what tables become, and what to know about it. */
final class MappingView {
    private final Mapping mapping;
    private final Style style;
    private final PrintStream out;

    MappingView(Mapping mapping, Style style, PrintStream out) {
        this.mapping = mapping;
        this.style = style;
        this.out = out;
    }

    /**
     * Prints it.
     *
     * @param cameAlong tables that nobody asked for
     */
    void print(Collection<TableName> cameAlong) {
        TextTable lines = new TextTable(style, "table", "entity", "path", "operations", "");
        for (Entity entity : mapping.entities()) {
            lines.add(
                    style.table(entity.table().name().name(), 40),
                    entity.name().value(),
                    "/" + entity.path(),
                    entity.operations().stream().map(operation -> operation.name().toLowerCase(Locale.ROOT))
                            .collect(Collectors.joining(" ")),
                    cameAlong.contains(entity.table().name()) ? "comes along" : "");
        }
        lines.print(out);
        out.println();
        mapping.remarks().forEach(this::print);
        boolean clipped = mapping.entities().stream().anyMatch(entity -> entity.table().name().name().startsWith(
                CommonPrefix.of(mapping.schema()).orElse("\n")) && entity.name().value().toLowerCase(Locale.ROOT).startsWith(
                CommonPrefix.of(mapping.schema()).orElse("").replace("_", "").toLowerCase(Locale.ROOT)));
        if (clipped) {
            out.println("All names begin with " + style.cell(CommonPrefix.of(mapping.schema()).orElse(""), 40)
                    + "; drop-prefix in the mapping file leaves it out of the classes' names.");
        }
        out.print(mapping.remarks().isEmpty() && !clipped ? "" : System.lineSeparator());
    }

    /** Prints what to know that was not said in the last run. */
    void printNews(ServiceDescription before) {
        Set<String> said = before.tables().stream()
                .flatMap(table -> table.remarks().stream().map(remark -> table.table() + " " + remark))
                .collect(Collectors.toSet());
        List<Remark> news = mapping.remarks().stream()
                .filter(remark -> !said.contains(remark.table().name() + " " + remark.text())).toList();
        news.forEach(this::print);
        out.print(news.isEmpty() ? "" : System.lineSeparator());
    }

    private void print(Remark remark) {
        out.println(style.warning(style.table(remark.table().name(), 60)) + ": " + style.cell(remark.text(), 400));
    }
}
