package dev.vinekit.mapping.file;

import dev.vinekit.mapping.CommonPrefix;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Remark;
import dev.vinekit.schema.Schema;
import dev.vinekit.schema.TableName;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.yaml.snakeyaml.nodes.MappingNode;
import org.yaml.snakeyaml.nodes.Node;

/**
 * The text of a mapping file that says what a mapping decided by rule where a person may want to decide otherwise.
 *
 * @param text of the whole file
 * @param added the tables that it has an entry for, or more of one, than before
 * @param byHand lines that belong in entries written in braces, for a person to put there
 */
public record Proposal(String text, List<String> added, List<String> byHand) {
    private static final String EDITORS = "# yaml-language-server: $schema=.vinekit/mapping.schema.json\n";
    private static final String STEP = "  ";

    public Proposal {
        added = List.copyOf(added);
        byHand = List.copyOf(byHand);
    }

    /**
     * A new file.
     *
     * @param source the lines of the section {@code source}, as keys and values
     */
    public static Proposal fresh(Mapping mapping, Map<String, String> source) {
        StringBuilder text = new StringBuilder(EDITORS).append("""
                #
                # How this database is mapped to a service. Everything is optional: what is not listed follows the
                # rule. Texts may name environment variables: ${NAME}, or ${NAME:-default}.
                # After a change here or in the database run generate. For new tables run map again: it adds what
                # they need, and keeps everything that is here.

                """);
        if (!source.isEmpty()) {
            text.append("source:\n");
            source.forEach((key, value) -> text.append(STEP).append(key).append(": ").append(YamlText.of(value))
                    .append('\n'));
            text.append('\n');
        }
        text.append("tables:\n  # include: [\"*\"]\n  # exclude: [\"tmp_*\"]\n");
        CommonPrefix.of(mapping.schema()).ifPresent(prefix -> text.append("  # All names begin with ").append(prefix)
                .append("; to leave that out of the classes' names:\n  # drop-prefix: ").append(YamlText.of(prefix))
                .append('\n'));
        text.append("""

                project:
                  package: %s
                  # layout: by-table            # a package for each table, instead of one for each layer
                  # interfaces: true            # repositories and services as interface and implementation
                  # json-names: as-in-database  # instead of camel-case
                  # indentation: "2"            # or tab
                  # file-header: Text of a comment at the head of every Java file.

                # http:
                #   base-path: /api

                # What the service has beyond its tables; page and metrics are there unless they are false.
                # features:
                #   page: false           # a page for people
                #   metrics: false        # for Prometheus
                #   replicas: true        # lists are read from databases that follow the first
                #   failover: true        # several databases, of which one at a time takes changes
                #   cors: true            # pages of other origins may use the service
                #   class-archive: true   # a quicker start
                #   container: true       # a Containerfile
                #   systemd: true         # a unit for systemd

                """.formatted(mapping.basePackage()));
        if (!mapping.usualStamps().isEmpty()) {
            text.append("# The service fills these, in every table that has them; of deleted rows it keeps the time.\n# stamps:\n");
            mapping.usualStamps().forEach((word, column) ->
                    text.append("#   ").append(word).append(": ").append(YamlText.of(column)).append('\n'));
            text.append('\n');
        }
        text.append("entities:\n");
        Map<TableName, List<Remark>> remarks = remarks(mapping);
        if (remarks.isEmpty()) {
            text.append("""
                  # Nothing here wants a decision. An entry has this form, every part of it optional:
                  # table_name:
                  #   name: Barrel
                  #   path: barrels
                  #   operations: [list, read, create]
                  #   finders:
                  #     - { by: [filled_on], match: between }
                  #   fields:
                  #     column_name: { name: javaName }
                """);
        }
        List<String> added = new ArrayList<>();
        remarks.forEach((table, about) -> {
            String key = key(mapping.schema(), table);
            text.append(entry(key, about, STEP, STEP));
            added.add(key);
        });
        return new Proposal(text.toString(), added, List.of());
    }

    /**
     * What is missing put into a file; everything that is there stays as it is, to the letter.
     *
     * @param name of the file, for messages
     */
    public static Proposal refreshed(String name, String text, Mapping mapping) {
        YamlLines lines = new YamlLines(text);
        List<String> added = new ArrayList<>();
        List<String> byHand = new ArrayList<>();
        Optional<Node> root = MappingFile.compose(name, text);
        Optional<MappingNode> entities = root.flatMap(node -> YamlLines.child(node, "entities"));
        List<String> newEntries = new ArrayList<>();
        String indent = entities.map(YamlLines::indent).orElse(STEP);
        remarks(mapping).forEach((table, about) -> {
            String key = key(mapping.schema(), table);
            boolean known = entities.isPresent() && YamlLines.keys(entities.get()).stream()
                    .anyMatch(k -> k.equalsIgnoreCase(key) || k.equalsIgnoreCase(table.toString()));
            if (known) {
                complete(entities.get(), key, table, about, lines, added, byHand);
            } else {
                newEntries.add(entry(key, about, indent, indent.isEmpty() ? STEP : indent));
                added.add(key);
            }
        });
        if (!newEntries.isEmpty()) {
            if (entities.isPresent() && YamlLines.isInBraces(entities.get())) {
                byHand.addAll(newEntries);
            } else if (entities.isPresent()) {
                lines.insertAfter(entities.get(), String.join("", newEntries));
            } else if (root.isPresent() && YamlLines.keys(root.get()).contains("entities")) {
                lines.insertAfterKey((MappingNode) root.get(), "entities", String.join("", newEntries));
            } else {
                lines.append("\nentities:\n" + String.join("", newEntries));
            }
        }
        return new Proposal(lines.text(), added, byHand);
    }

