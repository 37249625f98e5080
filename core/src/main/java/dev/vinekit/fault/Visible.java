package dev.vinekit.fault;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/**
 * Texts of databases and files in which nothing is hidden: no characters that steer a terminal, or turn the order of
 * others.
 */
public final class Visible {
    private static final int MOST_TOLD = 20;

    private Visible() {
    }

    /**
     * The text with an escape, as in {@code \u202E}, for each character that does not show; line ends and tabulators
     * stay.
     */
    public static String text(String text) {
        return text.codePoints().allMatch(Visible::shows) ? text
                : text.codePoints().mapToObj(c -> shows(c) ? Character.toString(c)
                : Character.toString(c).chars().mapToObj(unit -> String.format(Locale.ROOT, "\\u%04X", unit))
                .collect(Collectors.joining()))
                .collect(Collectors.joining());
    }

    /**
     * A script that says at its head, in a comment, where it has characters that do not show; as it is if it has none.
     */
    public static String script(String sql) {
        if (sql.codePoints().allMatch(Visible::shows)) {
            return sql;
        }
        List<String> places = new ArrayList<>();
        String[] lines = sql.split("\n", -1);
        for (int i = 0; i < lines.length; i++) {
            int line = i + 2;
            lines[i].codePoints().filter(c -> !shows(c)).distinct()
                    .forEach(c -> places.add(String.format(Locale.ROOT, "U+%04X in line %d", c, line)));
        }
        String more = places.size() > MOST_TOLD ? ", and " + (places.size() - MOST_TOLD) + " more" : "";
        return "-- Characters that do not show, and may make a line read otherwise than it is: "
                + String.join(", ", places.subList(0, Math.min(MOST_TOLD, places.size()))) + more + ".\n" + sql;
    }

    private static boolean shows(int c) {
        return switch (Character.getType(c)) {
            case Character.CONTROL -> c == '\n' || c == '\t' || c == '\r';
            case Character.FORMAT, Character.SURROGATE, Character.LINE_SEPARATOR,
                    Character.PARAGRAPH_SEPARATOR -> false;
            default -> true;
        };
    }
}
