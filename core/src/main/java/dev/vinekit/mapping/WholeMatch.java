package dev.vinekit.mapping;

/**
 * Turns a regular expression that is looked for in a text into one that the whole text has to match, as a person would
 * write it.
 */
final class WholeMatch {
    private WholeMatch() {
    }

    /**
     * The expression that matches all texts with a match in them; a point in it stands for line ends too.
     *
     * @param regex in Java's syntax
     * @param exactEnd whether {@code $} is the end of the text only, and a point any character: not so where Java
     *     itself looks
     */
    static String of(String regex, boolean exactEnd) {
        boolean choice = hasChoice(regex);
        boolean begins = !choice && regex.startsWith("^");
        boolean ends = !choice && regex.endsWith("$") && !isEscaped(regex, regex.length() - 1);
        if (!exactEnd && (ends || choice || hasPoint(regex))) {
            return ".*(?-s:" + regex + ").*";
        }
        String inner = ends ? veryEnds(regex.substring(0, regex.length() - 1)) + "$" : veryEnds(regex);
        return (begins ? "" : ".*") + (choice ? "(?:" + inner + ")" : inner) + (ends ? "" : ".*");
    }

    private static boolean hasChoice(String regex) {
        return outsideOfClasses(regex, '|', 0);
    }

    static boolean hasPoint(String regex) {
        return outsideOfClasses(regex, '.', Integer.MAX_VALUE);
    }

    /** Whether a character stands for itself nowhere, but for what it means, at most so deep in groups. */
    private static boolean outsideOfClasses(String regex, char wanted, int deepest) {
        int depth = 0;
        boolean inClass = false;
        for (int i = 0; i < regex.length(); i++) {
            char c = regex.charAt(i);
            if (c == '\\') {
                i++;
            } else if (inClass) {
                inClass = c != ']';
            } else if (c == '[') {
                inClass = true;
                i += regex.startsWith("^]", i + 1) ? 2 : regex.startsWith("]", i + 1) ? 1 : 0;
            } else if (c == wanted && depth <= deepest) {
                return true;
            } else {
                depth += c == '(' ? 1 : c == ')' ? -1 : 0;
            }
        }
        return false;
    }

    /** The expression in which the end of the text is that, and not a place before a last line end too. */
    private static String veryEnds(String regex) {
        StringBuilder written = new StringBuilder();
        boolean inClass = false;
        for (int i = 0; i < regex.length(); i++) {
            char c = regex.charAt(i);
            boolean end = c == '$' && !inClass && !isEscaped(regex, i);
            inClass = c == '[' && !isEscaped(regex, i) || inClass && (c != ']' || isEscaped(regex, i));
            written.append(end ? "\\z" : c);
        }
        return written.toString();
    }

    private static boolean isEscaped(String regex, int place) {
        int slashes = 0;
        while (slashes < place && regex.charAt(place - slashes - 1) == '\\') {
            slashes++;
        }
        return slashes % 2 == 1;
    }
}
