package dev.vinekit.cli;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * What the terminal can show.
 *
 * @param coloured whether ANSI colours are wanted
 * @param unicode whether characters outside ASCII can be shown
 * @param width characters in a line
 * @param whole whether nothing is cut: the output goes to a file or another program
 */
record Style(boolean coloured, boolean unicode, int width, boolean whole) {
    /** What a terminal shows. */
    Style(boolean coloured, boolean unicode, int width) {
        this(coloured, unicode, width, false);
    }

    String good(String text) {
        return painted("32", text);
    }

    String bad(String text) {
        return painted("1;31", text);
    }

    String warning(String text) {
        return painted("33", text);
    }

    String strong(String text) {
        return painted("1", text);
    }

    String faint(String text) {
        return painted("2", text);
    }

    String pass() {
        return unicode ? "\u2713" : "ok";
    }

    String fail() {
        return unicode ? "\u2717" : "FAIL";
    }

    String none() {
        return unicode ? "\u2013" : "-";
    }

    /**
     * Texts with commas between them, as many on a line as fit.
     *
     * @param indent characters in front of each line, which are not part of it
     */
    List<String> filled(List<String> texts, int indent) {
        return laidOut(texts, indent, ",");
    }

    /**
     * As many of the texts as fit on one line, with commas between them, and the number of those that are left.
     *
     * @param indent characters in front of the line, which are not part of it
     */
    String some(List<String> texts, int indent) {
        String all = String.join(", ", texts);
        if (indent + all.length() <= width) {
            return all;
        }
        StringBuilder line = new StringBuilder();
        for (int i = 0; i < texts.size(); i++) {
            String more = i == texts.size() - 1 ? "" : " and " + (texts.size() - i - 1) + " more";
            String next = (i == 0 ? "" : ", ") + texts.get(i);
            if (i > 0 && indent + line.length() + next.length() + more.length() > width) {
                return line + " and " + (texts.size() - i) + " more";
            }
            line.append(next);
        }
        return line.toString();
    }

    /**
     * A text in lines that fit, broken between words.
     *
     * @param indent characters in front of each line, which are not part of it
     */
    List<String> wrapped(String text, int indent) {
        return laidOut(List.of(text.split(" ")), indent, "");
    }

    private List<String> laidOut(List<String> parts, int indent, String mark) {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String part : parts) {
            if (!line.isEmpty() && indent + line.length() + 2 * mark.length() + 1 + part.length() > width) {
                lines.add(line + mark);
                line.setLength(0);
            }
            line.append(line.isEmpty() ? "" : mark + " ").append(part);
        }
        lines.add(line.toString());
        return lines;
    }

    /**
     * Text of a database as one line that cannot steer the terminal.
     *
     * @param width cut to so many characters
     */
    String cell(String text, int width) {
        String shown = text.codePoints().limit(whole ? Long.MAX_VALUE : width + 1L)
                .map(c -> Character.isISOControl(c) || Character.getType(c) == Character.FORMAT ? ' ' : c)
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append).toString();
        if (whole || shown.codePointCount(0, shown.length()) <= width) {
            return shown;
        }
        String more = unicode ? "\u2026" : "...";
        return shown.substring(0, shown.offsetByCodePoints(0, Math.max(0, width - more.length()))) + more;
    }

    /** A table's name: in small letters if it is all capitals, as engines that do not care about case give it. */
    String table(String name, int width) {
        return cell(name.equals(name.toUpperCase(Locale.ROOT)) ? name.toLowerCase(Locale.ROOT) : name, width);
    }

    private String painted(String code, String text) {
        return coloured ? "\u001b[" + code + "m" + text + "\u001b[0m" : text;
    }
}
