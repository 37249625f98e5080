package dev.vinekit.source;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/**
 * How a Java file is laid out.
 *
 * @param header the text of a comment at its head; empty for none
 * @param indentation one step
 */
record JavaLayout(String header, String indentation) {
    private static final String OWN = "    ";

    String of(String ownPackage, String imports, String body) {
        String text = comment() + "package " + ownPackage + ";\n\n" + imports + (imports.isEmpty() ? "" : "\n")
                + tidy(LineBreaker.apply(body));
        return indentation.equals(OWN) ? text
                : text.lines().map(this::indented).collect(Collectors.joining("\n", "", "\n"));
    }

    /** The header, in which nothing can end the comment early. */
    private String comment() {
        return header.isEmpty() ? "" : header.replace("*/", "* /").replace("\\u", "\\ u").lines()
                .map(line -> " * " + line).map(String::stripTrailing)
                .collect(Collectors.joining("\n", "/*\n", "\n */\n"));
    }

    /** No empty line after an opening or before a closing brace, and never two. */
    private static String tidy(String java) {
        List<String> lines = new ArrayList<>();
        for (String line : java.lines().toList()) {
            String before = lines.isEmpty() ? "{" : lines.get(lines.size() - 1);
            if (line.isBlank() && (before.isBlank() || before.endsWith("{"))) {
                continue;
            }
            if (line.strip().equals("}") && before.isBlank()) {
                lines.remove(lines.size() - 1);
            }
            lines.add(line);
        }
        return String.join("\n", lines) + "\n";
    }

    private String indented(String line) {
        int steps = 0;
        while (line.startsWith(OWN, steps * OWN.length())) {
            steps++;
        }
        return indentation.repeat(steps) + line.substring(steps * OWN.length());
    }
}
