package dev.vinekit.source.view;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/** Text that stands in Java source inside a string literal or text block. */
public final class JavaString {
    private static final int WIDTH = 84;

    /** Lines of layout; a line break inside one of them is part of the text, and is written as an escape. */
    private final List<String> lines;

    private JavaString(List<String> lines) {
        this.lines = List.copyOf(lines);
    }

    public static JavaString of(String value) {
        return new JavaString(List.of(value));
    }

    /** The values joined by commas, on as many lines as they need. */
    public static JavaString list(List<String> values) {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (int i = 0; i < values.size(); i++) {
            String part = values.get(i) + (i + 1 < values.size() ? "," : "");
            if (!line.isEmpty() && line.length() + part.length() >= WIDTH) {
                lines.add(line.toString());
                line.setLength(0);
            }
            line.append(line.isEmpty() ? "" : " ").append(part);
        }
        lines.add(line.toString());
        return new JavaString(lines);
    }

    /** Whether it fits on a line. */
    public boolean isOneLine() {
        return lines.size() == 1;
    }

    /** The same behind another text. */
    public JavaString after(String text) {
        List<String> longer = new ArrayList<>(lines);
        longer.set(0, text + longer.get(0));
        return new JavaString(longer);
    }

    /** A string literal, with its quotes. */
    @Override
    public String toString() {
        return '"' + String.join("\n", lines).codePoints().mapToObj(JavaString::escapedInLiteral)
                .collect(Collectors.joining()) + '"';
    }

    /** Part of a text block, of which later lines are indented by so many spaces. */
    public String block(int indent) {
        String joint = "\n" + " ".repeat(indent);
        return lines.stream().map(JavaString::blockLine).collect(Collectors.joining(joint));
    }


    private static String blockLine(String line) {
        String escaped = line.codePoints().mapToObj(JavaString::escapedInBlock).collect(Collectors.joining());
        return escaped.replaceAll("\"(?=\")|(?<=\")\"", "\\\\\"");
    }

    private static String escapedInLiteral(int c) {
        return c == '"' ? "\\\"" : escapedInBlock(c);
    }

    private static String escapedInBlock(int c) {
        return switch (c) {
            case '\\' -> "\\\\";
            case '\n' -> "\\n";
            case '\r' -> "\\r";
            case '\t' -> "\\t";
            default -> isVisible(c) ? Character.toString(c) : Character.toString(c).chars()
                    .mapToObj(unit -> String.format(Locale.ROOT, "\\u%04x", unit)).collect(Collectors.joining());
        };
    }

    /** Whether a character shows as itself; format characters could make source read other than it is. */
    static boolean isVisible(int c) {
        return switch (Character.getType(c)) {
            case Character.CONTROL, Character.FORMAT, Character.SURROGATE, Character.PRIVATE_USE,
                    Character.UNASSIGNED, Character.LINE_SEPARATOR, Character.PARAGRAPH_SEPARATOR -> false;
            case Character.SPACE_SEPARATOR -> c == ' ';
            default -> true;
        };
    }
}
