package dev.vinekit.source;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** Breaks lines of Java that grew too long because a name in them is. */
final class LineBreaker {
    static final int WIDTH = 120;
    private static final String CONTINUED = "        ";
    private static final String TAGGED = "    ";

    private LineBreaker() {
    }

    static String apply(String java) {
        List<String> lines = new ArrayList<>();
        for (String line : java.lines().toList()) {
            int last = lines.size() - 1;
            if (last >= 0 && lines.get(last).length() > WIDTH && continues(lines.get(last).strip(), line.strip())) {
                lines.set(last, lines.get(last) + " " + line.strip().substring(2).strip());
            } else {
                lines.add(line);
            }
        }
        return lines.stream().map(LineBreaker::broken).collect(Collectors.joining("\n", "", "\n"));
    }

    /** Whether a line of a comment is of the same paragraph as the one before. */
    private static boolean continues(String before, String line) {
        return before.startsWith("* ") && line.startsWith("* ") && !line.startsWith("* @") && !line.startsWith("* <");
    }

    private static String broken(String line) {
        if (line.length() <= WIDTH) {
            return line;
        }
        String indent = " ".repeat(line.length() - line.stripLeading().length());
        String text = line.strip();
        if (text.startsWith("/** ") && text.endsWith(" */")) {
            return indent + "/**\n" + comment(indent + " * ", text.substring(4, text.length() - 3)) + "\n" + indent
                    + " */";
        }
        if (text.startsWith("* ")) {
            return comment(indent + "* ", text.substring(2));
        }
        if (text.startsWith("// ")) {
            return comment(indent + "// ", text.substring(3));
        }
        int place = place(line, indent.length());
        return place < 0 ? line : line.substring(0, place).stripTrailing() + "\n"
                + broken(indent + CONTINUED + line.substring(place).strip());
    }

    private static String comment(String before, String text) {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : text.split(" ")) {
            String indent = lines.isEmpty() || !text.startsWith("@") ? before : before + TAGGED;
            if (!line.isEmpty() && indent.length() + 1 + line.length() + word.length() > WIDTH) {
                lines.add(indent + line);
                line.setLength(0);
            }
            line.append(line.isEmpty() ? "" : " ").append(word);
        }
        lines.add(lines.isEmpty() || !text.startsWith("@") ? before + line : before + TAGGED + line);
        return String.join("\n", lines);
    }

    /** Where to break: at the outermost place, and among those the last, that leaves the first part short enough. */
    private static int place(String line, int from) {
        int best = -1;
        int bestDepth = Integer.MAX_VALUE;
        int depth = 0;
        boolean quoted = false;
        for (int i = from; i < line.length() && i <= WIDTH; i++) {
            char c = line.charAt(i);
            if (c == '"' && line.charAt(i - 1) != '\\') {
                quoted = !quoted;
            }
            if (quoted) {
                continue;
            }
            depth -= c == ')' ? 1 : 0;
            int candidate = candidate(line, i, from);
            int inside = depth + (c == '(' ? 1 : 0);
            if (candidate >= 0 && inside <= bestDepth && candidate <= WIDTH) {
                best = candidate;
                bestDepth = inside;
            }
            depth += c == '(' ? 1 : 0;
        }
        return best;
    }

    /** The place to break at if this character offers one; negative if not. */
    private static int candidate(String line, int i, int from) {
        char c = line.charAt(i);
        if (c == ',' || c == '(' && line.charAt(i + 1) != ')') {
            return i + 1;
        }
        boolean chained = c == '.' && i > from + 8 && line.charAt(i - 1) == ')';
        return chained || line.startsWith(" throws ", i) || line.startsWith(" ? ", i) || line.startsWith(" : ", i)
                || line.startsWith(" = ", i) || line.startsWith(" && ", i) || line.startsWith(" || ", i)
                || line.startsWith(" + ", i) || line.startsWith(" -> ", i - 4) && i > 4 ? i : -1;
    }
}
