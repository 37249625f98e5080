package dev.vinekit.source.view;

import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/** Text that stands in Java source inside a string literal or text block. */
public final class JavaString {
    private static final int WIDTH = 100;

    private final String value;

    private JavaString(String value) {
        this.value = value;
    }

    public static JavaString of(String value) {
        return new JavaString(value);
    }

    /** The values joined by commas, with line breaks where a line would grow too long. */
    public static JavaString list(List<String> values) {
        StringBuilder text = new StringBuilder();
        int width = 0;
        for (int i = 0; i < values.size(); i++) {
            String part = values.get(i) + (i + 1 < values.size() ? "," : "");
            if (width > 0 && width + part.length() + 1 > WIDTH - 30) {
                text.append('\n');
                width = 0;
            } else if (i > 0) {
                text.append(' ');
            }
            text.append(part);
            width += part.length() + 1;
        }
        return new JavaString(text.toString());
    }

    /** The values joined by commas, each on a line of its own. */
    public static JavaString lines(List<String> values) {
        return new JavaString(String.join(",\n", values));
    }

    /** A string literal, with its quotes. */
    @Override
    public String toString() {
        return '"' + value.codePoints().mapToObj(JavaString::escapedInLiteral).collect(Collectors.joining()) + '"';
    }

    /** Part of a text block, of which later lines are indented by so many spaces. */
    public String block(int indent) {
        String joint = "\n" + " ".repeat(indent);
        return value.lines().map(JavaString::blockLine).collect(Collectors.joining(joint));
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
