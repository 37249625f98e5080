package dev.vinekit.source.view;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** Text that stands in a comment or in Markdown, where it can neither end the comment nor mean anything else. */
public final class DocText {
    private final String safe;

    private DocText(String safe) {
        this.safe = safe;
    }

    public static DocText of(String text) {
        String flat = text.strip().replaceAll("\\s+", " ");
        return new DocText(flat.codePoints().mapToObj(DocText::escaped).collect(Collectors.joining()));
    }

    private static String escaped(int c) {
        return switch (c) {
            case '&' -> "&amp;";
            case '<' -> "&lt;";
            case '>' -> "&gt;";
            case '@' -> "&#64;";
            case '*' -> "&#42;";
            case '\\' -> "&#92;";
            case '{' -> "&#123;";
            case '}' -> "&#125;";
            case '|' -> "&#124;";
            case '`' -> "&#96;";
            default -> JavaString.isVisible(c) ? Character.toString(c) : "&#" + c + ";";
        };
    }

    /** Whether the text says the same inside a code tag, where entities are not read. */
    public boolean isPlain() {
        return safe.indexOf('&') < 0;
    }

    /** The text as code: in a Javadoc code tag, or in HTML where the tag would show entities. */
    public String getCode() {
        return isPlain() ? "{@code " + safe + "}" : "<code>" + safe + "</code>";
    }

    /** The text broken into lines of at most so many characters. */
    public List<String> lines(int width) {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : safe.split(" ")) {
            if (!line.isEmpty() && line.length() + 1 + word.length() > width) {
                lines.add(line.toString());
                line.setLength(0);
            }
            line.append(line.isEmpty() ? "" : " ").append(word);
        }
        lines.add(line.toString());
        return lines;
    }

    @Override
    public String toString() {
        return safe;
    }
}
