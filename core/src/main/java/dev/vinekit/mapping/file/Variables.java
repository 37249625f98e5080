package dev.vinekit.mapping.file;

import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Replaces variables of the environment in the sections {@code source} and {@code connections}: <code>${NAME}</code>,
 * <code>${NAME:-default}</code>; <code>$${</code> stands for <code>${</code> itself. All other sections end up in
 * generated files, and a file from someone else must not copy the user's environment there: they are left as they are.
 *
 * <p>At most one of {@code connections} is used: a variable that is not set there stays as it is written.
 *
 * @param needsSource whether the database in {@code source} is used; otherwise its variables may be unset
 */
record Variables(Map<String, String> environment, boolean needsSource) {
    private static final Pattern VARIABLE = Pattern.compile("\\$\\$\\{|\\$\\{([A-Za-z_][A-Za-z0-9_]*)(?::-([^}]*))?}");

    /**
     * A text with its variables replaced.
     *
     * @throws IllegalArgumentException if one is not set and has no default; the message says which
     */
    String fillIn(String text, List<String> path) {
        String section = path.get(0);
        if (!section.equals("source") && !section.equals("connections")) {
            return text;
        }
        Matcher variable = VARIABLE.matcher(text);
        StringBuilder filled = new StringBuilder();
        while (variable.find()) {
            String value = variable.group(1) == null ? "${"
                    : environment.getOrDefault(variable.group(1), variable.group(2));
            if (value == null && section.equals("connections")) {
                value = variable.group();
            } else if (value == null && needsSource) {
                throw new IllegalArgumentException("The environment variable " + variable.group(1)
                        + " is not set; set it, or give it a default: ${" + variable.group(1) + ":-default}.");
            }
            variable.appendReplacement(filled, Matcher.quoteReplacement(value == null ? "" : value));
        }
        return variable.appendTail(filled).toString();
    }
}
