package dev.vinekit.mapping.file;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import org.yaml.snakeyaml.DumperOptions;
import org.yaml.snakeyaml.nodes.MappingNode;
import org.yaml.snakeyaml.nodes.Node;
import org.yaml.snakeyaml.nodes.NodeTuple;
import org.yaml.snakeyaml.nodes.ScalarNode;
import org.yaml.snakeyaml.nodes.SequenceNode;

/** The lines of a YAML file, between which others can be put; those that are there stay as they are. */
final class YamlLines {
    private final String lineEnd;
    private final List<String> lines;
    private final TreeMap<Integer, String> inserted = new TreeMap<>();

    YamlLines(String text) {
        this.lineEnd = text.contains("\r\n") ? "\r\n" : "\n";
        this.lines = new ArrayList<>(text.lines().toList());
    }

    /** The mapping under a key, if there is one. */
    static Optional<MappingNode> child(Node node, String key) {
        return node instanceof MappingNode mapping ? mapping.getValue().stream()
                .filter(entry -> name(entry).equalsIgnoreCase(key)).map(NodeTuple::getValueNode)
                .filter(MappingNode.class::isInstance).map(MappingNode.class::cast).findFirst() : Optional.empty();
    }

    static List<String> keys(Node node) {
        return node instanceof MappingNode mapping ? mapping.getValue().stream().map(YamlLines::name).toList()
                : List.of();
    }

    static boolean isInBraces(MappingNode node) {
        return node.getFlowStyle() == DumperOptions.FlowStyle.FLOW;
    }

    /** What stands before a mapping's keys. */
    static String indent(MappingNode node) {
        return " ".repeat(node.getStartMark().getColumn());
    }

    private static String name(NodeTuple entry) {
        return entry.getKeyNode() instanceof ScalarNode scalar ? scalar.getValue() : "";
    }

    /** Puts lines behind everything that belongs to a mapping, comments too. */
    void insertAfter(MappingNode node, String text) {
        int indent = node.getStartMark().getColumn();
        insert(afterComments(lastLine(node), indent), text);
    }

    /** Puts lines behind a key that has no value, and the comments below it. */
    void insertAfterKey(MappingNode node, String key, String text) {
        NodeTuple entry = node.getValue().stream().filter(tuple -> name(tuple).equals(key)).findFirst().orElseThrow();
        insert(afterComments(entry.getKeyNode().getEndMark().getLine(), entry.getKeyNode().getStartMark().getColumn()
                + 1), text);
    }

    void append(String text) {
        insert(lines.size(), text);
    }

    private void insert(int line, String text) {
        inserted.merge(line, text, String::concat);
    }

    /** The line after one, and after the comments below it that are indented at least so far. */
    private int afterComments(int line, int indent) {
        int end = line + 1;
        for (int i = end; i < lines.size(); i++) {
            String text = lines.get(i).strip();
            int own = lines.get(i).length() - lines.get(i).stripLeading().length();
            if (text.startsWith("#") && own >= indent) {
                end = i + 1;
            } else if (!text.isEmpty()) {
                break;
            }
        }
        return end;
    }

    /** The last line that has something of a node; the marks of the parser lie behind the comments that follow. */
    private static int lastLine(Node node) {
        if (node instanceof MappingNode mapping && !isInBraces(mapping) && !mapping.getValue().isEmpty()) {
            NodeTuple last = mapping.getValue().get(mapping.getValue().size() - 1);
            return Math.max(last.getKeyNode().getEndMark().getLine(), lastLine(last.getValueNode()));
        }
        if (node instanceof SequenceNode sequence && sequence.getFlowStyle() != DumperOptions.FlowStyle.FLOW
                && !sequence.getValue().isEmpty()) {
            return lastLine(sequence.getValue().get(sequence.getValue().size() - 1));
        }
        if (node instanceof ScalarNode scalar && scalar.getScalarStyle() != DumperOptions.ScalarStyle.DOUBLE_QUOTED
                && scalar.getScalarStyle() != DumperOptions.ScalarStyle.SINGLE_QUOTED
                && scalar.getEndMark().getColumn() == 0
                && scalar.getEndMark().getLine() > scalar.getStartMark().getLine()) {
            return scalar.getEndMark().getLine() - 1;
        }
        return node.getEndMark().getLine();
    }

    String text() {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i <= lines.size(); i++) {
            if (inserted.containsKey(i)) {
                inserted.get(i).lines().forEach(line -> text.append(line).append(lineEnd));
            }
            if (i < lines.size()) {
                text.append(lines.get(i)).append(lineEnd);
            }
        }
        return text.toString();
    }
}