    /** Adds to an entry the names that the rule had to find, if the entry does not say any. */
    private static void complete(
            MappingNode entities, String key, TableName table, List<Remark> about, YamlLines lines, List<String> added,
            List<String> byHand) {
        Optional<MappingNode> entry = YamlLines.child(entities, key)
                .or(() -> YamlLines.child(entities, table.toString()));
        List<Remark> pins = about.stream().filter(remark -> !remark.value().isEmpty() && !remark.offered()).toList();
        for (Remark pin : pins) {
            String head = pin.keys().get(0);
            boolean whole = entry.isPresent() && !YamlLines.isInBraces(entry.get())
                    && !YamlLines.keys(entry.get()).contains(head);
            if (whole) {
                List<Remark> together = pins.stream().filter(other -> other.keys().get(0).equals(head)).toList();
                String indent = YamlLines.indent(entry.get());
                if (together.get(0).equals(pin)) {
                    lines.insertAfter(entry.get(), body(together, indent));
                    added.add(key);
                }
            } else {
                byHand.add(key + ": " + pin.text() + " In the file: " + String.join(".", pin.keys()) + ": "
                        + pin.value());
            }
        }
    }

    private static Map<TableName, List<Remark>> remarks(Mapping mapping) {
        Map<TableName, List<Remark>> remarks = new LinkedHashMap<>();
        mapping.remarks().stream().filter(remark -> !remark.keys().isEmpty())
                .forEach(remark -> remarks.computeIfAbsent(remark.table(), key -> new ArrayList<>()).add(remark));
        return remarks;
    }

    private static String key(Schema schema, TableName table) {
        long sameName = schema.tables().stream().filter(other -> other.name().name().equals(table.name())).count();
        long alike = schema.tables().stream().filter(other -> other.name().name().equalsIgnoreCase(table.name()))
                .count();
        String name = table.name();
        return sameName > 1 ? table.toString()
                : alike == 1 && name.equals(name.toUpperCase(Locale.ROOT)) ? name.toLowerCase(Locale.ROOT) : name;
    }

    private static String entry(String key, List<Remark> remarks, String indent, String step) {
        return indent + YamlText.of(key) + ":\n" + body(remarks, indent + step);
    }

    private static String body(List<Remark> remarks, String indent) {
        StringBuilder text = new StringBuilder();
        remarks.stream().filter(remark -> remark.keys().size() == 1).forEach(remark -> {
            comment(remark, indent, text);
            text.append(indent).append(remark.value().isEmpty() ? "# " + remark.keys().get(0)
                    + ": [columns, that, tell, rows, apart]"
                    : (remark.offered() ? "# " : "") + remark.keys().get(0) + ": " + YamlText.of(remark.value()))
                    .append('\n');
        });
        List<Remark> fields = remarks.stream().filter(remark -> remark.keys().size() > 1).toList();
        boolean allOffered = fields.stream().allMatch(Remark::offered);
        if (!fields.isEmpty()) {
            text.append(indent).append(allOffered ? "# fields:\n" : "fields:\n");
        }
        Map<List<Object>, List<Remark>> byColumn = fields.stream().collect(Collectors.groupingBy(
                remark -> List.of(remark.keys().get(1), remark.offered()), LinkedHashMap::new, Collectors.toList()));
        for (List<Remark> about : byColumn.values()) {
            about.forEach(remark -> comment(remark, indent + STEP, text));
            Remark first = about.get(0);
            text.append(hidden(indent, allOffered, first.offered())).append(YamlText.of(first.keys().get(1))).append(": { ")
                    .append(about.stream().map(remark -> remark.keys().get(2) + ": " + YamlText.of(remark.value()))
                            .collect(Collectors.joining(", "))).append(" }\n");
        }
        return text.toString();
    }

    /** What a line inside a section begins with: one that is only offered is a comment. */
    private static String hidden(String indent, boolean allOffered, boolean offered) {
        return allOffered ? indent + "# " + STEP : offered ? indent + STEP + "# " : indent + STEP;
    }

    private static void comment(Remark remark, String indent, StringBuilder text) {
        YamlText.comment(remark.text(), indent).forEach(line -> text.append(line).append('\n'));
    }
}
